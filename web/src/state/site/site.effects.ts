import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { EMPTY, Observable, animationFrameScheduler, catchError, concatMap, delay, distinctUntilChanged, exhaustMap, filter, from, map, merge, mergeMap, of, race, switchMap, take, tap, timer } from 'rxjs';
import type { Change } from '@yohaku/core';
import { SiteApi, canRetry, failureWords, isSignedOut, pendingStore, windowId, type SendResult } from '../../api/index.ts';
import { SiteActions } from './site.actions.ts';
import { siteFeature } from './site.selectors.ts';

const RETRY_MS = 1500;
const BATCH = 50;
/** Nothing is painted in a window that is not seen: after this long its edits are sent all the same. */
const UNSEEN_MS = 60;

/** Once the browser has painted what is under way. */
const painted = () => race(timer(UNSEEN_MS), timer(0, animationFrameScheduler).pipe(delay(0))).pipe(take(1));

/** Loading, sending, hearing, keeping. */
@Injectable()
export class SiteEffects {
  readonly #actions = inject(Actions);
  readonly #store = inject(Store);
  readonly #api = inject(SiteApi);

  readonly load = createEffect(() => this.#actions.pipe(
    ofType(SiteActions.open),
    switchMap(({ siteId }) => this.#api.load(siteId).pipe(
      switchMap((loaded) => from(pendingStore.all(siteId).catch(() => [] as Change[])).pipe(map((pending) => SiteActions.loaded({ ...loaded, pending })))),
      catchError((error: unknown) => of(SiteActions.loadFailed({ words: failureWords(error), signedOut: isSignedOut(error) }))),
    )),
  ));

  /** Every change is kept on this machine before it is sent, and forgotten once acknowledged or refused. */
  readonly keep = createEffect(() => this.#store.select(siteFeature.selectPending).pipe(
    map((pending) => pending.map((change) => change.id)),
    distinctUntilChanged((one, other) => one.length === other.length && one.every((id, i) => id === other[i])),
    concatMap(() => this.#store.select(siteFeature.selectSiteState).pipe(take(1))),
    concatMap(async ({ pending, siteId, status }) => {
      if (status !== 'ready') return;
      const now = new Map(pending.map((change) => [change.id, change]));
      for (const [id, change] of now) if (!this.#kept.has(id)) {
        this.#kept.add(id);
        await pendingStore.keep(siteId, change).catch(() => {});
      }
      const gone = new Set([...this.#kept].filter((id) => !now.has(id)));
      if (gone.size === 0) return;
      gone.forEach((id) => this.#kept.delete(id));
      await pendingStore.forget(gone).catch(() => {});
    }),
  ), { dispatch: false });
  readonly #kept = new Set<string>();

  readonly forgetLoaded = createEffect(() => this.#actions.pipe(
    ofType(SiteActions.loaded),
    tap(({ pending }) => pending.forEach((change) => this.#kept.add(change.id))),
  ), { dispatch: false });

  /** Sends what is pending, one batch at a time; after a failure it waits and sends the same again. */
  readonly send = createEffect(() => merge(
    this.#actions.pipe(ofType(SiteActions.commit, SiteActions.undo, SiteActions.redo, SiteActions.loaded, SiteActions.arrived, SiteActions.acknowledged, SiteActions.refused)),
    this.#actions.pipe(ofType(SiteActions.sendingFailed), switchMap(() => timer(RETRY_MS))),
  ).pipe(
    // Queued, not dropped: an edit made while a batch is under way is sent right after it.
    // After the paint: the wall shows the edit before anything is packed for the server.
    concatMap(() => painted().pipe(switchMap(() => this.#drain()))),
  ));

  #drain(): Observable<ReturnType<(typeof SiteActions)[keyof typeof SiteActions]>> {
    return this.#store.select(siteFeature.selectSiteState).pipe(
      take(1),
      filter(({ pending, status }) => pending.length > 0 && status === 'ready'),
      switchMap(({ siteId, pending, sequence }) => this.#api.send(siteId, windowId, pending.slice(0, BATCH)).pipe(
        mergeMap((results) => this.#answered(siteId, sequence, pending, results)),
        catchError((error: unknown) => {
          if (isSignedOut(error)) return of(SiteActions.sendingFailed({ words: 'You are signed out. Your edits are kept here; open a fresh sign-in address.' }));
          if (canRetry(error)) return of(SiteActions.sendingFailed({ words: failureWords(error) }));
          // The whole batch was refused: the first change is at fault or none is readable; drop it with the reason.
          return of(SiteActions.refused({ id: pending[0]!.id, words: failureWords(error) }));
        }),
      )),
    );
  }

  /** Turns acknowledgements into the server's order of changes; fetches what lies between when others were faster. */
  #answered(siteId: string, sequence: number, sent: readonly Change[], results: readonly SendResult[]): Observable<ReturnType<(typeof SiteActions)[keyof typeof SiteActions]>> {
    const refused = results.flatMap((one) => ('refused' in one ? [SiteActions.refused({ id: one.id, words: one.refused })] : []));
    const known = results.flatMap((one) => ('refused' in one || one.sequence > sequence ? [] : [one.id]));
    const saved = results.flatMap((one) => ('refused' in one || one.sequence <= sequence ? [] : [one]));
    const inRow = saved.every((one, i) => one.sequence === sequence + 1 + i);
    const arrived = saved.length === 0 ? of([])
      : inRow ? of(saved.map((one) => ({ sequence: one.sequence, id: one.id, change: sent.find((change) => change.id === one.id)!, windowId })))
      : this.#api.after(siteId, sequence);
    return arrived.pipe(mergeMap((changes) => [SiteActions.sendingAgain(), ...refused, SiteActions.acknowledged({ ids: known }), SiteActions.arrived({ changes, windowId })]));
  }

  /** Hears that the site has a new sequence and fetches the changes; the browser reconnects by itself. */
  readonly hear = createEffect(() => this.#actions.pipe(
    ofType(SiteActions.loaded),
    switchMap(() => this.#store.select(siteFeature.selectSiteId).pipe(take(1))),
    switchMap((siteId) => new Observable<number>((subscriber) => {
      const source = new EventSource(`/api/sites/${siteId}/events`);
      source.addEventListener('sequence', (event) => subscriber.next(Number((event as MessageEvent).data)));
      source.addEventListener('open', () => subscriber.next(0));
      return () => source.close();
    }).pipe(
      concatMap((heard) => this.#store.select(siteFeature.selectSiteState).pipe(take(1), map((state) => ({ heard, state })))),
      filter(({ heard, state }) => heard === 0 || heard > state.sequence),
      exhaustMap(({ state }) => this.#api.after(siteId, state.sequence).pipe(
        map((changes) => SiteActions.arrived({ changes, windowId })),
        catchError(() => EMPTY),
      )),
    )),
  ));

  /** Undo stacks survive a reload of this window. */
  readonly keepUndo = createEffect(() => this.#store.select(siteFeature.selectSiteState).pipe(
    filter(({ status }) => status === 'ready'),
    distinctUntilChanged((one, other) => one.done === other.done && one.undone === other.undone),
    tap(({ siteId, done, undone }) => {
      try {
        sessionStorage.setItem(`yohaku-undo-${siteId}`, JSON.stringify({ done: done.slice(-50), undone: undone.slice(-50) }));
      } catch {
        sessionStorage.removeItem(`yohaku-undo-${siteId}`);
      }
    }),
  ), { dispatch: false });
}
