import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { Injectable, InjectionToken, inject } from '@angular/core';
import { type Observable, TimeoutError, map, timeout } from 'rxjs';
import type { AuditCounts, Change, Evidence, PixelsJson, LayoutReading, ReadFace, Site } from '@yohaku/core';

/** `told` are sentences about what had to be done to open it. */
export interface LoadedSite { readonly site: Site; readonly sequence: number; readonly told?: readonly string[] }
export interface RemoteChange { readonly sequence: number; readonly id: string; readonly change: Change; readonly windowId: string }
/** Changes after a sequence, and the sequence there is. */
export interface CaughtUp { readonly changes: readonly RemoteChange[]; readonly sequence: number }
/** One answer for each change that was sent, in their order. */
export type SendResult =
  | { readonly id: string; readonly sequence: number; readonly repeated: boolean; readonly overtook: string[][]; readonly settled?: true }
  | { readonly id: string | null; readonly refused: string; readonly kind: string };
export interface ListedSession { readonly id: string; readonly createdAt: string; readonly seenAt: string; readonly expiresAt: string; readonly agent: string; readonly current: boolean }
export type FontRead = (ReadFace & { readonly notes: readonly string[] }) | { readonly refused: string };
export interface Publication { readonly number: number; readonly sequence: number; readonly at: string; readonly live: boolean; readonly verdict: AuditCounts; readonly files: number }
export interface Publications { readonly publications: Publication[]; readonly live: { readonly site: Site; readonly number: number; readonly sequence: number } | null }

/** How long an edit waits for the server's answer before it is sent again; sent twice it counts once. */
export const PATIENCE = new InjectionToken<{ ms: number }>('patience with the server', { providedIn: 'root', factory: () => ({ ms: 20_000 }) });

/** Everything the desk asks of the server. */
@Injectable({ providedIn: 'root' })
export class SiteApi {
  readonly #http = inject(HttpClient);
  readonly #patience = inject(PATIENCE);

  signIn(token: string): Observable<unknown> {
    return this.#http.post('/api/session', { token });
  }
  sites(): Observable<{ id: string; name: string }[]> {
    return this.#http.get<{ sites: { id: string; name: string }[] }>('/api/sites').pipe(map(({ sites }) => sites));
  }
  load(site: string): Observable<LoadedSite> {
    return this.#http.get<LoadedSite>(`/api/sites/${site}`);
  }
  send(site: string, window: string, changes: readonly Change[]): Observable<SendResult[]> {
    return this.#http.post<{ results: SendResult[] }>(`/api/sites/${site}/changes`, { window, changes }).pipe(timeout(this.#patience.ms), map(({ results }) => results));
  }
  after(site: string, sequence: number): Observable<CaughtUp> {
    return this.#http.get<CaughtUp>(`/api/sites/${site}/changes`, { params: { after: sequence } }).pipe(timeout(this.#patience.ms));
  }
  sessions(): Observable<ListedSession[]> {
    return this.#http.get<{ sessions: ListedSession[] }>('/api/sessions').pipe(map(({ sessions }) => sessions));
  }
  /** Ends one session, or (without an id) the one of this browser. */
  endSession(id?: string): Observable<unknown> {
    return this.#http.delete(id === undefined ? '/api/session' : `/api/sessions/${id}`);
  }
  evidence(site: string): Observable<Evidence[]> {
    return this.#http.get<{ evidence: Evidence[] }>(`/api/sites/${site}/evidence`).pipe(map(({ evidence }) => evidence));
  }
  addEvidence(site: string, id: string, name: string, content: Blob): Observable<Evidence> {
    return this.#http.post<Evidence>(`/api/sites/${site}/evidence`, content, { params: { id, name: name.slice(0, 200) }, headers: { 'Content-Type': 'application/octet-stream' } });
  }
  putAwayEvidence(site: string, id: string, putAway: boolean): Observable<unknown> {
    return this.#http.put(`/api/sites/${site}/evidence/${id}`, { putAway });
  }
  readFont(name: string, content: Blob): Observable<FontRead> {
    return this.#http.post<FontRead>('/api/fonts', content, { params: { name: name.slice(0, 200) }, headers: { 'Content-Type': 'application/octet-stream' } });
  }
  publications(site: string): Observable<Publications> {
    return this.#http.get<Publications>(`/api/sites/${site}/publications`);
  }
  publish(site: string, sequence: number, pixels: PixelsJson | undefined, layout: readonly LayoutReading[]): Observable<{ number: number }> {
    return this.#http.post<{ number: number }>(`/api/sites/${site}/publications`, { sequence, ...(pixels ? { pixels } : {}), ...(layout.length > 0 ? { layout } : {}) });
  }
  makeLive(site: string, number: number): Observable<unknown> {
    return this.#http.post(`/api/sites/${site}/live`, { number });
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

/** Whether sending the same again later can help: no answer, or a server or database that is down. */
export function canRetry(error: unknown): boolean {
  return error instanceof TimeoutError || (error instanceof HttpErrorResponse && (error.status === 0 || error.status >= 500 || error.status === 429));
}

/** Whether a failure means that nobody is signed in. */
export function isSignedOut(error: unknown): boolean {
  return error instanceof HttpErrorResponse && error.status === 401;
}
