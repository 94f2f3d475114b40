import { composite, contrastRatio, type Rgb8 } from '../color/index.ts';
import { standIn } from '../palette/index.ts';
import type { Brand } from '../site/index.ts';
import { resolvedSwatches, type ResolvedSwatch } from '../style/index.ts';

/** The brand's own swatches that reach a ratio on what is behind them, those that stand in best for a colour first. */
export function passingSwatches(brand: Brand, color: Rgb8, behind: Rgb8, needed: number): ResolvedSwatch[] {
  return resolvedSwatches(brand)
    .filter(({ rgb }) => contrastRatio(composite(rgb, behind), behind) >= needed)
    .sort((swatch, other) => standIn(color, swatch.rgb) - standIn(color, other.rgb));
}
