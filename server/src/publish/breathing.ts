import { setImmediate } from 'node:timers/promises';

/** How long the server's thread is kept at a stretch, ms. */
const STRETCH = 25;

/** Returns a function to await between the steps of long work: it lets other requests be answered once the thread was kept for a while. */
export function breathing(): () => Promise<void> | undefined {
  let since = performance.now();
  return () => {
    if (performance.now() - since < STRETCH) return undefined;
    return setImmediate().then(() => { since = performance.now(); });
  };
}
