import type { Oklab, Rgb8 } from './color.ts';
import { rgb8ToOklab } from './oklab.ts';

/**
 * ΔE OK: the straight distance of two colours in OKLab (CSS Color 4, section 13.3). About 0.02 can just be told apart.
 */
export function deltaE(oklab: Oklab, other: Oklab): number {
  return Math.hypot(oklab.l - other.l, oklab.a - other.a, oklab.b - other.b);
}

/** ΔE OK of two painted colours. */
export function deltaERgb(entry: Rgb8, other: Rgb8): number {
  return deltaE(rgb8ToOklab(entry), rgb8ToOklab(other));
}
