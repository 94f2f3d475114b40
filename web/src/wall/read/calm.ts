import { Injectable } from '@angular/core';

/** Nothing is read before so many ms after the wall moved. */
const CALM_MS = 300;

/** Lets others have a turn, and tells whether to go on with what is read. */
export type GoesOn = () => Promise<boolean>;

/** Knows when the wall moved last, so that pages are read only while nobody scrolls and no frame comes. */
@Injectable({ providedIn: 'root' })
export class Calm {
  /** When something scrolled last, or a frame came. */
  #stirred = -CALM_MS;

  constructor() {
    addEventListener('scroll', () => this.stir(), { capture: true, passive: true });
  }

  /** The wall moves: reading waits. */
  stir(): void {
    this.#stirred = performance.now();
  }

  /**
   * Resolves when there is time for what nobody waits for: neither while somebody scrolls nor while frames come, which
   * the browser would lay out together with what is read.
   */
  async whenCalm(): Promise<void> {
    do {
      const rest = this.#stirred + CALM_MS - performance.now();
      if (rest > 0) await new Promise((resolve) => setTimeout(resolve, rest));
      await new Promise((resolve) => requestIdleCallback(resolve, { timeout: 400 }));
    } while (performance.now() - this.#stirred < CALM_MS);
  }
}
