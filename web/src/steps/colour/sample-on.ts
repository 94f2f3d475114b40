import { contrastRatio, cssColor, cutDownText, type Rgb8, type Swatch } from '@yohaku/core';

/** Returns the core swatch that reads best on a colour, with its ratio; undefined if no other core swatch is there. */
export function sampleOn(
  rgb: Rgb8,
  swatches: readonly { readonly swatch: Swatch; readonly rgb: Rgb8 }[],
): { readonly css: string; readonly ratio: string } | undefined {
  const best = swatches
    .filter((entry) => entry.swatch.part === 'core' && entry.rgb !== rgb)
    .map((entry) => ({ css: cssColor(entry.rgb), ratio: contrastRatio({ ...entry.rgb, alpha: 1 }, rgb) }))
    .sort((a, b) => b.ratio - a.ratio)[0];
  return best && { css: best.css, ratio: cutDownText(best.ratio, 1) };
}
