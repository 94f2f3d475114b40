import { LUMINANCE_OF, composite, luminanceRatio, type Rgb8 } from '../../color/index.ts';
import type { PixelSet } from './pixel-set.ts';

/** Share of the area behind a text that may fall short: less than one letter in fifty. */
export const FAILING_SHARE = 0.02;

/** The result of the pixels behind a place for one colour on them. */
export interface PixelVerdict {
  /** The ratio that all but the failing share reach: what is compared with what is needed. */
  readonly found: number;
  /** Share of the area below what is needed, 0 to 1. */
  readonly share: number;
  /** The weakest pixel: where on the page, CSS px, and its ratio. */
  readonly weakest: { readonly x: number; readonly y: number; readonly ratio: number };
}

/** Luminances by the value of a channel: of what lies behind, and of the colour upon it. */
interface Seen {
  readonly behind: readonly Float64Array[];
  readonly upon: readonly Float64Array[];
}

const CHANNELS = ['r', 'g', 'b'] as const;
/**
 * So many pairs of a veil and a colour are remembered: a site has few, and a thousand texts over pictures ask for them.
 */
const MOST_SEEN = 200;
const seen = new Map<string, Seen>();

/**
 * Compositing goes channel by channel, in whole values: what it comes to is worked out once for each, not for every
 * pixel.
 */
function seenThrough(veil: Rgb8 | null, color: Rgb8): Seen {
  const key = `${veil ? `${veil.r} ${veil.g} ${veil.b} ${veil.alpha}` : ''} ${color.r} ${color.g} ${color.b} ${color.alpha}`;
  const known = seen.get(key);
  if (known) return known;
  const behind = CHANNELS.map(() => new Float64Array(256));
  const upon = CHANNELS.map(() => new Float64Array(256));
  for (let value = 0; value < 256; value++) {
    const pixel: Rgb8 = { r: value, g: value, b: value, alpha: 1 };
    const under = veil ? composite(veil, pixel) : pixel;
    const over = composite(color, under);
    CHANNELS.forEach((channel, i) => {
      behind[i]![value] = LUMINANCE_OF[i]![under[channel]]!;
      upon[i]![value] = LUMINANCE_OF[i]![over[channel]]!;
    });
  }
  if (seen.size >= MOST_SEEN) seen.clear();
  seen.set(key, { behind, upon });
  return { behind, upon };
}

/**
 * Rates a colour on every pixel behind it.
 *
 * @param veil what is laid over the picture: the shade in its colour, alpha being its strength; null for none
 * @param needed contrast ratio that counts as enough
 * @returns undefined when there are no pixels
 */
export function judgePixels(set: PixelSet, veil: Rgb8 | null, color: Rgb8, needed: number): PixelVerdict | undefined {
  const { rgb } = set;
  const count = rgb.length / 3;
  if (count === 0) return undefined;
  const {
    behind: [r, g, b],
    upon: [overR, overG, overB],
  } = seenThrough(veil, color);
  // The lowest ratios, in order: as many as may fall short, and the next, which counts.
  const lowest = new Float64Array(Math.min(count - 1, Math.floor(count * FAILING_SHARE)) + 1).fill(Infinity);
  const last = lowest.length - 1;
  let [short, weakest] = [0, 0];
  for (let i = 0; i < count; i++) {
    const [red, green, blue] = [rgb[i * 3]!, rgb[i * 3 + 1]!, rgb[i * 3 + 2]!];
    const ratio = luminanceRatio(overR![red]! + overG![green]! + overB![blue]!, r![red]! + g![green]! + b![blue]!);
    if (ratio < needed) short++;
    if (ratio < lowest[0]!) weakest = i;
    if (ratio >= lowest[last]!) continue;
    let at = last;
    for (; at > 0 && lowest[at - 1]! > ratio; at--) lowest[at] = lowest[at - 1]!;
    lowest[at] = ratio;
  }
  return {
    found: lowest[last]!,
    share: short / count,
    weakest: { x: set.at[weakest * 2]!, y: set.at[weakest * 2 + 1]!, ratio: lowest[0]! },
  };
}
