import { Injectable, computed, signal } from '@angular/core';

/** Width of a window in which everything has its room, px. */
export const ROOM = 1100;

/** True if the site is only read here: the window is too narrow to edit in, and nobody asked to do it all the same. */
@Injectable({ providedIn: 'root' })
export class Reading {
  readonly #narrow = matchMedia(`(max-width: ${ROOM - 0.02}px)`);
  readonly narrow = signal(this.#narrow.matches);
  readonly anyway = signal(false);
  readonly only = computed(() => this.narrow() && !this.anyway());

  constructor() {
    this.#narrow.addEventListener('change', ({ matches }) => this.narrow.set(matches));
  }
}
