import type { GoesOn } from './calm.ts';

/** So long a slice of work lasts at most, beyond its last step, ms: what the hand does waits no longer for it. */
const SLICE_MS = 10;

/** Does in one go what can be done step by step. */
export function atOnce<T>(work: Generator<unknown, T>): T {
  for (;;) {
    const { done, value } = work.next();
    if (done) return value;
  }
}

/**
 * Does long work slice by slice. `rest` is asked between them.
 * @returns undefined when it was not to go on
 */
export async function inSlices<T>(work: Generator<unknown, T>, rest: GoesOn): Promise<T | undefined> {
  for (;;) {
    const until = performance.now() + SLICE_MS;
    do {
      const { done, value } = work.next();
      if (done) return value;
    } while (performance.now() < until);
    if (!(await rest())) return undefined;
  }
}
