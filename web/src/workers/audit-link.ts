import { Injectable, effect, inject, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Change, Site } from '@yohaku/core';
import { AuditActions, siteFeature } from '../state/index.ts';
import type { BrandMend, FromAudit, ToAudit } from './messages.ts';

/** Keeps the audit worker's replica in step with the site and puts what it finds in the store. */
@Injectable({ providedIn: 'root' })
export class AuditLink {
  readonly #store = inject(Store);
  readonly #state = this.#store.selectSignal(siteFeature.selectSiteState);
  #worker: Worker | undefined;
  #known: Site | undefined;
  #lastEdit = '';
  #asked = 0;
  readonly #waiting = new Map<number, (mend: BrandMend) => void>();

  constructor() {
    effect(() => {
      const { current, pending, last } = this.#state();
      untracked(() => this.#follow(current, pending, last));
    });
  }

  /** The least movement that makes every pair of the brand hold, with some swatches locked; worked out beside the desk. */
  mend(locked: readonly string[]): Promise<BrandMend> {
    const asked = ++this.#asked;
    return new Promise((resolve) => {
      this.#waiting.set(asked, resolve);
      const message: ToAudit = { kind: 'mend', asked, locked };
      (this.#worker ??= this.#start()).postMessage(message);
    });
  }

  #follow(current: Site | null, pending: readonly Change[], last: { id: string; label: string; before: Site } | null): void {
    if (!current || current === this.#known) return;
    this.#worker ??= this.#start();
    const change = last && last.id !== this.#lastEdit ? pending.find((one) => one.id === last.id) : undefined;
    // One edit of ours on top of what the worker knows: only the change travels. Anything else: the site itself.
    const message: ToAudit = change && last!.before === this.#known
      ? { kind: 'change', change: { ops: change.ops, label: change.label }, ripple: true }
      : { kind: 'site', site: current };
    if (last) this.#lastEdit = last.id;
    this.#known = current;
    this.#store.dispatch(AuditActions.busy({ busy: true }));
    this.#worker.postMessage(message);
  }

  #start(): Worker {
    const worker = new Worker(new URL('./audit.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<FromAudit>) => {
      if (data.kind === 'mend') {
        this.#waiting.get(data.asked)?.(data.mend);
        this.#waiting.delete(data.asked);
        return;
      }
      this.#store.dispatch(data.kind === 'report' ? AuditActions.report({ report: data.report }) : AuditActions.ripple({ ripple: data.ripple }));
    });
    return worker;
  }
}
