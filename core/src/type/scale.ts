import { round } from '../number/index.ts';

/** One end of a type scale: at `width` px the base size in px, and the ratio between neighbouring steps. */
export interface ScaleEnd {
  readonly width: number;
  readonly base: number;
  readonly ratio: number;
}

export interface SizeScale {
  readonly small: ScaleEnd;
  readonly large: ScaleEnd;
  /** Steps are whole px at both ends. */
  readonly snapped?: boolean | undefined;
}

/** A size that is fluid between two widths, with coefficients rounded as they are emitted. */
export interface FluidSize {
  readonly minRem: number;
  readonly interceptRem: number;
  readonly slopeVw: number;
  readonly maxRem: number;
}

const REM = 16;

/**
 * Size in px of a step at one end: base times ratio to the power of the step, to whole px where the scale is snapped.
 */
export function stepSize(scale: SizeScale, end: 'small' | 'large', step: number): number {
  const px = scale[end].base * scale[end].ratio ** step;
  return scale.snapped ? Math.round(px) : px;
}

/**
 * The line through (small.width, smallPx) and (large.width, largePx) held
 * between both sizes. In rem plus vw, so that text grows with the reader's own size setting.
 */
export function fluidSize(scale: SizeScale, smallPx: number, largePx: number): FluidSize {
  const span = scale.large.width - scale.small.width;
  const slope = span > 0 ? (largePx - smallPx) / span : 0;
  return {
    minRem: round(Math.min(smallPx, largePx) / REM, 4),
    interceptRem: round((smallPx - slope * scale.small.width) / REM, 4),
    slopeVw: round(slope * 100, 4),
    maxRem: round(Math.max(smallPx, largePx) / REM, 4),
  };
}

/** Fluid size of a step of the scale. */
export function scaleStep(scale: SizeScale, step: number): FluidSize {
  return fluidSize(scale, stepSize(scale, 'small', step), stepSize(scale, 'large', step));
}

/** CSS of a fluid size: `clamp()` in rem and vw, or plain rem where it does not move. */
export function fluidCss(size: FluidSize): string {
  if (size.slopeVw === 0 || size.minRem === size.maxRem) return `${size.maxRem}rem`;
  return `clamp(${size.minRem}rem, ${size.interceptRem}rem + ${size.slopeVw}vw, ${size.maxRem}rem)`;
}

/** Size in px at a width, from the rounded coefficients, exactly as the browser resolves it at a 16 px root. */
export function fluidAt(size: FluidSize, width: number): number {
  if (size.slopeVw === 0 || size.minRem === size.maxRem) return size.maxRem * REM;
  const wanted = size.interceptRem * REM + (size.slopeVw * width) / 100;
  return Math.max(size.minRem * REM, Math.min(wanted, size.maxRem * REM));
}
