import { HttpClient, HttpErrorResponse, HttpEventType } from '@angular/common/http';
import { Injectable, InjectionToken, inject } from '@angular/core';
import { type Observable, TimeoutError, concatMap, defer, from, map, timeout } from 'rxjs';
import {
  API,
  SCHEMA_VERSION,
  addressOf,
  type CaughtUp,
  type Change,
  type DownloadType,
  type Declared,
  type Source,
  type FontRead,
  type LayoutReading,
  type LettersPage,
  type ListedSession,
  type Measured,
  type ParamsOf,
  type PixelsJson,
  type Publications,
  type SendResult,
  type ShelvedSite,
  type Site,
  type SiteStanding,
} from '@yohaku/core';
import { SiteReader, type Opening } from './site-reader.ts';

/** How long an edit waits for the server's answer before it is sent again; sent twice it counts once. */
export const PATIENCE = new InjectionToken<{ ms: number }>('patience with the server', {
  providedIn: 'root',
  factory: () => ({ ms: 20_000 }),
});

/** A value as it is sent: nothing in it is changed. */
type AsSent<T> = T extends readonly (infer E)[]
  ? readonly AsSent<E>[]
  : T extends object
    ? { readonly [K in keyof T]: AsSent<T[K]> }
    : T;
/** The parts of a request: those that the route declares, in their types. */
type Sent<B, Q> = ([B] extends [undefined] ? unknown : { readonly body: AsSent<B> }) &
  ([Q] extends [undefined] ? unknown : { readonly query: AsSent<Q> });
/** True for a route that takes neither body nor query. */
type Bare<B, Q> = [B, Q] extends [undefined, undefined] ? true : false;

type HttpQuery = Readonly<Record<string, string>>;
const AS_FILE = { 'Content-Type': 'application/octet-stream' } as const;

/** Everything the desk asks of the server, as the routes are declared. */
@Injectable({ providedIn: 'root' })
export class SiteApi {
  readonly #http = inject(HttpClient);
  readonly #patience = inject(PATIENCE);

  #ask<P extends string, B, Q, A, SentB, SentQ>(
    declared: Declared<P, B, Q, A, SentB, SentQ>,
    params: ParamsOf<P>,
    ...[sent]: Bare<SentB, SentQ> extends true ? [] : [Sent<SentB, SentQ>]
  ): Observable<A> {
    const { body, query } = (sent ?? {}) as { readonly body?: unknown; readonly query?: HttpQuery };
    return this.#http.request<A>(declared.method.toUpperCase(), addressOf(declared, params), {
      body,
      ...(query ? { params: query } : {}),
    });
  }
  /** Sends a file as the body. */
  #upload<P extends string, Q, A, SentQ>(
    declared: Declared<P, undefined, Q, A, undefined, SentQ>,
    params: ParamsOf<P>,
    query: AsSent<SentQ>,
    content: Blob,
  ): Observable<A> {
    return this.#http.request<A>(declared.method.toUpperCase(), addressOf(declared, params), {
      body: content,
      params: query as HttpQuery,
      headers: AS_FILE,
    });
  }

  signIn(token: string): Observable<void> {
    return this.#ask(API.session.signIn, {}, { body: { token } });
  }
  sites(): Observable<readonly ShelvedSite[]> {
    return this.#ask(API.sites.list, {}).pipe(map(({ sites }) => sites));
  }
  standing(site: string): Observable<SiteStanding> {
    return this.#ask(API.sites.standing, { site });
  }
  /** Begins a site: the server reads it again, like every site that is brought in. */
  beginSite(site: Site): Observable<{ readonly id: string }> {
    return this.#upload(API.sites.bringIn, {}, { id: site.id }, new Blob([JSON.stringify(site)]));
  }
  renameSite(site: string, was: string, name: string): Observable<readonly SendResult[]> {
    return this.send(site, 'w-shelf', [
      {
        id: `name-${crypto.randomUUID().slice(0, 13)}`,
        schemaVersion: SCHEMA_VERSION,
        label: `Rename ${was}`,
        ops: [{ op: 'set', at: ['name'], value: name, was }],
      },
    ]);
  }
  copySite(site: string, id: string, name: string): Observable<unknown> {
    return this.#ask(API.sites.copy, { site }, { body: { id, name } });
  }
  archiveSite(site: string, archived: boolean): Observable<void> {
    return this.#ask(API.sites.archive, { site }, { body: { archived } });
  }
  moveSite(site: string, id: string): Observable<void> {
    return this.#ask(API.sites.move, { site }, { body: { id } });
  }
  removeSite(site: string, name: string): Observable<void> {
    return this.#ask(API.sites.remove, { site }, { query: { name } });
  }
  /**
   * Opens a site: what its pages share and the first of them, how many are here, and then the whole. @param first pages
   * that are wanted before others
   */
  open(site: string, first: readonly string[]): Observable<Opening> {
    // A reader for each attempt: what a broken one had read is not gone on from.
    return defer(() => this.#read(site, first, new SiteReader()));
  }
  #read(site: string, first: readonly string[], reader: SiteReader): Observable<Opening> {
    return this.#http
      .get(addressOf(API.sites.stream, { site }), {
        params: { first: first.join(',') },
        observe: 'events',
        reportProgress: true,
        responseType: 'text',
      })
      .pipe(
        concatMap((event) =>
          from(
            event.type === HttpEventType.DownloadProgress
              ? reader.read((event as { partialText?: string }).partialText ?? '')
              : event.type === HttpEventType.Response
                ? reader.end(event.body ?? '')
                : [],
          ),
        ),
      );
  }
  send(site: string, window: string, changes: readonly Change[]): Observable<readonly SendResult[]> {
    return this.#ask(API.sites.send, { site }, { body: { window, changes } }).pipe(
      timeout(this.#patience.ms),
      map(({ results }) => results),
    );
  }
  after(site: string, sequence: number): Observable<CaughtUp> {
    return this.#ask(API.sites.after, { site }, { query: { after: String(sequence) } }).pipe(
      timeout(this.#patience.ms),
    );
  }
  sessions(): Observable<readonly ListedSession[]> {
    return this.#ask(API.session.list, {}).pipe(map(({ sessions }) => sessions));
  }
  /** Ends one session, or (without an id) the one of this browser. */
  endSession(id?: string): Observable<void> {
    return id === undefined ? this.#ask(API.session.signOut, {}) : this.#ask(API.session.end, { id });
  }
  sources(site: string): Observable<readonly Source[]> {
    return this.#ask(API.sources.list, { site }).pipe(map(({ sources }) => sources));
  }
  addSource(site: string, id: string, name: string, content: Blob): Observable<Source> {
    return this.#upload(API.sources.add, { site }, { id, name: name.slice(0, 200) }, content);
  }
  putAwaySource(site: string, id: string, putAway: boolean): Observable<void> {
    return this.#ask(API.sources.putAway, { site, id }, { body: { putAway } });
  }
  addDownload(
    site: string,
    name: string,
    content: Blob,
  ): Observable<{ readonly hash: string; readonly type: DownloadType; readonly bytes: number }> {
    return this.#upload(API.downloads.add, { site }, { name: name.slice(0, 200) }, content);
  }
  readFont(name: string, content: Blob): Observable<FontRead> {
    return this.#upload(API.fonts.read, {}, { name: name.slice(0, 200) }, content);
  }
  letters(site: string, before?: string): Observable<LettersPage> {
    return this.#ask(API.letters.list, { site }, { query: before === undefined ? {} : { before } });
  }
  markLetter(site: string, id: string, read: boolean): Observable<void> {
    return this.#ask(API.letters.mark, { site, id }, { body: { read } });
  }
  removeLetter(site: string, id: string): Observable<void> {
    return this.#ask(API.letters.remove, { site, id });
  }
  publications(site: string): Observable<Publications> {
    return this.#ask(API.publish.list, { site });
  }
  publish(
    site: string,
    sequence: number,
    pixels: PixelsJson | undefined,
    layout: readonly LayoutReading[],
  ): Observable<{ readonly number: number }> {
    return this.#ask(
      API.publish.publish,
      { site },
      { body: { sequence, ...(pixels ? { pixels } : {}), ...(layout.length > 0 ? { layout } : {}) } },
    );
  }
  measured(site: string): Observable<{ readonly measured: Measured | null }> {
    return this.#ask(API.measured.load, { site });
  }
  keepMeasured(site: string, measured: Measured): Observable<void> {
    return this.#ask(API.measured.keep, { site }, { body: measured });
  }
  makeLive(site: string, number: number): Observable<void> {
    return this.#ask(API.publish.makeLive, { site }, { body: { number } });
  }
}

const NO_ANSWER = 'The server does not answer. Your edits are kept here and sent again.';

/** The sentence of a failed request: the server's own words where it has some. */
export function failureWords(error: unknown): string {
  if (error instanceof HttpErrorResponse) {
    let body: unknown = error.error;
    if (typeof body === 'string') {
      try {
        body = JSON.parse(body);
      } catch {
        body = undefined;
      }
    }
    const detail = (body as { detail?: unknown } | undefined)?.detail;
    if (typeof detail === 'string') return detail;
    if (error.status === 0) return NO_ANSWER;
  }
  if (error instanceof TimeoutError) return NO_ANSWER;
  return 'Something went wrong. Nothing you did was lost; try again.';
}

/** Returns true if sending the same again later can help: no answer, or a server or database that is down. */
export function canRetry(error: unknown): boolean {
  return (
    error instanceof TimeoutError ||
    (error instanceof HttpErrorResponse && (error.status === 0 || error.status >= 500 || error.status === 429))
  );
}

/** Returns true if a failure means that nobody is signed in. */
export function isSignedOut(error: unknown): boolean {
  return error instanceof HttpErrorResponse && error.status === 401;
}
