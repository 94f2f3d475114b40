import { composite, contrastRatio, type Rgb8 } from '../../color/index.ts';
import type { PixelSet } from './pixel-set.ts';

/** Share of the area behind a text that may fall short: less than one letter in fifty. */
export const FAILING_SHARE = 0.02;

/** What the pixels behind a place come to for one colour upon them. */
export interface PixelVerdict {
  /** The ratio that all but the failing share reach: what is compared with what is needed. */
  readonly found: number;
  /** Share of the area below what is needed, 0 to 1. */
  readonly share: number;
  /** The weakest pixel: where on the page, CSS px, and its ratio. */
  readonly weakest: { readonly x: number; readonly y: number; readonly ratio: number };
}

/**
 * Rates a colour on every pixel behind it.
 *
 * @param veil what is laid over the picture: the shade in its colour, alpha being its strength; null for none
 * @param needed contrast ratio that counts as enough
 * @returns undefined when there are no pixels
 */
export function judgePixels(set: PixelSet, veil: Rgb8 | null, color: Rgb8, needed: number): PixelVerdict | undefined {
  const count = set.rgb.length / 3;
  if (count === 0) return undefined;
  const ratios = new Float64Array(count);
  let [short, weakest] = [0, 0];
  for (let i = 0; i < count; i++) {
    const pixel: Rgb8 = { r: set.rgb[i * 3]!, g: set.rgb[i * 3 + 1]!, b: set.rgb[i * 3 + 2]!, alpha: 1 };
    const behind = veil ? composite(veil, pixel) : pixel;
    const ratio = contrastRatio(composite(color, behind), behind);
    ratios[i] = ratio;
    if (ratio < needed) short++;
    if (ratio < ratios[weakest]!) weakest = i;
  }
  const low = ratios[weakest]!;
  return { found: ratios.sort()[Math.min(count - 1, Math.floor(count * FAILING_SHARE))]!, share: short / count, weakest: { x: set.at[weakest * 2]!, y: set.at[weakest * 2 + 1]!, ratio: low } };
}
