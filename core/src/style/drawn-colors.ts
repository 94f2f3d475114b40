import { hex, paintedRgb } from '../color/index.ts';
import type { Asset, Brand } from '../site/index.ts';
import { swatchColor } from './swatches.ts';

/** The flat colours of a drawing that follow swatches, as they are drawn to what they are painted with now. */
export function drawnColors(asset: Asset, brand: Pick<Brand, 'swatches'>): Map<string, string> {
  const colors = new Map<string, string>();
  for (const [from, swatch] of Object.entries(asset.bound ?? {}).sort()) {
    const color = swatchColor(brand, swatch);
    if (color) colors.set(from, hex({ ...paintedRgb(color), alpha: 1 }));
  }
  return colors;
}
