import { Injectable, effect, inject, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import { NO_READINGS, type Change, type PixelSets, type Site } from '@yohaku/core';
import { AuditActions, LayoutRead, PixelsRead, siteFeature, type LastEdit } from '../state/index.ts';
import type { FromAudit, ReadFile, ToAudit } from './messages.ts';

/** Keeps the audit worker's replica in step with the site and puts what it finds in the store. */
@Injectable({ providedIn: 'root' })
export class AuditLink {
  readonly #store = inject(Store);
  readonly #read = inject(PixelsRead);
  readonly #layout = inject(LayoutRead);
  readonly #state = this.#store.selectSignal(siteFeature.selectSiteState);
  #worker: Worker | undefined;
  #known: Site | undefined;
  #lastEdit = '';
  #asked = 0;
  readonly #waiting = new Map<number, (answer: ReadFile) => void>();

  constructor() {
    effect(() => {
      const { current, pending, last, opening } = this.#state();
      // What is here of a site is judged once it is whole.
      untracked(() => this.#follow(opening ? null : current, pending, last));
    });
    effect(() => this.#pictures(this.#read.sets()));
    effect(() => {
      const readings = this.#layout.readings();
      if (readings !== NO_READINGS) (this.#worker ??= this.#start()).postMessage({ kind: 'layout', readings } satisfies ToAudit);
    });
  }

  /** Tells the worker what lies behind the texts over pictures. */
  #pictures(sets: PixelSets): void {
    if (sets.size === 0) return;
    const message: ToAudit = { kind: 'pixels', sets };
    (this.#worker ??= this.#start()).postMessage(message);
  }

  /** Reads a file of tokens beside the desk. */
  read(name: string, text: string): Promise<ReadFile> {
    return this.#ask((asked) => ({ kind: 'incoming', asked, name, text }));
  }

  #ask(question: (asked: number) => ToAudit): Promise<ReadFile> {
    const asked = ++this.#asked;
    return new Promise((resolve) => {
      this.#waiting.set(asked, resolve);
      (this.#worker ??= this.#start()).postMessage(question(asked));
    });
  }

  #follow(current: Site | null, pending: readonly Change[], last: LastEdit | null): void {
    if (!current || current === this.#known) return;
    this.#worker ??= this.#start();
    const change = last && last.id !== this.#lastEdit ? pending.find((one) => one.id === last.id) : undefined;
    // One edit of ours on top of what the worker knows: only the change travels. Anything else: the site itself.
    if (change) {
      // Of edits that came faster than they are followed the last one is told, on top of those before it.
      if (last!.before !== this.#known) this.#worker.postMessage({ kind: 'site', site: last!.before } satisfies ToAudit);
      this.#worker.postMessage({ kind: 'change', change: { ops: change.ops, label: change.label }, ripple: true } satisfies ToAudit);
    }
    // What came from other windows besides is in the site itself.
    if (!change || last!.after !== current) this.#worker.postMessage({ kind: 'site', site: current } satisfies ToAudit);
    if (last) this.#lastEdit = last.id;
    this.#known = current;
    this.#store.dispatch(AuditActions.busy({ busy: true }));
  }

  #start(): Worker {
    const worker = new Worker(new URL('./audit.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<FromAudit>) => {
      if (data.kind === 'answer') {
        this.#waiting.get(data.asked)?.(data.answer);
        this.#waiting.delete(data.asked);
        return;
      }
      this.#store.dispatch(data.kind === 'report' ? AuditActions.report({ report: data.report }) : AuditActions.ripple({ ripple: data.ripple }));
    });
    return worker;
  }
}
