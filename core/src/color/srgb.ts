import type { Rgb8 } from './color.ts';

/* IEC 61966-2-1 transfer function, as CSS Color 4 section 10.2 writes it. */
const decode = (value: number): number => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4);
const encode = (value: number): number => (value <= 0.0031308 ? value * 12.92 : 1.055 * value ** (1 / 2.4) - 0.055);

/** Linear light of every 8-bit channel value. */
export const LINEAR_OF_8BIT: Float64Array = Float64Array.from({ length: 256 }, (_, i) => decode(i / 255));

/** Linear-light channels, each 0 to 1, of a painted colour. */
export function linearChannels(color: Rgb8): [number, number, number] {
  return [LINEAR_OF_8BIT[color.r]!, LINEAR_OF_8BIT[color.g]!, LINEAR_OF_8BIT[color.b]!];
}

/** 8-bit value of a linear-light channel already within 0 to 1. */
export function encodeChannel(linear: number): number {
  return Math.round(encode(linear) * 255);
}
