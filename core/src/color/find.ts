import { parseColor, type ParsedColor } from './parse.ts';

const CANDIDATE =
  /#[0-9a-f]{3,8}\b|\b(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\([^()]{1,70}\)|\b(?=[a-f]*\d)[0-9a-f]{6}\b|\b[a-z]{3,20}\b/gi;
/** Words of ordinary sentences that are colour names as well are taken only where nothing but colours is listed. */
const ORDINARY = new Set([
  'tan',
  'linen',
  'snow',
  'plum',
  'peru',
  'salmon',
  'wheat',
  'chocolate',
  'tomato',
  'coral',
  'orchid',
]);
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
