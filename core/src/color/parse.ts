import { converter, parse as parseCss } from 'culori';
import { clamp } from '../number/index.ts';
import type { Oklch, Rgb8 } from './color.ts';
import { inSrgb, paintedRgb } from './gamut.ts';

const toOklch = converter('oklch');
const toRgb = converter('rgb');

/** A colour as somebody typed it, read. */
export interface ParsedColor {
  readonly typed: string;
  readonly oklch: Oklch;
  /** The painted colour, mapped into sRGB if needed. */
  readonly rgb: Rgb8;
  /** True when sRGB cannot show it and it was mapped. */
  readonly mapped: boolean;
}

/**
 * Reads any CSS colour: hex (the # may be missing), `rgb()`, `hsl()`, `oklch()`,
 * `color()`, names. Returns undefined for text that is no colour.
 */
export function parseColor(text: string): ParsedColor | undefined {
  const typed = text.trim();
  if (typed === '' || typed.length > 80) return undefined;
  const lower = typed.toLowerCase();
  // The library takes a function whose bracket was never closed; in a sheet that would take what follows with it.
  if (lower.includes('(') !== lower.endsWith(')')) return undefined;
  const parsed = readCss(lower) ?? (/^[0-9a-f]{6}$|^[0-9a-f]{3}$/.test(lower) ? readCss(`#${lower}`) : undefined);
  if (!parsed) return undefined;
  const { l = 0, c = 0, h = 0, alpha = 1 } = toOklch(parsed);
  if (![l, c, h, alpha].every(Number.isFinite)) return undefined;
  const oklch: Oklch = { l: clamp(l, 0, 1), c: Math.max(0, c), h: ((h % 360) + 360) % 360, alpha: clamp(alpha, 0, 1) };
  const inside = inSrgb(oklch);
  return { typed, oklch, rgb: inside ? directRgb(parsed, oklch) : paintedRgb(oklch), mapped: !inside };
}

/** The library throws at some texts that are no colour, like a list of fonts. */
function readCss(text: string): ReturnType<typeof parseCss> {
  try {
    return parseCss(text);
  } catch {
    return undefined;
  }
}

/** 8-bit channels straight from the notation, so that a typed hex paints as exactly that hex. */
function directRgb(parsed: NonNullable<ReturnType<typeof parseCss>>, oklch: Oklch): Rgb8 {
  const { r, g, b } = toRgb(parsed);
  const channel = (value: number) => Math.round(clamp(value, 0, 1) * 255);
  return { r: channel(r), g: channel(g), b: channel(b), alpha: oklch.alpha };
}
