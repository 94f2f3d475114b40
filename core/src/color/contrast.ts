import type { Rgb8 } from './color.ts';
import { LINEAR_OF_8BIT } from './srgb.ts';

/* WCAG 2.2, definitions "relative luminance" and "contrast ratio". */
const RED = 0.2126;
const GREEN = 0.7152;
const BLUE = 0.0722;
const FLARE = 0.05;

/** Thresholds of WCAG 2.2: 1.4.3, 1.4.6 and 1.4.11. */
export const CONTRAST = { text: 4.5, largeText: 3, enhanced: 7, enhancedLarge: 4.5, nonText: 3 } as const;

/** The contribution of each channel value, 0 to 255, to the relative luminance: red, green, blue. */
export const LUMINANCE_OF: readonly Float64Array[] = [RED, GREEN, BLUE].map((share) =>
  Float64Array.from(LINEAR_OF_8BIT, (linear) => share * linear),
);
const [OF_RED, OF_GREEN, OF_BLUE] = LUMINANCE_OF;

/** Relative luminance 0 to 1 of an opaque painted colour. */
export function luminance(color: Rgb8): number {
  return OF_RED![color.r]! + OF_GREEN![color.g]! + OF_BLUE![color.b]!;
}

/** Contrast ratio, 1 to 21, of two luminances in any order. */
export function luminanceRatio(value: number, other: number): number {
  return value > other ? (value + FLARE) / (other + FLARE) : (other + FLARE) / (value + FLARE);
}

/** Contrast ratio, 1 to 21, of two opaque painted colours. Composite translucent ones first. */
export function contrastRatio(entry: Rgb8, other: Rgb8): number {
  return luminanceRatio(luminance(entry), luminance(other));
}

/**
 * Returns true if text of this size counts as large: at least 24 px, or at least
 * 18.66 px and bold (WCAG 2.2, "large scale": 18 pt, or 14 pt bold).
 */
export function isLargeText(sizePx: number, weight: number): boolean {
  return sizePx >= 24 || (sizePx >= 18.66 && weight >= 700);
}
