import { Injectable, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { auditFeature, siteFeature, type Step } from '../state/index.ts';

/** What is still open in each step: the same figures the steps themselves list. */
@Injectable({ providedIn: 'root' })
export class OpenCounts {
  readonly #store = inject(Store);
  readonly #report = this.#store.selectSignal(auditFeature.selectReport);
  readonly #sequence = this.#store.selectSignal(siteFeature.selectSequence);
  readonly #pending = this.#store.selectSignal(siteFeature.selectPending);
  /** Sequence of what is live; null until it is known or before the first publication. */
  readonly liveSequence = signal<number | null>(null);
  /** Changes saved or waiting that are not live; null when nothing was ever published. */
  readonly notLive = computed(() => {
    const live = this.liveSequence();
    return live === null ? null : Math.max(0, this.#sequence() + this.#pending().length - live);
  });
  readonly counts = computed((): Partial<Record<Step, number>> => {
    const open = this.#report()?.open ?? {};
    return { grounds: open['grounds'] ?? 0, type: open['type'] ?? 0, check: open['check'] ?? 0, publish: this.notLive() ?? 0 };
  });
}
