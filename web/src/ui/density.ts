import { Injectable, signal } from '@angular/core';
import { remember, remembered } from './remember.ts';

const KEY = 'yohaku-density';

/** How much a step shows at once: what is used most, the rest one press away; or all of it. Kept on this machine. */
@Injectable({ providedIn: 'root' })
export class Density {
  readonly #all = signal(remembered(KEY) === 'all');
  readonly all = this.#all.asReadonly();

  set(density: 'calm' | 'all'): void {
    this.#all.set(density === 'all');
    remember(KEY, density);
  }
}
