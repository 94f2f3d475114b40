/** The metrics of a font that decide line height and text width. All in em. */
export interface FontMetrics {
  /** Above the baseline, as the browser takes it for the content area. */
  readonly ascent: number;
  /** Below the baseline, positive. */
  readonly descent: number;
  readonly lineGap: number;
  readonly xHeight: number;
  readonly capHeight: number;
  /** Average width of a character of running text by weight, `i` for italic: `400`, `700i`. */
  readonly widths: Readonly<Record<string, number>>;
}

/**
 * How often characters occur in running English text, in parts of a thousand
 * letters: R. E. Lewand, Cryptological Mathematics (2000), p. 36; a space after
 * every 4.7 letters, a comma and a full stop every 16 words.
 */
const FREQUENCIES: Readonly<Record<string, number>> = {
  a: 81.67,
  b: 14.92,
  c: 27.82,
  d: 42.53,
  e: 127.02,
  f: 22.28,
  g: 20.15,
  h: 60.94,
  i: 69.66,
  j: 1.53,
  k: 7.72,
  l: 40.25,
  m: 24.06,
  n: 67.49,
  o: 75.07,
  p: 19.29,
  q: 0.95,
  r: 59.87,
  s: 63.27,
  t: 90.56,
  u: 27.58,
  v: 9.78,
  w: 23.6,
  x: 1.5,
  y: 19.74,
  z: 0.74,
  ' ': 212.77,
  ',': 13.3,
  '.': 13.3,
};

/**
 * Average width of a character of running text, in em.
 *
 * @param advance width of a character in em; undefined where the font has none
 * @returns 0 when the font has none of the characters
 */
export function averageWidth(advance: (character: string) => number | undefined): number {
  let [sum, weight] = [0, 0];
  for (const [character, often] of Object.entries(FREQUENCIES)) {
    const width = advance(character);
    if (width === undefined) continue;
    sum += width * often;
    weight += often;
  }
  return weight === 0 ? 0 : sum / weight;
}

/** The width nearest to a weight and slant among those known of a font. */
export function widthOf(metrics: FontMetrics, weight: number, italic: boolean): number {
  const known = Object.entries(metrics.widths).map(([key, width]) => ({
    width,
    far: Math.abs(Number.parseInt(key, 10) - weight) + (key.endsWith('i') === italic ? 0 : 1000),
  }));
  return known.sort((entry, other) => entry.far - other.far)[0]?.width ?? 0.5;
}
