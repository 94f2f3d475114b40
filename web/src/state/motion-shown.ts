import { Injectable, signal } from '@angular/core';

/** Asks the wall to move: every part in sight goes to its hover state and back, by the motions of the brand. */
@Injectable({ providedIn: 'root' })
export class MotionShown {
  /** Counts the askings; the wall answers each. */
  readonly asked = signal(0);
  readonly playing = signal(false);

  play(): void {
    if (!this.playing()) this.asked.update((count) => count + 1);
  }
}
