import { Injectable, effect, inject, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import type { Change, Site } from '@yohaku/core';
import {
  AuditActions,
  PagesRead,
  PixelsRead,
  SiteActions,
  freshId,
  siteFeature,
  type LastEdit,
  type PageReading,
  type SiteState,
} from '../state/index.ts';
import type { Evidence, FromAudit, ReadFile, ToAudit } from './messages.ts';

/** The longest wait for an answer, ms, and the largest number of restarts. */
const ANSWER_MS = 60_000;
const MOST_FAILURES = 3;

/** Keeps the audit worker's replica in step with the site and puts what it finds in the store. */
@Injectable({ providedIn: 'root' })
export class AuditLink {
  readonly #store = inject(Store);
  readonly #pixels = inject(PixelsRead);
  readonly #state = this.#store.selectSignal(siteFeature.selectSiteState);
  #worker: Worker | undefined;
  #known: Site | undefined;
  #lastEdit = '';
  #asked = 0;
  /** The text over a picture it was asked about last. */
  #behind = '';
  /** Counts the sites and changes the worker was told. */
  #step = 0;
  readonly #waiting = new Map<
    number,
    { readonly resolve: (answer: ReadFile | Evidence) => void; readonly reject: (error: Error) => void }
  >();
  /** The number of failures since the last answer. After several the worker is not restarted. */
  #failures = 0;

  constructor() {
    effect(() => {
      const { current, pending, last, opening, arrived } = this.#state();
      // A site is judged once all its pages are loaded.
      untracked(() => this.#follow(opening ? null : current, pending, last, arrived));
    });
    inject(PagesRead)
      .read.pipe(takeUntilDestroyed())
      .subscribe(({ siteId, readings }) => this.#post({ kind: 'read', siteId, readings }, buffersOf(readings)));
    effect(() => {
      const text = this.#pixels.asked();
      this.#pixels.found.set(null);
      this.#behind = freshId('o');
      if (text || this.#worker) this.#post({ kind: 'behind', text, fixId: this.#behind });
    });
    effect(() => {
      const turned = this.#pixels.turned();
      if (turned && turned.site === this.#known)
        this.#post({ kind: 'turned', surface: turned.surface, sets: turned.sets });
    });
  }

  /** Reads a file of tokens beside the desk. */
  read(name: string, text: string): Promise<ReadFile> {
    return this.#ask((asked) => ({ kind: 'incoming', asked, name, text }));
  }

  /**
   * Returns the layout measurements of the pages for the server. @param most largest number of characters of pixels;
   * without pixels if there are more
   */
  evidence(most?: number): Promise<Evidence> {
    return this.#ask((asked) => ({ kind: 'evidence', asked, ...(most === undefined ? {} : { most }) }));
  }

  #ask<T extends ReadFile | Evidence>(question: (asked: number) => ToAudit): Promise<T> {
    const asked = ++this.#asked;
    return new Promise((resolve, reject) => {
      const late = setTimeout(() => {
        this.#waiting.delete(asked);
        reject(new Error('The check did not answer within a minute. Nothing was changed; try again.'));
      }, ANSWER_MS);
      this.#waiting.set(asked, {
        resolve: (answer) => {
          clearTimeout(late);
          resolve(answer as T);
        },
        reject: (error) => {
          clearTimeout(late);
          reject(error);
        },
      });
      this.#post(question(asked));
    });
  }

  #post(message: ToAudit, transfer: Transferable[] = []): void {
    if (message.kind === 'site' || message.kind === 'change') this.#step++;
    (this.#worker ??= this.#start()).postMessage(message, transfer);
  }

  #follow(
    current: Site | null,
    pending: readonly Change[],
    last: LastEdit | null,
    arrived: SiteState['arrived'],
  ): void {
    if (!current || current === this.#known) return;
    // Of edits from other windows, too, only the changes travel, and what they do not touch is not judged again.
    if (arrived && arrived.before === this.#known && arrived.after === current) {
      for (const { ops, label } of arrived.changes)
        this.#post({ kind: 'change', change: { ops, label }, ripple: false });
      return this.#told(current);
    }
    const change = last && last.id !== this.#lastEdit ? pending.find((site) => site.id === last.id) : undefined;
    // One edit of ours on top of what the worker knows: only the change travels. Anything else: the site itself.
    if (change) {
      // Of edits that came faster than they are followed the last one is told, on top of those before it.
      if (last!.before !== this.#known) this.#post({ kind: 'site', site: last!.before });
      this.#post({ kind: 'change', change: { ops: change.ops, label: change.label }, ripple: true });
    }
    // Edits from other windows are in the site itself.
    if (!change || last!.after !== current) this.#post({ kind: 'site', site: current });
    if (last) this.#lastEdit = last.id;
    this.#told(current);
  }

  #told(current: Site): void {
    this.#known = current;
    // The fixes of the state before may not apply to this one.
    this.#pixels.found.set(null);
    this.#store.dispatch(AuditActions.busy({ busy: true }));
  }

  /** Replaces a worker that failed: rejects the waiting questions and starts a new worker with the current site. */
  #failed(worker: Worker, event: Event): void {
    if (worker !== this.#worker) return;
    event.preventDefault();
    worker.terminate();
    this.#worker = undefined;
    const { current, opening } = this.#state();
    const again = ++this.#failures <= MOST_FAILURES;
    for (const { reject } of this.#waiting.values())
      reject(new Error('The check stopped because of a fault in Yohaku. Nothing was changed; try again.'));
    this.#waiting.clear();
    this.#known = undefined;
    this.#store.dispatch(AuditActions.busy({ busy: false }));
    this.#store.dispatch(
      SiteActions.notice({
        words: again
          ? 'The check stopped because of a fault in Yohaku and was started again. Your edits are safe.'
          : 'The check stopped because of a fault in Yohaku. Your edits are safe; reload this window to check again.',
      }),
    );
    if (!again || opening || !current) return;
    this.#post({ kind: 'site', site: current });
    this.#known = current;
    this.#store.dispatch(AuditActions.busy({ busy: true }));
  }

  #start(): Worker {
    const worker = new Worker(new URL('./audit.worker.ts', import.meta.url), { type: 'module' });
    for (const failure of ['error', 'messageerror'] as const)
      worker.addEventListener(failure, (event) => this.#failed(worker, event));
    worker.addEventListener('message', ({ data }: MessageEvent<FromAudit>) => {
      this.#failures = 0;
      if (data.kind === 'answer') {
        this.#waiting.get(data.asked)?.resolve(data.answer);
        this.#waiting.delete(data.asked);
        return;
      }
      if (data.kind === 'behind') {
        if (data.step === this.#step && data.fixId === this.#behind) this.#pixels.found.set(data.found);
        return;
      }
      this.#store.dispatch(
        data.kind === 'report'
          ? AuditActions.report({ report: data.report })
          : AuditActions.ripple({ ripple: data.ripple }),
      );
    });
    return worker;
  }
}

/** Returns the buffers that move to the worker without a copy: pixels are many. */
function buffersOf(readings: readonly PageReading[]): Transferable[] {
  return readings.flatMap(({ pixels = [] }) =>
    pixels.flatMap(({ rgb, along, at }) => [rgb, at, ...(along ? [along] : [])].map((bytes) => bytes.buffer)),
  );
}
