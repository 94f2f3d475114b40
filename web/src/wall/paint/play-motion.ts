import type { Site } from '@yohaku/core';
import type { FramePainter } from './frame-painter.ts';

/** Parts moved at most in one document. */
const MOST = 80;
/** How long a part stays in the state it moved to, ms. */
const HOLD_MS = 350;

/** The longest of the motions that the brand uses, ms. */
function longest(site: Site): number {
  const motion = site.brand.motion;
  return Math.max(0, ...Object.values(motion?.uses ?? {}).map((id) => motion!.items[id ?? '']?.duration ?? 0));
}

/** Lets documents move for once: what changes by a motion goes to hover and back. Resolves when all is still again. */
export async function playMotion(painters: readonly FramePainter[], site: Site): Promise<void> {
  const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
  const parts = painters.flatMap((painter) =>
    [
      ...painter.document.querySelectorAll(
        '.button:not([data-show]):not([disabled]), .link:not([data-show]), .menu-link:not([data-show])',
      ),
    ].slice(0, MOST),
  );
  for (const painter of painters) painter.still(false);
  // The resting state is painted with transitions on before anything leaves it.
  await wait(40);
  for (const part of parts) part.setAttribute('data-show', 'hover');
  await wait(longest(site) + HOLD_MS);
  for (const part of parts) part.removeAttribute('data-show');
  await wait(longest(site) + 60);
  for (const painter of painters) painter.still(true);
}
