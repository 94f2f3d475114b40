import { oneValue, partsOf } from '../css/index.ts';
import type { Rgb8 } from './color.ts';

/**
 * The colour of a two-colour gradient at `t`, 0 to 1, as browsers paint it:
 * between the 8-bit sRGB values, with alpha premultiplied (CSS Images 3, 3.4.2).
 */
export function gradientColor(from: Rgb8, to: Rgb8, t: number): Rgb8 {
  const alpha = from.alpha + (to.alpha - from.alpha) * t;
  const mix = (value: number, other: number) =>
    alpha === 0 ? 0 : Math.round((value * from.alpha * (1 - t) + other * to.alpha * t) / alpha);
  return { r: mix(from.r, to.r), g: mix(from.g, to.g), b: mix(from.b, to.b), alpha };
}

/**
 * Where on the line of a CSS gradient a point of its box lies, 0 to 1 (CSS Images 3, 3.1.1).
 *
 * @param angle degrees, 0 upwards, clockwise
 * @param x from the left of the box, px
 * @param y from its top, px
 */
export function gradientPosition(
  angle: number,
  box: { readonly width: number; readonly height: number },
  x: number,
  y: number,
): number {
  const turn = (angle * Math.PI) / 180;
  const [sin, cos] = [Math.sin(turn), Math.cos(turn)];
  const length = Math.abs(box.width * sin) + Math.abs(box.height * cos);
  if (length === 0) return 0;
  return Math.max(0, Math.min(1, 0.5 + ((x - box.width / 2) * sin - (y - box.height / 2) * cos) / length));
}

const rgbText = ({ r, g, b, alpha }: Rgb8): string =>
  alpha >= 1 ? `rgb(${r}, ${g}, ${b})` : `rgba(${r}, ${g}, ${b}, ${alpha})`;

/** A two-colour gradient as CSS, written the way browsers report it. */
export function gradientCss(angle: number, from: Rgb8, to: Rgb8): string {
  // Downwards is what a gradient does unless told otherwise, and browsers leave it out.
  return `linear-gradient(${angle === 180 ? '' : `${angle}deg, `}${rgbText(from)} 0%, ${rgbText(to)} 100%)`;
}

export interface Gradient {
  readonly angle: number;
  readonly from: Rgb8;
  readonly to: Rgb8;
}

const known = new Map<string, Gradient | undefined>();

/** Reads what `gradientCss` wrote; undefined for anything else. The same text gives the same gradient. */
export function readGradient(css: string): Gradient | undefined {
  if (known.has(css)) return known.get(css);
  if (known.size > 1000) known.clear();
  const gradient = parseGradient(css);
  known.set(css, gradient);
  return gradient;
}

function parseGradient(css: string): Gradient | undefined {
  const read = oneValue(css);
  if (!read || !('call' in read) || read.call !== 'linear-gradient') return undefined;
  const first = oneValue(read.of[0] ?? '');
  const turned = first && 'number' in first && first.unit === 'deg' ? first.number : undefined;
  const [from, to, ...more] = (turned === undefined ? read.of : read.of.slice(1)).map((name, i) =>
    stopColor(name, i * 100),
  );
  return from && to && more.length === 0 ? { angle: turned ?? 180, from, to } : undefined;
}

/** The colour of a stop at a place on the line, in percent, as 8-bit channels. */
function stopColor(css: string, at: number): Rgb8 | undefined {
  const [color, position, ...more] = partsOf(css, ' ');
  const read = oneValue(color ?? '');
  const there = oneValue(position ?? '');
  if (
    more.length > 0 ||
    !there ||
    !('number' in there) ||
    there.number !== at ||
    there.unit !== '%' ||
    !read ||
    !('call' in read) ||
    !['rgb', 'rgba'].includes(read.call)
  )
    return undefined;
  const [r, g, b, alpha = 1] = read.of.map((name) => {
    const channel = oneValue(name);
    return channel && 'number' in channel && channel.unit === '' ? channel.number : NaN;
  });
  return [r, g, b, alpha].every((value) => value !== undefined && Number.isFinite(value))
    ? { r: r!, g: g!, b: b!, alpha }
    : undefined;
}

/** Points along a gradient at which it is rated where no layout tells which of it is seen. */
const POINTS = 33;

const extents = new WeakMap<Gradient, readonly Rgb8[]>();

/** The colours of a gradient from end to end. */
export function gradientExtent(gradient: Gradient): readonly Rgb8[] {
  let extent = extents.get(gradient);
  if (!extent)
    extents.set(
      gradient,
      (extent = Array.from({ length: POINTS }, (_, i) => gradientColor(gradient.from, gradient.to, i / (POINTS - 1)))),
    );
  return extent;
}
