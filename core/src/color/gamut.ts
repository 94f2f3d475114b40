import type { Oklch, Rgb8 } from './color.ts';
import { oklabToLinear, oklabToRgb8Clipped, oklchToOklab } from './oklab.ts';

/** Slack that keeps colours on the very edge of sRGB (pure red) inside it. */
const EDGE = 5e-6;
const STEPS = 22;

/** Returns true if sRGB can show the colour without clipping. */
export function inSrgb(color: Oklch): boolean {
  return oklabToLinear(oklchToOklab(color)).every((channel) => channel >= -EDGE && channel <= 1 + EDGE);
}

/**
 * Maps a colour into sRGB by taking chroma away at constant lightness and hue
 * (bisection; culori's `clampChroma` in OKLCH is the oracle in the tests).
 * A colour already inside comes back as the very same object.
 */
export function mapToSrgb(color: Oklch): Oklch {
  if (inSrgb(color)) return color;
  if (color.l >= 1) return { ...color, l: 1, c: 0 };
  if (color.l <= 0) return { ...color, l: 0, c: 0 };
  let low = 0;
  let high = color.c;
  for (let i = 0; i < STEPS; i++) {
    const middle = (low + high) / 2;
    if (inSrgb({ ...color, c: middle })) low = middle;
    else high = middle;
  }
  return { ...color, c: low };
}

/** The 8-bit colour that is painted for an OKLCH colour. */
export function paintedRgb(color: Oklch): Rgb8 {
  return oklabToRgb8Clipped(oklchToOklab(mapToSrgb(color)), color.alpha);
}
