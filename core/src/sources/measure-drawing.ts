import { rgb8ToOklab, deltaE, type Oklab } from '../color/index.ts';
import type { Pixels } from '../palette/index.ts';

/** A box in a picture, px of the picture; both ends belong to it. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** The letters of a box, measured in px of the picture. */
export interface MeasuredLetters {
  /** Height of the small letters without ascender, where the text has letters of two heights. */
  readonly xHeight: number | null;
  /** Height of the capitals, or of letters that are all of one height. */
  readonly tall: number;
  /** Distance between the baselines of neighbouring lines; null for a single line. */
  readonly pitch: number | null;
  readonly lines: number;
}

/** Smallest ΔE OK between letters and what they stand on that is read as writing. */
const LEAST_INK = 0.06;
/** A letter is at least this share of the tallest one; below that it is a dot or a comma. */
const LEAST_LETTER = 0.35;
/** Heights within this share of each other are of one kind of letter. */
const ONE_KIND = 0.1;

/**
 * Measures the letters in a box of a picture. Letters are what differs from the colour at the edge of the box; each
 * connected piece is one. Heights count how much of the topmost and lowest row a piece covers, so that they are exact
 * to a part of a pixel.
 *
 * @param box in px of the picture; parts outside of it are left out
 * @returns undefined where the box has no writing: nothing in it, or a single flat shape
 */
export function measureLetters(pixels: Pixels, box: Box): MeasuredLetters | undefined {
  const ink = inkOf(pixels, box);
  if (!ink) return undefined;
  const rows = linesOf(ink);
  const lines = rows.map(({ from, to }) => lineOf(ink, from, to)).filter((line) => line !== undefined);
  if (lines.length === 0) return undefined;
  const pitches = lines.slice(1).map((line, i) => line.baseline - lines[i]!.baseline);
  const small = lines.map(({ xHeight }) => xHeight).filter((height) => height !== null);
  return {
    xHeight: small.length > 0 ? median(small) : null,
    tall: median(lines.map(({ tall }) => tall)),
    pitch: pitches.length > 0 ? median(pitches) : null,
    lines: lines.length,
  };
}

/**
 * Sizes at which a family sets letters of measured heights, in the unit of the heights.
 *
 * @param metrics heights of the family as shares of its size
 * @returns one size where small letters and capitals were told apart; else the size for capitals and the one for small
 * letters
 */
export function sizesOf(
  { xHeight, tall }: Pick<MeasuredLetters, 'xHeight' | 'tall'>,
  metrics: { readonly xHeight: number; readonly capHeight: number },
): { readonly size: number } | { readonly capitals: number; readonly small: number } {
  return xHeight === null
    ? { capitals: tall / metrics.capHeight, small: tall / metrics.xHeight }
    : { size: bothOf(xHeight / metrics.xHeight, tall / metrics.capHeight) };
}

/** Two measures of one size; letters with an ascender may be taller than capitals: then the small letters tell. */
const bothOf = (small: number, tall: number): number =>
  Math.abs(tall / small - 1) <= ONE_KIND * 0.6 ? (small + tall) / 2 : small;

interface Ink {
  readonly width: number;
  readonly height: number;
  /** Share to which each pixel is covered by a letter, 0 to 1. */
  readonly share: Float32Array;
}

function inkOf({ width, height, data }: Pixels, box: Box): Ink | undefined {
  const [left, top] = [Math.max(0, Math.floor(box.left)), Math.max(0, Math.floor(box.top))];
  const [right, bottom] = [Math.min(width - 1, Math.ceil(box.right)), Math.min(height - 1, Math.ceil(box.bottom))];
  const [w, h] = [right - left + 1, bottom - top + 1];
  if (w < 3 || h < 3) return undefined;
  const labs = new Map<number, Oklab>();
  const keyAt = (x: number, y: number): number => {
    const at = ((top + y) * width + left + x) * 4;
    return (data[at]! << 16) | (data[at + 1]! << 8) | data[at + 2]!;
  };
  const lab = (key: number): Oklab => {
    let known = labs.get(key);
    if (!known) labs.set(key, (known = rgb8ToOklab({ r: key >> 16, g: (key >> 8) & 255, b: key & 255, alpha: 1 })));
    return known;
  };
  const edge = new Map<number, number>();
  const count = (x: number, y: number): void => void edge.set(keyAt(x, y), (edge.get(keyAt(x, y)) ?? 0) + 1);
  for (let x = 0; x < w; x++) [0, h - 1].forEach((y) => count(x, y));
  for (let y = 0; y < h; y++) [0, w - 1].forEach((x) => count(x, y));
  const paper = lab([...edge].reduce((most, next) => (next[1] > most[1] ? next : most))[0]);
  const share = new Float32Array(w * h);
  let most = 0;
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const distance = deltaE(lab(keyAt(x, y)), paper);
      share[y * w + x] = distance;
      most = Math.max(most, distance);
    }
  if (most < LEAST_INK) return undefined;
  for (let i = 0; i < share.length; i++) share[i] = share[i]! / most;
  return { width: w, height: h, share };
}

/** Rows from the first to the last with ink, one entry for each stretch between empty rows. */
function linesOf({ width, height, share }: Ink): { readonly from: number; readonly to: number }[] {
  const stretches: { from: number; to: number }[] = [];
  let from = -1;
  for (let y = 0; y <= height; y++) {
    let full = false;
    for (let x = 0; y < height && x < width && !full; x++) full = share[y * width + x]! > 0.3;
    if (full && from < 0) from = y;
    else if (!full && from >= 0) {
      stretches.push({ from, to: y - 1 });
      from = -1;
    }
  }
  // The dot of an i and an accent stand over their line by themselves.
  const tallest = Math.max(...stretches.map((stretch) => stretch.to - stretch.from + 1), 0);
  return stretches.filter((stretch) => stretch.to - stretch.from + 1 >= tallest * LEAST_LETTER);
}

interface Piece {
  readonly top: number;
  readonly bottom: number;
}

function lineOf(ink: Ink, from: number, to: number) {
  const all = piecesOf(ink, from, to);
  const tallest = Math.max(...all.map((piece) => piece.bottom - piece.top), 0);
  const letters = all.filter((piece) => piece.bottom - piece.top >= tallest * LEAST_LETTER);
  if (letters.length < 2) return undefined;
  const near = Math.max(1.2, tallest * ONE_KIND);
  const around = commonest(letters.map((piece) => piece.bottom));
  const standing = letters.filter((piece) => Math.abs(piece.bottom - around) <= near);
  // Round letters reach a little below the line and above the height of flat ones: the flat ones count.
  const baseline = lower(standing.map((piece) => piece.bottom));
  const heights = standing.map((piece) => baseline - piece.top).sort((height, other) => height - other);
  // The widest gap between neighbouring heights parts small letters from those with an ascender.
  let [gap, at] = [0, -1];
  heights.slice(1).forEach((height, i) => {
    const step = height / heights[i]! - 1;
    if (step > gap) [gap, at] = [step, i];
  });
  const two = gap > ONE_KIND * 1.4 && at >= 0;
  return {
    baseline,
    xHeight: two ? lower(heights.slice(0, at + 1)) : null,
    tall: lower(two ? heights.slice(at + 1) : heights),
  };

  /** The middle of the values that most others are close to. */
  function commonest(values: readonly number[]): number {
    const close = values.map((value) => values.filter((other) => Math.abs(other - value) <= near / 2));
    return median(close.reduce((most, next) => (next.length > most.length ? next : most)));
  }
}

/** The value that a fifth of them are below. */
function lower(values: readonly number[]): number {
  return [...values].sort((value, other) => value - other)[Math.floor((values.length - 1) / 5)]!;
}

/** Connected pieces of ink between two rows, with their top and bottom to a part of a pixel. */
function piecesOf({ width, share }: Ink, from: number, to: number): Piece[] {
  const seen = new Uint8Array(width * (to - from + 1));
  const pieces: Piece[] = [];
  for (let start = 0; start < seen.length; start++) {
    if (seen[start] || share[from * width + start]! <= 0.3) continue;
    const stack = [start];
    seen[start] = 1;
    let [top, bottom, topShare, bottomShare] = [Infinity, -1, 0, 0];
    while (stack.length > 0) {
      const at = stack.pop()!;
      const [x, y] = [at % width, Math.floor(at / width)];
      const covered = share[from * width + at]!;
      if (y < top) [top, topShare] = [y, covered];
      else if (y === top) topShare = Math.max(topShare, covered);
      if (y > bottom) [bottom, bottomShare] = [y, covered];
      else if (y === bottom) bottomShare = Math.max(bottomShare, covered);
      for (const [dx, dy] of AROUND) {
        const [nx, ny] = [x + dx, y + dy];
        if (nx < 0 || nx >= width || ny < 0 || ny > to - from) continue;
        const next = ny * width + nx;
        if (!seen[next] && share[from * width + next]! > 0.3) {
          seen[next] = 1;
          stack.push(next);
        }
      }
    }
    pieces.push({ top: from + top + 1 - topShare, bottom: from + bottom + bottomShare });
  }
  return pieces;
}
const AROUND = [-1, 0, 1].flatMap((dy) => [-1, 0, 1].map((dx) => [dx, dy] as const)).filter(([x, y]) => x || y);

function median(values: readonly number[]): number {
  const sorted = [...values].sort((value, other) => value - other);
  const middle = sorted.length >> 1;
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}
