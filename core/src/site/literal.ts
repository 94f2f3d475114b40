import { cssColor, parseColor } from '../color/index.ts';
import { familyNames, oneValue, partsOf, readLength } from '../css/index.ts';
import type { OverrideProperty } from './painted.ts';

/** Largest length that anything here is, px, in whatever unit it is written. */
const LONGEST = 10_000;
/** A valid family name, quoted or not. */
const NAME = /^[\p{L}\p{N} ._-]{1,60}$/u;
/** Names that need no quotes. */
const WORDS = /^[\p{L}][\p{L}\p{N} _-]*$/u;
const FAMILIES = 12;

/**
 * Literal CSS of one property, read and written anew, so that what goes into a
 * sheet is what was understood and nothing behind it. Undefined for everything
 * that property does not take, or that no model of a page could work out.
 * Grammar: the properties' own in CSS Text 3, Fonts 4, Box 3, Backgrounds 3, Color 4;
 * without functions but those of colours and our own `clamp()`.
 */
export function literalCss(property: OverrideProperty, typed: string): string | undefined {
  const css = typed.trim();
  switch (property) {
    case 'color':
    case 'background-color':
    case 'border-color': {
      const color = parseColor(css);
      return color && cssColor(color.rgb);
    }
    case 'font-size':
      return length(css, 0);
    case 'font-weight':
      return ['normal', 'bold'].includes(css.toLowerCase()) ? css.toLowerCase() : plain(css, 1, 1000);
    case 'font-family': {
      const names = familyNames(css);
      return names && names.length <= FAMILIES && names.every((name) => NAME.test(name))
        ? names.map((name) => (WORDS.test(name) ? name : `"${name}"`)).join(', ')
        : undefined;
    }
    case 'line-height':
      return css.toLowerCase() === 'normal' ? 'normal' : (plain(css, 0, 100) ?? length(css, 0));
    case 'letter-spacing':
      return css.toLowerCase() === 'normal' ? 'normal' : length(css, -LONGEST);
    case 'padding-block':
    case 'padding-inline':
      return lengths(css, 2, 0);
    case 'border-radius':
      return lengths(css, 4, 0);
    case 'margin-block-start':
    case 'margin-block-end':
      return length(css, -LONGEST);
  }
}

/** A number without a unit, within bounds. */
function plain(css: string, least: number, most: number): string | undefined {
  const value = oneValue(css);
  return value && 'number' in value && value.unit === '' && value.number >= least && value.number <= most
    ? decimal(value.number)
    : undefined;
}

function length(css: string, least: number): string | undefined {
  const read = readLength(css);
  if (!read) return undefined;
  if ('fluid' in read) {
    const { low, intercept, slope, high } = read.fluid;
    return [low, intercept, slope, high].every((entry) => Math.abs(entry) <= LONGEST)
      ? `clamp(${low}rem, ${intercept}rem + ${slope}vw, ${high}rem)`
      : undefined;
  }
  const { value, unit } = read;
  // Only nothing at all is a length without a unit.
  return value >= least && value <= LONGEST && (unit !== '' || value === 0) ? `${decimal(value)}${unit}` : undefined;
}

/** As CSS writes numbers: never with an exponent. */
const decimal = (value: number): string => (Number.isInteger(value) ? String(value) : String(Number(value.toFixed(4))));

function lengths(css: string, most: number, least: number): string | undefined {
  const parts = partsOf(css, ' ').map((name) => length(name, least));
  return parts.length > 0 && parts.length <= most && parts.every((part) => part !== undefined)
    ? parts.join(' ')
    : undefined;
}

/**
 * Returns true if a text is one whole CSS value: every bracket, quote and comment that it opens it closes, and nothing
 * in it could end a rule or a sheet.
 */
export function isWholeValue(css: string): boolean {
  if (/[{};<]/.test(css)) return false;
  const open: string[] = [];
  for (let at = 0; at < css.length; at++) {
    const char = css[at]!;
    if (char === '\\') {
      if (++at >= css.length || css[at] === '\n') return false;
    } else if (char === '"' || char === "'") {
      for (at++; css[at] !== char; at++) {
        if (at >= css.length || css[at] === '\n') return false;
        if (css[at] === '\\') at++;
      }
    } else if (char === '/' && css[at + 1] === '*') {
      const end = css.indexOf('*/', at + 2);
      if (end < 0) return false;
      at = end + 1;
    } else if (char === '(' || char === '[') open.push(char === '(' ? ')' : ']');
    else if (char === ')' || char === ']') {
      if (open.pop() !== char) return false;
    }
  }
  return open.length === 0;
}
