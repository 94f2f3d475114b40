import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  Observable,
  Subject,
  type Subscription,
  animationFrameScheduler,
  catchError,
  concatMap,
  delay,
  distinctUntilChanged,
  filter,
  firstValueFrom,
  from,
  fromEvent,
  map,
  merge,
  mergeMap,
  of,
  race,
  retry,
  switchMap,
  take,
  tap,
  throwError,
  timer,
} from 'rxjs';
import { plural, type Change, type SendResult } from '@yohaku/core';
import { SiteApi, asideStore, canRetry, failureWords, isSignedOut, pendingStore, windowId } from '../../api/index.ts';
import { SiteActions } from './site.actions.ts';
import { storeUndo, storedUndo } from './undo-steps.ts';
import { siteFeature } from './site.selectors.ts';
import { deskFeature, type DeskState } from '../desk/desk.ts';
import { packed } from './packed.ts';

const RETRY_MS = 1500;
const BATCH = 50;
const SIGNED_OUT =
  'You are signed out. Your edits are kept here. Open a new sign-in address in this browser; this window then continues.';
/** Nothing is painted in a window that is not seen: after this long its edits are sent all the same. */
const UNSEEN_MS = 60;

/** A frame of a screen, ms. */
const FRAME_MS = 17;

/** Once the browser has painted what is under way, and shown it: what it has left to do for that comes first. */
const painted = () => race(timer(UNSEEN_MS), timer(0, animationFrameScheduler).pipe(delay(FRAME_MS))).pipe(take(1));

/** Loading, sending, hearing, keeping. */
@Injectable()
export class SiteEffects {
  readonly #actions = inject(Actions);
  readonly #store = inject(Store);
  readonly #api = inject(SiteApi);

  readonly load = createEffect(() =>
    this.#actions.pipe(
      ofType(SiteActions.open),
      switchMap(({ siteId }) =>
        this.#api.open(siteId, this.#wanted()).pipe(
          // A server or database that comes back is waited for, and said to be.
          retry({
            delay: (error: unknown) => {
              if (!canRetry(error)) return throwError(() => error);
              this.#store.dispatch(SiteActions.notice({ words: failureWords(error) }));
              return timer(RETRY_MS);
            },
          }),
          concatMap((opening) =>
            'site' in opening
              ? of(SiteActions.opening(opening))
              : from(
                  Promise.all([pendingStore.all(siteId).catch(() => []), asideStore.all(siteId).catch(() => [])]),
                ).pipe(
                  map(([pending, aside]) =>
                    SiteActions.loaded({ ...opening.whole, pending, aside, undo: storedUndo(siteId) }),
                  ),
                ),
          ),
          catchError((error: unknown) =>
            of(SiteActions.loadFailed({ words: failureWords(error), signedOut: isSignedOut(error) })),
          ),
        ),
      ),
    ),
  );

  /** The page that was read last hangs in sight first. */
  readonly #desk = this.#store.selectSignal((state: object): DeskState | undefined =>
    deskFeature.name in state ? deskFeature.selectDeskState(state as never) : undefined,
  );
  #wanted(): readonly string[] {
    const grown = this.#desk()?.grown;
    return grown ? [grown] : [];
  }

  readonly #keepAgain = new Subject<void>();
  /**
   * Stores every change in this browser before it is sent, and deletes it after the server's answer. A failed store is
   * retried and reported.
   */
  readonly keep = createEffect(
    () =>
      merge(
        this.#store.select(siteFeature.selectPending).pipe(
          map((pending) => pending.map((change) => change.id)),
          distinctUntilChanged(
            (entry, other) => entry.length === other.length && entry.every((id, i) => id === other[i]),
          ),
        ),
        this.#keepAgain,
      ).pipe(
        concatMap(() => this.#store.select(siteFeature.selectSiteState).pipe(take(1))),
        concatMap(async ({ pending, siteId, status, notice }) => {
          if (status !== 'ready') return;
          // The server has every edit, so the window can close.
          if (pending.length === 0 && notice !== '' && notice === this.#toldNotKept)
            this.#store.dispatch(SiteActions.clearNotice());
          const now = new Map(pending.map((change) => [change.id, change]));
          for (const [id, change] of now)
            if (!this.#kept.has(id)) {
              try {
                await pendingStore.keep(siteId, change);
                this.#kept.add(id);
              } catch {
                this.#notKept(now.size);
                break;
              }
            }
          const gone = new Set([...this.#kept].filter((id) => !now.has(id)));
          if (gone.size === 0) return;
          gone.forEach((id) => this.#kept.delete(id));
          await pendingStore.forget(gone).catch(() => {});
        }),
      ),
    { dispatch: false },
  );
  readonly #kept = new Set<string>();
  #keepTimer: ReturnType<typeof setTimeout> | undefined;
  #toldNotKept = '';

  #notKept(edits: number): void {
    clearTimeout(this.#keepTimer);
    this.#keepTimer = setTimeout(() => this.#keepAgain.next(), RETRY_MS);
    if (this.#toldNotKept) return;
    this.#toldNotKept = `This browser has no room to keep ${plural(edits, 'unsent edit')}. ${edits === 1 ? 'It is' : 'They are'} in this window only until the server has ${edits === 1 ? 'it' : 'them'}: keep the window open until it says “saved”.`;
    this.#store.dispatch(SiteActions.notice({ words: this.#toldNotKept }));
  }

  /** Asks before a window closes with edits that neither the server nor the browser has stored. */
  readonly warn = createEffect(
    () =>
      fromEvent<BeforeUnloadEvent>(window, 'beforeunload').pipe(
        tap((event) => {
          const { pending, status } = this.#state();
          if (status === 'ready' && pending.some(({ id }) => !this.#kept.has(id))) event.preventDefault();
        }),
      ),
    { dispatch: false },
  );

  readonly forgetLoaded = createEffect(
    () =>
      this.#actions.pipe(
        ofType(SiteActions.loaded),
        tap(({ pending }) => pending.forEach((change) => this.#kept.add(change.id))),
      ),
    { dispatch: false },
  );

  /** Sends what is pending, one batch at a time; after a failure it waits and sends the same again. */
  readonly send = createEffect(() =>
    merge(
      this.#actions.pipe(
        ofType(
          SiteActions.commit,
          SiteActions.undo,
          SiteActions.redo,
          SiteActions.loaded,
          SiteActions.arrived,
          SiteActions.acknowledged,
          SiteActions.refused,
          SiteActions.tryAside,
        ),
      ),
      this.#actions.pipe(
        ofType(SiteActions.sendingFailed),
        switchMap(() => timer(RETRY_MS)),
      ),
    ).pipe(
      // Queued, not dropped: an edit made while a batch is under way is sent right after it.
      // After the paint: the wall shows the edit before anything is packed for the server.
      concatMap(() => painted().pipe(switchMap(() => this.#drain()))),
    ),
  );

  /** How many edits go at once: fewer after a batch was refused whole, to find the one at fault. */
  #batch = BATCH;

  #drain(): Observable<ReturnType<(typeof SiteActions)[keyof typeof SiteActions]>> {
    return this.#store.select(siteFeature.selectSiteState).pipe(
      take(1),
      // While changes are fetched nothing is sent: what comes may be what was sent before.
      filter(({ pending, status, latest, sequence }) => pending.length > 0 && status === 'ready' && latest <= sequence),
      switchMap(({ siteId, pending, sequence }) => {
        const sent = packed(pending, this.#batch);
        return this.#api.send(siteId, windowId, sent).pipe(
          tap(() => {
            this.#batch = Math.min(BATCH, this.#batch * 2);
          }),
          mergeMap((results) => this.#answered(sequence, sent, results)),
          catchError((error: unknown) => {
            if (isSignedOut(error)) return of(SiteActions.sendingFailed({ words: SIGNED_OUT }));
            if (canRetry(error)) return of(SiteActions.sendingFailed({ words: failureWords(error) }));
            // Refused whole: the one at fault is found by sending them one by one; it alone is set aside.
            if (sent.length > 1) {
              this.#batch = 1;
              return of(SiteActions.sendingAgain(), SiteActions.acknowledged({ ids: [] }));
            }
            return of(
              SiteActions.refused({ id: sent[0]!.id, words: failureWords(error), at: new Date().toISOString() }),
            );
          }),
        );
      }),
    );
  }

  /**
   * Turns answers into the server's order of changes; where others were faster, or the server kept an edit otherwise,
   * the log is asked.
   */
  #answered(
    sequence: number,
    sent: readonly Change[],
    results: readonly SendResult[],
  ): Observable<ReturnType<(typeof SiteActions)[keyof typeof SiteActions]>> {
    const at = new Date().toISOString();
    const refused = results.flatMap((result, i) =>
      'refused' in result ? [SiteActions.refused({ id: sent[i]!.id, words: result.refused, at })] : [],
    );
    // An answer without a sequence confirms nothing: the edit stays, and is sent again.
    const kept = results.flatMap((result) =>
      'refused' in result || !Number.isFinite(result.sequence) ? [] : [result],
    );
    const known = kept.flatMap((entry) => (entry.sequence > sequence ? [] : [entry.id]));
    const saved = kept.filter((entry) => entry.sequence > sequence);
    const inRow = saved.every((change, i) => change.sequence === sequence + 1 + i && !change.settled);
    const changes = inRow
      ? saved.map((entry) => ({
          sequence: entry.sequence,
          id: entry.id,
          change: sent.find((change) => change.id === entry.id)!,
          windowId,
        }))
      : [];
    return of(
      SiteActions.sendingAgain(),
      ...refused,
      SiteActions.acknowledged({ ids: known }),
      ...(inRow
        ? [SiteActions.arrived({ changes, windowId })]
        : [SiteActions.heard({ sequence: Math.max(...saved.map((change) => change.sequence)) })]),
    );
  }

  /** Hears which sequence the server has, and is told it anew with each connection. */
  readonly hear = createEffect(() =>
    this.#actions.pipe(
      ofType(SiteActions.loaded),
      switchMap(() => this.#store.select(siteFeature.selectSiteId).pipe(take(1))),
      switchMap(
        (siteId) =>
          new Observable<ReturnType<(typeof SiteActions)['heard' | 'open' | 'sendingFailed']>>((subscriber) => {
            let source: EventSource;
            let timer: ReturnType<typeof setTimeout> | undefined;
            let asking: Subscription | undefined;
            const listen = () => {
              source = new EventSource(`/api/sites/${siteId}/events`);
              source.addEventListener('sequence', (event) =>
                subscriber.next(SiteActions.heard({ sequence: Number((event as MessageEvent).data) })),
              );
              // A backup was brought back: what is here is of another time.
              source.addEventListener('restored', () => subscriber.next(SiteActions.open({ siteId })));
              source.addEventListener('error', lost);
            };
            // A browser connects again by itself after a connection that broke, but never after an answer that was no
            // stream: then we do.
            const again = () => {
              timer = setTimeout(listen, RETRY_MS);
            };
            const lost = () => {
              if (source.readyState !== EventSource.CLOSED) return;
              asking = this.#api.sites().subscribe({
                next: again,
                error: (failed: unknown) => {
                  // Signed in again in another window of this browser, this one goes on by itself.
                  if (isSignedOut(failed)) subscriber.next(SiteActions.sendingFailed({ words: SIGNED_OUT }));
                  again();
                },
              });
            };
            listen();
            return () => {
              clearTimeout(timer);
              asking?.unsubscribe();
              source.close();
            };
          }),
      ),
    ),
  );

  readonly #state = this.#store.selectSignal(siteFeature.selectSiteState);
  #catching = false;

  /** Fetches changes for as long as the server has more than this window; a failure is tried again. */
  readonly catchUp = createEffect(
    () =>
      this.#store.select(siteFeature.selectBehind).pipe(
        filter((behind) => behind > 0),
        tap(() => void this.#catchUp()),
      ),
    { dispatch: false },
  );

  async #catchUp(): Promise<void> {
    if (this.#catching) return;
    this.#catching = true;
    try {
      for (;;) {
        const { status, siteId, sequence, latest, lost } = this.#state();
        if (status !== 'ready' || lost || latest <= sequence) return;
        try {
          const { changes, sequence: there } = await firstValueFrom(this.#api.after(siteId, sequence));
          const now = this.#state();
          if (now.siteId !== siteId || now.status !== 'ready') return;
          this.#store.dispatch(SiteActions.sendingAgain());
          this.#store.dispatch(SiteActions.heard({ sequence: there }));
          this.#store.dispatch(SiteActions.arrived({ changes, windowId }));
          // The announced edits are not in the log, so the database is another one: read everything again.
          if (changes.length === 0) return this.#store.dispatch(SiteActions.open({ siteId }));
        } catch (error) {
          this.#store.dispatch(
            SiteActions.sendingFailed({ words: isSignedOut(error) ? SIGNED_OUT : failureWords(error) }),
          );
          await firstValueFrom(timer(RETRY_MS));
        }
      }
    } finally {
      this.#catching = false;
    }
  }

  /** A change that does not fit what is here: the site is read anew; what was not sent yet is kept. */
  readonly readAnew = createEffect(() =>
    this.#store.select(siteFeature.selectLost).pipe(
      filter((lost) => lost),
      switchMap(() => this.#store.select(siteFeature.selectSiteId).pipe(take(1))),
      map((siteId) => SiteActions.open({ siteId })),
    ),
  );

  /** Edits that were set aside are kept on this machine until somebody has looked at them. */
  readonly keepAside = createEffect(
    () =>
      this.#store.select(siteFeature.selectSiteState).pipe(
        filter(({ status }) => status === 'ready'),
        distinctUntilChanged((site, other) => site.aside === other.aside),
        concatMap(async ({ siteId, aside }) => {
          const now = new Set(aside.map(({ change }) => change.id));
          for (const entry of aside)
            if (!this.#aside.has(entry.change.id)) await asideStore.keep(siteId, entry).catch(() => {});
          for (const id of this.#aside) if (!now.has(id)) await asideStore.forget(siteId, id).catch(() => {});
          this.#aside = now;
        }),
      ),
    { dispatch: false },
  );
  #aside = new Set<string>();

  /** Undo stacks survive a reload of this window. */
  readonly keepUndo = createEffect(() =>
    this.#store.select(siteFeature.selectSiteState).pipe(
      filter(({ status }) => status === 'ready'),
      distinctUntilChanged((site, other) => site.done === other.done && site.undone === other.undone),
      map(storeUndo),
      filter((gone) => gone > 0),
      map((gone) =>
        SiteActions.notice({
          words: `The undo history is too long to keep: after a reload the oldest ${gone === 1 ? 'step' : `${gone} steps`} will be gone.`,
        }),
      ),
    ),
  );
}
