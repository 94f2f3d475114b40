import { Injectable, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { siteFeature } from '../site/site.selectors.ts';
import { deskFeature } from './desk.ts';
import { reachOfScope } from './scope.ts';

/** The places that the control with the focus changes, before anything changes. */
@Injectable({ providedIn: 'root' })
export class LitScope {
  readonly #store = inject(Store);
  readonly #scope = this.#store.selectSignal(deskFeature.selectLit);
  readonly #site = this.#store.selectSignal(siteFeature.selectCurrent);

  /** Undefined while no control with a scope has the focus. */
  readonly reach = computed(() => {
    const [scope, site] = [this.#scope(), this.#site()];
    return site && scope ? reachOfScope(site, scope) : undefined;
  });
  /** The same in words, without a full stop. */
  readonly words = computed(() => this.reach()?.words ?? '');
}
