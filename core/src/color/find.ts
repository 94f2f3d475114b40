import { parseColor, type ParsedColor } from './parse.ts';

/** A colour found in running text: where it stood and how often. */
export interface FoundColor extends ParsedColor {
  readonly index: number;
  readonly count: number;
}

const CANDIDATE = /#[0-9a-f]{3,8}\b|\b(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\([^()]{1,70}\)|\b(?=[a-f]*\d)[0-9a-f]{6}\b|\b[a-z]{3,20}\b/gi;
/** Words of ordinary sentences that are colour names as well are taken only where nothing but colours is listed. */
const ORDINARY = new Set(['tan', 'linen', 'snow', 'plum', 'peru', 'salmon', 'wheat', 'chocolate', 'tomato', 'coral', 'orchid']);
/** Words such as "facade" are no codes. */
const LOOKS_LIKE_HEX = /^(?:[a-f]{3}|[a-f]{6})$/i;

/** One mention of a colour in a text. */
export interface ColorSpot {
  readonly color: ParsedColor;
  readonly index: number;
  readonly length: number;
}

/** Most characters of one text that are looked through. */
const LONGEST = 5_000_000;

/** Every mention of a colour in a text, in order. */
export function colorSpots(text: string): ColorSpot[] {
  const sentence = text.trim().split(/\s+/, 14).length > 12;
  const known = new Map<string, ParsedColor | null>();
  const spots: ColorSpot[] = [];
  for (const match of text.slice(0, LONGEST).matchAll(CANDIDATE)) {
    const word = match[0];
    if (LOOKS_LIKE_HEX.test(word) || (sentence && ORDINARY.has(word.toLowerCase()))) continue;
    let color = known.get(word);
    if (color === undefined) known.set(word, (color = parseColor(word) ?? null));
    if (color) spots.push({ color, index: match.index, length: word.length });
  }
  return spots;
}

/**
 * All colours named anywhere in a text, in the order of their first occurrence;
 * the same painted colour is listed once with its count. An empty list means none was found.
 */
export function colorsInText(text: string): FoundColor[] {
  const found = new Map<string, { color: ParsedColor; index: number; count: number }>();
  for (const { color, index } of colorSpots(text)) {
    const key = `${color.rgb.r},${color.rgb.g},${color.rgb.b},${color.rgb.alpha}`;
    const known = found.get(key);
    if (known) known.count++;
    else found.set(key, { color, index, count: 1 });
  }
  return [...found.values()].map(({ color, index, count }) => ({ ...color, index, count }));
}
