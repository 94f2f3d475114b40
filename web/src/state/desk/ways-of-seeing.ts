import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { STRESS_KINDS, VISIONS, type StressKind } from '@yohaku/core';
import { DeskActions, deskFeature } from './desk.ts';

/** Turns ways of seeing the pages on and off: for the menu Show, for keys, and for Find. */
@Injectable({ providedIn: 'root' })
export class WaysOfSeeing {
  readonly #store = inject(Store);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  /** Stress-test content as it was last. */
  #lastStress: readonly StressKind[] = STRESS_KINDS.filter((kind) => kind.copy).map(({ kind }) => kind);

  /** All pages at once, or two or three large ones. */
  fit(): void {
    this.#store.dispatch(DeskActions.fit({ fits: !this.#desk().fits }));
  }
  /** Heading levels. */
  outline(): void {
    this.#store.dispatch(DeskActions.outline({ shown: !this.#desk().outline }));
  }
  /** The specimen, or all pages. */
  specimen(): void {
    this.#store.dispatch(DeskActions.hang({ hanging: this.#desk().hanging === 'specimen' ? 'all' : 'specimen' }));
  }
  /** Stress-test content of the kinds shown last, or none. */
  stress(): void {
    const { stress } = this.#desk();
    if (stress.length > 0) this.#lastStress = stress;
    this.#store.dispatch(DeskActions.stress({ kinds: stress.length > 0 ? [] : this.#lastStress }));
  }
  /** The next colour vision of the list. */
  vision(): void {
    const next = VISIONS[(VISIONS.indexOf(this.#desk().seen) + 1) % VISIONS.length]!;
    this.#store.dispatch(DeskActions.seen({ seen: next }));
  }
}
