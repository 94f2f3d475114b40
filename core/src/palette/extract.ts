import { deltaE, oklabToRgb8Clipped, rgb8ToOklab, type Oklab, type Rgb8 } from '../color/index.ts';

/** Pixels as a canvas or decoder gives them: RGBA, 8 bits each, row by row from the top left. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array | Uint8ClampedArray;
}

/** The likely job of a colour in an image. */
export type PictureRole = 'ground' | 'text' | 'signal' | 'ornament';

export interface PaletteColor {
  readonly rgb: Rgb8;
  /** Share of the counted area, 0 to 1. */
  readonly share: number;
  readonly role: PictureRole;
  /** Why it seems to do that, in words. */
  readonly why: string;
}

const OPAQUE = 250;
/**
 * Two colours nearer than this (ΔE OK) are one colour of a drawing's palette: its flat areas are exact, and white
 * beside a paper white is two.
 */
const SAME = 0.015;
/** The same for a photograph, whose every pixel differs. */
const SAME_IN_PHOTO = 0.1;
/** A run of one colour along this share of a row is a band, not a letter or a mark. */
const BAND = 0.6;
/** Share of a colour's area in bands from which it is a surface. */
const SURFACE = 0.3;
/** Smallest share of the area that is still a colour and not dirt. */
const SMALLEST = 0.0015;

interface Bin {
  lab: Oklab;
  rgb: Rgb8;
  count: number;
  /** Pixels of it in runs over most of a row. */ broad: number;
}

/**
 * The palette of a picture, largest share first; the same picture always gives
 * the same palette.
 *
 * A drawing is told from a photograph by its flat pixels (same value as a
 * neighbour on each axis). In a drawing only flat pixels count, which leaves
 * anti-aliasing fringes out, and each colour is the exact value painted most
 * often; in a photograph all pixels count and each colour is the mean of its group.
 * Translucent pixels are ignored.
 *
 * @param most largest number of colours, 1 to 32
 */
export function extractPalette(pixels: Pixels, most = 8): PaletteColor[] {
  const { flat, all, opaque } = histograms(pixels);
  if (opaque === 0) return [];
  const drawing = flat.total >= opaque * 0.4;
  const bins = drawing ? flat.bins() : all.bins();
  const groups = group(bins, drawing);
  const total = groups.reduce((sum, bin) => sum + bin.count, 0);
  const kept = groups.filter((bin) => bin.count / total >= SMALLEST).slice(0, most);
  return kept.map((entry, i) => ({ rgb: entry.rgb, share: entry.count / total, ...roleOf(entry, i, kept[0]!.rgb) }));
}

class Histogram {
  total = 0;
  readonly #counts = new Map<number, number>();
  readonly #broad = new Map<number, number>();
  readonly #shift: number;
  constructor(shift: number) {
    this.#shift = shift;
  }
  add(r: number, g: number, b: number): void {
    const s = this.#shift;
    const key = ((r >> s) << 16) | ((g >> s) << 8) | (b >> s);
    this.#counts.set(key, (this.#counts.get(key) ?? 0) + 1);
    this.total++;
  }
  /** Counts a run of one colour over most of a row. */
  band(r: number, g: number, b: number, length: number): void {
    const s = this.#shift;
    const key = ((r >> s) << 16) | ((g >> s) << 8) | (b >> s);
    this.#broad.set(key, (this.#broad.get(key) ?? 0) + length);
  }
  /** Most frequent first; equal counts by value, so that order never depends on chance. */
  bins(): Bin[] {
    const s = this.#shift;
    const half = s > 0 ? 1 << (s - 1) : 0;
    return [...this.#counts]
      .sort((count, other) => other[1] - count[1] || count[0] - other[0])
      .map(([key, count]) => {
        const channel = (bits: number) => Math.min(255, (((key >> bits) & 255) << s) + half);
        const rgb: Rgb8 = { r: channel(16), g: channel(8), b: channel(0), alpha: 1 };
        return { rgb, lab: rgb8ToOklab(rgb), count, broad: this.#broad.get(key) ?? 0 };
      });
  }
}

function histograms({ width, height, data }: Pixels): { flat: Histogram; all: Histogram; opaque: number } {
  const flat = new Histogram(0);
  const all = new Histogram(3);
  let opaque = 0;
  const row = width * 4;
  const same = (at: number, other: number) =>
    data[at] === data[other] &&
    data[at + 1] === data[other + 1] &&
    data[at + 2] === data[other + 2] &&
    data[other + 3]! >= OPAQUE;
  for (let y = 0; y < height; y++) {
    let start = 0;
    for (let x = 0; x < width; x++) {
      const at = y * row + x * 4;
      if (x + 1 === width || !same(at, at + 4)) {
        if (x + 1 - start >= width * BAND && data[at + 3]! >= OPAQUE)
          for (const histogram of [flat, all]) histogram.band(data[at]!, data[at + 1]!, data[at + 2]!, x + 1 - start);
        start = x + 1;
      }
      if (data[at + 3]! < OPAQUE) continue;
      opaque++;
      all.add(data[at]!, data[at + 1]!, data[at + 2]!);
      const across = (x > 0 && same(at, at - 4)) || (x + 1 < width && same(at, at + 4));
      const down = (y > 0 && same(at, at - row)) || (y + 1 < height && same(at, at + row));
      if (across && down) flat.add(data[at]!, data[at + 1]!, data[at + 2]!);
    }
  }
  return { flat, all, opaque };
}

/** Joins bins to the nearest larger colour within `SAME`; photographs take the mean of the group. */
function group(bins: readonly Bin[], exact: boolean): Bin[] {
  const groups: { lead: Bin; count: number; broad: number; l: number; a: number; b: number }[] = [];
  for (const bin of bins) {
    let nearest: (typeof groups)[number] | undefined;
    let distance = exact ? SAME : SAME_IN_PHOTO;
    for (const entry of groups) {
      const d = deltaE(entry.lead.lab, bin.lab);
      if (d < distance) {
        distance = d;
        nearest = entry;
      }
    }
    if (!nearest) {
      if (groups.length >= 64) continue;
      nearest = { lead: bin, count: 0, broad: 0, l: 0, a: 0, b: 0 };
      groups.push(nearest);
    }
    nearest.count += bin.count;
    nearest.broad += bin.broad;
    nearest.l += bin.lab.l * bin.count;
    nearest.a += bin.lab.a * bin.count;
    nearest.b += bin.lab.b * bin.count;
  }
  return groups
    .map(({ lead, count, broad, l, a, b }) => {
      if (exact) return { ...lead, count, broad };
      const lab = { l: l / count, a: a / count, b: b / count };
      return { lab, rgb: oklabToRgb8Clipped(lab), count, broad };
    })
    .sort((entry, other) => other.count - entry.count || other.lab.l - entry.lab.l);
}

function roleOf({ rgb, count, broad }: Bin, rank: number, largest: Rgb8): { role: PictureRole; why: string } {
  if (rank === 0) return { role: 'ground', why: 'covers most' };
  // A band over the width, a footer: a surface, however dark or strong its colour is.
  if (broad >= count * SURFACE) return { role: 'ground', why: 'runs over the width' };
  const lab = rgb8ToOklab(rgb);
  const chroma = Math.hypot(lab.a, lab.b);
  const far = Math.abs(lab.l - rgb8ToOklab(largest).l) > 0.4;
  if (chroma > 0.1) return { role: 'signal', why: 'strong colour on a small area' };
  if (far && chroma < 0.09) return { role: 'text', why: 'much lighter or darker than the largest colour' };
  return rank < 3 && chroma < 0.05
    ? { role: 'ground', why: 'quiet and large' }
    : { role: 'ornament', why: 'small, and similar to its surroundings' };
}
