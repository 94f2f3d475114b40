import { cssColor, parseColor } from '../color/index.ts';
import type { OverrideProperty } from './painted.ts';

/** Largest length that anything here is, px, in whatever unit it is written. */
const LONGEST = 10_000;
const LENGTH = /^([+-]?(?:\d+\.?\d*|\.\d+))(px|rem|em|vw|%)?$/i;
const FLUID = /^clamp\(\s*(-?[\d.]+)rem\s*,\s*(-?[\d.]+)rem\s*\+\s*(-?[\d.]+)vw\s*,\s*(-?[\d.]+)rem\s*\)$/i;
const NUMBER = /^(?:\d+\.?\d*|\.\d+)$/;
const COLOR = /^(?:#[0-9a-f]{3,8}|[a-z]+|[a-z-]+\([^()]*\))$/i;
const FAMILY = /^(?:"[\p{L}\p{N} ._-]{1,60}"|'[\p{L}\p{N} ._-]{1,60}'|[\p{L}][\p{L}\p{N} _-]{0,59})$/u;

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
    case 'color': case 'background-color': case 'border-color': {
      const color = COLOR.test(css) ? parseColor(css) : undefined;
      return color && cssColor(color.rgb);
    }
    case 'font-size': return length(css, 0);
    case 'font-weight': return /^(normal|bold)$/i.test(css) ? css.toLowerCase() : NUMBER.test(css) && Number(css) >= 1 && Number(css) <= 1000 ? String(Number(css)) : undefined;
    case 'font-family': {
      const names = css.split(',').map((one) => one.trim());
      return names.length <= 12 && names.every((one) => FAMILY.test(one)) ? names.join(', ') : undefined;
    }
    case 'line-height': return css.toLowerCase() === 'normal' ? 'normal' : NUMBER.test(css) ? plain(css, 100) : length(css, 0);
    case 'letter-spacing': return css.toLowerCase() === 'normal' ? 'normal' : length(css, -LONGEST);
    case 'padding-block': case 'padding-inline': return lengths(css, 2, 0);
    case 'border-radius': return lengths(css, 4, 0);
    case 'margin-block-start': case 'margin-block-end': return length(css, -LONGEST);
  }
}

function plain(css: string, most: number): string | undefined {
  const value = Number(css);
  return value >= 0 && value <= most ? String(value) : undefined;
}

function length(css: string, least: number): string | undefined {
  const match = LENGTH.exec(css);
  if (match) {
    const value = Number(match[1]);
    const unit = match[2]?.toLowerCase() ?? '';
    if (!(value >= least && value <= LONGEST)) return undefined;
    // Only nothing at all is a length without a unit.
    return unit === '' && value !== 0 ? undefined : `${decimal(value)}${unit}`;
  }
  const fluid = FLUID.exec(css)?.slice(1).map(Number);
  return fluid?.every((one) => Number.isFinite(one) && Math.abs(one) <= LONGEST) ? `clamp(${fluid[0]}rem, ${fluid[1]}rem + ${fluid[2]}vw, ${fluid[3]}rem)` : undefined;
}

/** As CSS writes numbers: never with an exponent. */
const decimal = (value: number): string => (Number.isInteger(value) ? String(value) : String(Number(value.toFixed(4))));

function lengths(css: string, most: number, least: number): string | undefined {
  if (FLUID.test(css)) return length(css, least);
  const parts = css.split(/\s+/).map((one) => length(one, least));
  return parts.length <= most && parts.every((one) => one !== undefined) ? parts.join(' ') : undefined;
}

/** Whether a text is one whole CSS value: every bracket, quote and comment that it opens it closes, and nothing in it could end a rule or a sheet. */
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
