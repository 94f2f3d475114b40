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

/**
 * All colours named anywhere in a text, in the order of their first occurrence;
 * the same painted colour is listed once with its count. An empty list means none was found.
 */
export function colorsInText(text: string): FoundColor[] {
  const found = new Map<string, { color: ParsedColor; index: number; count: number }>();
  const sentence = text.trim().split(/\s+/).length > 12;
  for (const match of text.slice(0, 200_000).matchAll(CANDIDATE)) {
    const word = match[0];
    if (LOOKS_LIKE_HEX.test(word)) continue;
    if (sentence && ORDINARY.has(word.toLowerCase())) continue;
    const color = parseColor(word);
    if (!color) continue;
    const key = `${color.rgb.r},${color.rgb.g},${color.rgb.b},${color.rgb.alpha}`;
    const known = found.get(key);
    if (known) known.count++;
    else found.set(key, { color, index: match.index, count: 1 });
  }
  return [...found.values()].map(({ color, index, count }) => ({ ...color, index, count }));
}
