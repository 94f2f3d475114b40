import { clamp } from '../number/index.ts';
import type { Oklab, Rgb8 } from './color.ts';
import { contrastRatio, luminance } from './contrast.ts';
import { deltaE } from './difference.ts';
import { oklabToLinear, oklabToRgb8Clipped, rgb8ToOklab } from './oklab.ts';

/** The nearest painted colour that passes, and how far it lies from the one there was. */
export interface PairMend {
  readonly rgb: Rgb8;
  readonly deltaE: number;
  readonly ratio: number;
}

/**
 * The smallest change, by ΔE OK, of `color` that reaches `needed` against the
 * opaque `ground`. Undefined when no colour can (a ratio above 21, or a middle
 * ground with 7 or more asked for).
 *
 * The luminance that is needed cuts OKLab in a smooth surface; the nearest
 * point on it is found by walking along the gradient (a projection step, four
 * are enough), then the 8-bit neighbours are searched downhill, because what
 * is rated is the colour painted.
 */
export function mendPair(color: Rgb8, ground: Rgb8, needed: number): PairMend | undefined {
  const origin = rgb8ToOklab(color);
  const opaque: Rgb8 = { ...color, alpha: 1 };
  const ratio = contrastRatio(opaque, ground);
  if (ratio >= needed) return { rgb: opaque, deltaE: 0, ratio };
  const behind = luminance(ground) + 0.05;
  const targets = [behind / needed - 0.05, behind * needed - 0.05].filter((target) => target >= 0 && target <= 1);
  let best: PairMend | undefined;
  for (const target of targets) {
    for (const start of [nearestAtLuminance(origin, target), greyAtLuminance(target)]) {
      const found = descend(start, origin, ground, needed);
      if (found && (!best || found.deltaE < best.deltaE)) best = found;
    }
  }
  return best;
}

const luminanceOf = (lab: Oklab): number => {
  const [r, g, b] = oklabToLinear(lab);
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};

function nearestAtLuminance(origin: Oklab, target: number): Rgb8 {
  let point = origin;
  const h = 1e-4;
  for (let i = 0; i < 12; i++) {
    const here = luminanceOf(point);
    const gradient = {
      l: (luminanceOf({ ...point, l: point.l + h }) - here) / h,
      a: (luminanceOf({ ...point, a: point.a + h }) - here) / h,
      b: (luminanceOf({ ...point, b: point.b + h }) - here) / h,
    };
    const length = gradient.l ** 2 + gradient.a ** 2 + gradient.b ** 2;
    if (length < 1e-12) break;
    // Project the origin on the tangent plane of the target surface at this point.
    const along = (target - here
      - gradient.l * (origin.l - point.l) - gradient.a * (origin.a - point.a) - gradient.b * (origin.b - point.b)) / length;
    point = {
      l: clamp(origin.l + along * gradient.l, 0, 1),
      a: origin.a + along * gradient.a,
      b: origin.b + along * gradient.b,
    };
  }
  return oklabToRgb8Clipped(point);
}

function greyAtLuminance(target: number): Rgb8 {
  return oklabToRgb8Clipped({ l: Math.cbrt(target), a: 0, b: 0 });
}

/** Steps of the local search: all offsets of up to two in each channel, and longer ones along two channels at once. */
const OFFSETS: readonly (readonly [number, number, number])[] = (() => {
  const list: [number, number, number][] = [];
  for (const reach of [1, 2, 8])
    for (const r of [-reach, 0, reach])
      for (const g of [-reach, 0, reach])
        for (const b of [-reach, 0, reach]) if (r || g || b) list.push([r, g, b]);
  return list;
})();

function descend(start: Rgb8, origin: Oklab, ground: Rgb8, needed: number): PairMend | undefined {
  let here = pushUntilPassing(start, ground, needed);
  if (!here) return undefined;
  let distance = deltaE(rgb8ToOklab(here), origin);
  for (;;) {
    let next: Rgb8 | undefined;
    for (const [r, g, b] of OFFSETS) {
      const candidate: Rgb8 = {
        r: clamp(here.r + r, 0, 255), g: clamp(here.g + g, 0, 255), b: clamp(here.b + b, 0, 255), alpha: 1,
      };
      if (contrastRatio(candidate, ground) < needed) continue;
      const candidateDistance = deltaE(rgb8ToOklab(candidate), origin);
      if (candidateDistance < distance - 1e-12) {
        distance = candidateDistance;
        next = candidate;
      }
    }
    if (!next) return { rgb: here, deltaE: distance, ratio: contrastRatio(here, ground) };
    here = next;
  }
}

/** Rounding may land just short: move all channels towards black or white until the ratio is met. */
function pushUntilPassing(start: Rgb8, ground: Rgb8, needed: number): Rgb8 | undefined {
  const step = luminance(start) > luminance(ground) ? 1 : -1;
  let here = start;
  for (let i = 0; i <= 255; i++) {
    if (contrastRatio(here, ground) >= needed) return here;
    here = { r: clamp(here.r + step, 0, 255), g: clamp(here.g + step, 0, 255), b: clamp(here.b + step, 0, 255), alpha: 1 };
  }
  return undefined;
}
