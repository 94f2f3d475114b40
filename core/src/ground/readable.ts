import { contrastRatio, type Rgb8 } from '../color/index.ts';

/**
 * The candidate with the highest contrast on `ground`; the earlier one wins a
 * draw. Undefined only when there is no candidate.
 */
export function mostReadable<T extends { readonly rgb: Rgb8 }>(candidates: readonly T[], ground: Rgb8): T | undefined {
  let best: T | undefined;
  let bestRatio = 0;
  for (const candidate of candidates) {
    const ratio = contrastRatio(candidate.rgb, ground);
    if (ratio > bestRatio) {
      best = candidate;
      bestRatio = ratio;
    }
  }
  return best;
}
