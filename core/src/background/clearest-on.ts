import { contrastRatio, type Rgb8 } from '../color/index.ts';

/**
 * The candidate with the highest contrast on `grounds`, rated where it is
 * lowest; the earlier one wins a draw. Undefined only when there is no candidate.
 *
 * @param grounds one flat colour, or those of a gradient
 */
export function clearestOn<T extends { readonly rgb: Rgb8 }>(
  candidates: readonly T[],
  ...grounds: readonly Rgb8[]
): T | undefined {
  let best: T | undefined;
  let bestRatio = 0;
  for (const candidate of candidates) {
    const ratio = lowest(candidate.rgb, grounds);
    if (ratio > bestRatio) {
      best = candidate;
      bestRatio = ratio;
    }
  }
  return best;
}

/** The result of a rule that looks for a readable colour. */
export interface Clearest<T> {
  /** The candidate taken; null where none reaches what is needed and plain black or white does. */
  readonly color: T | null;
  readonly rgb: Rgb8;
  /** Where it was found: among the core swatches, among the others, or in neither. */
  readonly among: 'core' | 'side' | 'none';
  /** Its contrast, where that is lowest. */
  readonly ratio: number;
}

const PLAIN: readonly { readonly rgb: Rgb8 }[] = [
  { rgb: { r: 0, g: 0, b: 0, alpha: 1 } },
  { rgb: { r: 255, g: 255, b: 255, alpha: 1 } },
];

/**
 * The clearest of the core, as long as it reaches what is needed; else the
 * clearest of all others that does; else black or white, one of which reaches
 * 4.58 on every colour. Where nothing is needed, the clearest there is.
 *
 * @param needed contrast ratio, 1 to 4.5
 */
export function clearestFor<T extends { readonly rgb: Rgb8 }>(
  core: readonly T[],
  others: readonly T[],
  needed: number,
  ...grounds: readonly Rgb8[]
): Clearest<T> {
  for (const [among, list] of [
    ['core', core],
    ['side', others],
  ] as const) {
    const entry = clearestOn(list, ...grounds);
    if (entry && lowest(entry.rgb, grounds) >= needed)
      return { color: entry, rgb: entry.rgb, among, ratio: lowest(entry.rgb, grounds) };
  }
  const { rgb } = clearestOn(PLAIN, ...grounds)!;
  const best = clearestOn([...core, ...others], ...grounds);
  // Over a gradient from light to dark nothing may reach it; a swatch of the brand comes before a colour that is no
  // better.
  if (best && lowest(best.rgb, grounds) >= lowest(rgb, grounds))
    return {
      color: best,
      rgb: best.rgb,
      among: core.includes(best) ? 'core' : 'side',
      ratio: lowest(best.rgb, grounds),
    };
  return { color: null, rgb, among: 'none', ratio: lowest(rgb, grounds) };
}

const lowest = (rgb: Rgb8, grounds: readonly Rgb8[]): number =>
  Math.min(...grounds.map((ground) => contrastRatio(rgb, ground)));
