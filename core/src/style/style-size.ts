import type { Brand, TextStyle } from '../site/index.ts';
import { fluidSize, scaleStep, type FluidSize } from '../type/index.ts';

/** The size of a text style, fluid between the two widths of the scale. */
export function styleSize(brand: Brand, style: TextStyle): FluidSize {
  return style.size.kind === 'step' ? scaleStep(brand.scale, style.size.step) : fluidSize(brand.scale, style.size.small, style.size.large);
}
