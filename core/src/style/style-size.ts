import { bandOf } from '../breakpoint/index.ts';
import type { Brand, TextStyle } from '../site/index.ts';
import { fluidAt, fluidSize, scaleStep, type FluidSize } from '../type/index.ts';

/** The size of a text style, fluid between the two widths of the scale. */
export function styleSize(brand: Brand, style: TextStyle): FluidSize {
  return style.size.kind === 'step'
    ? scaleStep(brand.scale, style.size.step)
    : fluidSize(brand.scale, style.size.small, style.size.large);
}

/** The size of a text style at a width, px: that of the width's band where it has one of its own. */
export function styleSizeAt(brand: Brand, style: TextStyle, width: number): number {
  return style.at?.[bandOf(width)] ?? fluidAt(styleSize(brand, style), width);
}
