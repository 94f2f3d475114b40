import { clamp } from '../number/index.ts';
import type { Oklab, Rgb8 } from './color.ts';
import { contrastRatio, luminance } from './contrast.ts';
import { deltaE } from './difference.ts';
import { oklabToLinear, oklabToRgb8Clipped, rgb8ToOklab } from './oklab.ts';

/** The nearest painted colour that passes, and how far it lies from the one there was. */
export interface PairFix {
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
export function fixPair(color: Rgb8, ground: Rgb8, needed: number): PairFix | undefined {
  const origin = rgb8ToOklab(color);
  const opaque: Rgb8 = { ...color, alpha: 1 };
  const ratio = contrastRatio(opaque, ground);
  if (ratio >= needed) return { rgb: opaque, deltaE: 0, ratio };
  const behind = luminance(ground) + 0.05;
  const targets = [behind / needed - 0.05, behind * needed - 0.05].filter((target) => target >= 0 && target <= 1);
  let best: PairFix | undefined;
  for (const target of targets) {
    for (const start of [
      nearestAtLuminance(origin, target),
      greyAtLuminance(target),
      ...nearestOnLattice(origin, ground, needed),
    ]) {
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
    const along =
      (target -
        here -
        gradient.l * (origin.l - point.l) -
        gradient.a * (origin.a - point.a) -
        gradient.b * (origin.b - point.b)) /
      length;
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

const LATTICE = 17;
const STARTS = 3;

/**
 * The few nearest passing colours of a coarse lattice: starts for far jumps, where the surface bends and the gamut
 * ends.
 */
function nearestOnLattice(origin: Oklab, ground: Rgb8, needed: number): Rgb8[] {
  const found: { rgb: Rgb8; distance: number }[] = [];
  for (let r = 0; r <= 255; r += LATTICE)
    for (let g = 0; g <= 255; g += LATTICE)
      for (let b = 0; b <= 255; b += LATTICE) {
        const rgb: Rgb8 = { r, g, b, alpha: 1 };
        if (contrastRatio(rgb, ground) < needed) continue;
        const distance = deltaE(rgb8ToOklab(rgb), origin);
        if (found.length === STARTS && distance >= found[STARTS - 1]!.distance) continue;
        found.push({ rgb, distance });
        found.sort((entry, other) => entry.distance - other.distance);
        found.length = Math.min(found.length, STARTS);
      }
  return found.map(({ rgb }) => rgb);
}

/** Steps of the local search: all offsets of up to two in each channel, and longer ones. */
const OFFSETS: readonly (readonly [number, number, number])[] = (() => {
  const list: [number, number, number][] = [];
  for (const steps of [
    [-2, -1, 0, 1, 2],
    [-5, 0, 5],
    [-12, 0, 12],
  ])
    for (const r of steps) for (const g of steps) for (const b of steps) if (r || g || b) list.push([r, g, b]);
  return list;
})();

function descend(start: Rgb8, origin: Oklab, ground: Rgb8, needed: number): PairFix | undefined {
  let here = pushUntilPassing(start, ground, needed);
  if (!here) return undefined;
  let distance = deltaE(rgb8ToOklab(here), origin);
  for (;;) {
    let next: Rgb8 | undefined;
    const consider = (candidate: Rgb8 | undefined): void => {
      if (!candidate || contrastRatio(candidate, ground) < needed) return;
      const candidateDistance = deltaE(rgb8ToOklab(candidate), origin);
      if (candidateDistance >= distance - 1e-12) return;
      distance = candidateDistance;
      next = candidate;
    };
    const from: Rgb8 = here;
    for (const [r, g, b] of OFFSETS)
      consider({ r: clamp(from.r + r, 0, 255), g: clamp(from.g + g, 0, 255), b: clamp(from.b + b, 0, 255), alpha: 1 });
    const darker = luminance(from) < luminance(ground);
    for (const [channel, other, last] of AXES)
      for (const a of SURFACE_STEPS)
        for (const b of SURFACE_STEPS)
          consider(
            onSurface(
              { ...from, [channel]: clamp(from[channel] + a, 0, 255), [other]: clamp(from[other] + b, 0, 255) },
              last,
              darker,
              ground,
              needed,
            ),
          );
    if (!next) return { rgb: here, deltaE: distance, ratio: contrastRatio(here, ground) };
    here = next;
  }
}

type Channel = 'r' | 'g' | 'b';
const AXES: readonly (readonly [Channel, Channel, Channel])[] = [
  ['r', 'g', 'b'],
  ['r', 'b', 'g'],
  ['g', 'b', 'r'],
];
const SURFACE_STEPS = [-9, -3, -1, 0, 1, 3, 9];

/**
 * The colour whose last channel is pulled as far towards failing as it may go: contrast is monotonic in each channel.
 */
function onSurface(color: Rgb8, channel: Channel, darker: boolean, ground: Rgb8, needed: number): Rgb8 | undefined {
  const at = (value: number): Rgb8 => ({ ...color, [channel]: value });
  let passing = darker ? 0 : 255;
  let failing = darker ? 256 : -1;
  if (contrastRatio(at(passing), ground) < needed) return undefined;
  while (Math.abs(failing - passing) > 1) {
    const middle = (passing + failing) >> 1;
    if (contrastRatio(at(middle), ground) >= needed) passing = middle;
    else failing = middle;
  }
  return at(passing);
}

/** Rounding may land just short: move all channels towards black or white until the ratio is met. */
function pushUntilPassing(start: Rgb8, ground: Rgb8, needed: number): Rgb8 | undefined {
  const step = luminance(start) > luminance(ground) ? 1 : -1;
  let here = start;
  for (let i = 0; i <= 255; i++) {
    if (contrastRatio(here, ground) >= needed) return here;
    here = {
      r: clamp(here.r + step, 0, 255),
      g: clamp(here.g + step, 0, 255),
      b: clamp(here.b + step, 0, 255),
      alpha: 1,
    };
  }
  return undefined;
}
