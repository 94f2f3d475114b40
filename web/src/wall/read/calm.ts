/** Nothing is read before so many ms after the wall moved. */
const CALM_MS = 300;

/** When something scrolled last, or a frame came. */
let stirred = -CALM_MS;
addEventListener('scroll', stir, { capture: true, passive: true });

/** Lets others have a turn, and tells whether to go on with what is read. */
export type GoesOn = () => Promise<boolean>;

/** The wall moves: reading waits. */
export function stir(): void {
  stirred = performance.now();
}

/**
 * When there is time for what nobody waits for: pages are read in between, and
 * neither while somebody scrolls nor while frames come, which the browser would
 * lay out together with them.
 */
export async function whenCalm(): Promise<void> {
  do {
    const rest = stirred + CALM_MS - performance.now();
    if (rest > 0) await new Promise((resolve) => setTimeout(resolve, rest));
    await new Promise((resolve) => requestIdleCallback(resolve, { timeout: 400 }));
  } while (performance.now() - stirred < CALM_MS);
}
