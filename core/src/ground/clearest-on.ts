import { contrastRatio, type Rgb8 } from '../color/index.ts';

/**
 * The candidate with the highest contrast on `grounds`, rated where it is
 * lowest; the earlier one wins a draw. Undefined only when there is no candidate.
 *
 * @param grounds one flat colour, or those of a gradient
 */
export function clearestOn<T extends { readonly rgb: Rgb8 }>(candidates: readonly T[], ...grounds: readonly Rgb8[]): T | undefined {
  let best: T | undefined;
  let bestRatio = 0;
  for (const candidate of candidates) {
    const ratio = Math.min(...grounds.map((ground) => contrastRatio(candidate.rgb, ground)));
    if (ratio > bestRatio) {
      best = candidate;
      bestRatio = ratio;
    }
  }
  return best;
}
