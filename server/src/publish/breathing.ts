import { setImmediate } from 'node:timers/promises';

/** The longest time without a pause, ms. */
const STRETCH = 25;

/**
 * Returns a function to await between the steps of long work. It pauses regularly, so that the server answers other
 * requests.
 */
export function breathing(): () => Promise<void> | undefined {
  let since = performance.now();
  return () => {
    if (performance.now() - since < STRETCH) return undefined;
    return setImmediate().then(() => {
      since = performance.now();
    });
  };
}
