import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import { siteDifference, type Site, type SiteDifference } from '@yohaku/core';
import { auditFeature, siteFeature, type Step } from '../state/index.ts';

/** So long after an edit it is compared with what is live. */
const SETTLED_MS = 250;

/** The open items of each step: the same figures that the steps list. */
@Injectable({ providedIn: 'root' })
export class OpenCounts {
  readonly #store = inject(Store);
  readonly #report = this.#store.selectSignal(auditFeature.selectReport);
  readonly #current = this.#store.selectSignal(siteFeature.selectCurrent);
  /** The site that is live; null until it is known or before the first publication. */
  readonly live = signal<Site | null>(null);
  /** The differences from the live site, one edit later; null if nothing was published. */
  readonly difference = signal<SiteDifference | null>(null);
  /** How many differences are not live; null when nothing was ever published. */
  readonly notLive = computed(() => this.difference()?.count ?? null);
  #waits: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    effect(() => {
      const [live, current] = [this.live(), this.#current()];
      clearTimeout(this.#waits);
      if (!live || !current) return this.difference.set(null);
      // Once the edit is on the screen: two whole sites are compared.
      this.#waits = setTimeout(
        () => this.difference.set(siteDifference(live, current)),
        untracked(this.difference) === null ? 0 : SETTLED_MS,
      );
    });
  }

  readonly counts = computed((): Partial<Record<Step, number>> => {
    const open = this.#report()?.open ?? {};
    return {
      backgrounds: open['backgrounds'] ?? 0,
      type: open['type'] ?? 0,
      check: open['check'] ?? 0,
      publish: this.notLive() ?? 0,
    };
  });
}
