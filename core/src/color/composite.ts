import type { Rgb8 } from './color.ts';

/**
 * Lays a translucent colour over an opaque one (source-over in encoded sRGB,
 * as browsers do; CSS Compositing 1, section 5.1) and rounds to 8 bits.
 */
export function composite(over: Rgb8, under: Rgb8): Rgb8 {
  if (over.alpha >= 1) return over;
  const mix = (top: number, bottom: number) => Math.round(top * over.alpha + bottom * (1 - over.alpha));
  return { r: mix(over.r, under.r), g: mix(over.g, under.g), b: mix(over.b, under.b), alpha: 1 };
}
