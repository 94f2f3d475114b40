import { luminance } from './contrast.ts';
import { encodeChannel } from './srgb.ts';
import type { Oklch, Rgb8 } from './color.ts';
import { mapToSrgb } from './gamut.ts';

/** Highest ratio and chroma of a field; ratios stand on a logarithmic scale, so that 3, 4.5 and 7 have room. */
export const FIELD = { topRatio: 19, mostChroma: 0.26, weak: 4.5 } as const;

/** A field of colours of one hue: chroma across, contrast against one colour up. */
export interface ContrastFieldSpec {
  /** Size in device pixels. */
  readonly width: number;
  readonly height: number;
  readonly hue: number;
  /** The colour to compare with: the background below, or the text above if the swatch is a background. */
  readonly against: Rgb8;
  /** Device pixels a CSS pixel. */
  readonly density: number;
}

/** Returns true if the field shows colours darker than what it is taken against: where there is more room. */
export const fieldDarker = (against: Rgb8): boolean => luminance(against) > 0.18;

/** Contrast ratio of a height in the field, 0 at the top to 1 at the foot. */
export const fieldRatio = (down: number): number => FIELD.topRatio ** (1 - down);
/** Height of a ratio in the field, 0 at the top to 1 at the foot. */
export const fieldHeight = (ratio: number): number => 1 - Math.log(Math.max(1, ratio)) / Math.log(FIELD.topRatio);

/** Relative luminance that has a ratio against a colour; outside 0 to 1 when none has. */
export function luminanceAt(ratio: number, against: Rgb8): number {
  const behind = luminance(against) + 0.05;
  return fieldDarker(against) ? behind / ratio - 0.05 : behind * ratio - 0.05;
}

/*
 * Y is a cubic in OKLab's L: with q the share of a and b in each cone response,
 * Y = Σ w (L + q)³. Rows of the inverse matrices as in oklab.ts; w is their
 * product with the luminance weights of WCAG 2.2.
 */
const CONE = [
  [0.3963377774, 0.2158037573],
  [-0.1055613458, -0.0638541728],
  [-0.0894841775, -1.291485548],
] as const;
const RGB = [
  [4.0767416621, -3.3077115913, 0.2309699292],
  [-1.2684380046, 2.6097574011, -0.3413193965],
  [-0.0041960863, -0.7034186147, 1.707614701],
] as const;
const WEIGHT = [0, 1, 2].map((cone) => 0.2126 * RGB[0][cone]! + 0.7152 * RGB[1][cone]! + 0.0722 * RGB[2][cone]!) as [
  number,
  number,
  number,
];

/** OKLCH lightness at which a chroma and hue have a relative luminance, by Newton's method on the cubic. */
export function lightnessFor(
  wanted: number,
  chroma: number,
  hue: number,
  start = Math.cbrt(Math.max(0, wanted)),
): number {
  const angle = (hue * Math.PI) / 180;
  const [a, b] = [chroma * Math.cos(angle), chroma * Math.sin(angle)];
  return solve(
    wanted,
    CONE[0][0] * a + CONE[0][1] * b,
    CONE[1][0] * a + CONE[1][1] * b,
    CONE[2][0] * a + CONE[2][1] * b,
    start,
  );
}

function solve(wanted: number, q0: number, q1: number, q2: number, start: number): number {
  let l = start;
  for (let i = 0; i < 8; i++) {
    const x = l + q0;
    const y = l + q1;
    const z = l + q2;
    const here = WEIGHT[0] * x * x * x + WEIGHT[1] * y * y * y + WEIGHT[2] * z * z * z - wanted;
    const slope = 3 * (WEIGHT[0] * x * x + WEIGHT[1] * y * y + WEIGHT[2] * z * z);
    if (Math.abs(slope) < 1e-9) break;
    const next = Math.max(0, Math.min(1, l - here / slope));
    if (Math.abs(next - l) < 1e-6) return next;
    l = next;
  }
  return l;
}

/** The colour at a point of the field, mapped into sRGB; `across` and `down` are 0 to 1. */
export function fieldColor(across: number, down: number, hue: number, against: Rgb8, alpha = 1): Oklch {
  const c = Math.max(0, Math.min(1, across)) * FIELD.mostChroma;
  const wanted = Math.max(0, Math.min(1, luminanceAt(fieldRatio(Math.max(0, Math.min(1, down))), against)));
  return mapToSrgb({ l: lightnessFor(wanted, c, hue), c, h: hue, alpha });
}

const LUT_SIZE = 4096;
const LUT = Uint8ClampedArray.from({ length: LUT_SIZE + 1 }, (_, i) => encodeChannel(i / LUT_SIZE));
/** Far below the first 8-bit step, so that nothing outside sRGB shows near black. */
const EDGE = 2e-5;
const FAR = 0.05;

/**
 * Paints a field: colours outside sRGB stay transparent, those below 4.5 are
 * hatched by half-clear diagonals. Written flat, without arrays in the loop: it
 * runs for every pixel of every frame while a hue is pulled.
 *
 * @returns RGBA, row by row
 */
export function paintField({
  width,
  height,
  hue,
  against,
  density,
}: ContrastFieldSpec): Uint8ClampedArray<ArrayBuffer> {
  const data = new Uint8ClampedArray(width * height * 4);
  const pixels = new Uint32Array(data.buffer);
  const angle = (hue * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const [k0, k1, k2] = CONE.map(([ka, kb]) => (ka * cos + kb * sin) * (FIELD.mostChroma / width)) as [
    number,
    number,
    number,
  ];
  const [w0, w1, w2] = WEIGHT;
  const [[r0, r1, r2], [g0, g1, g2], [b0, b1, b2]] = RGB;
  const hatch = Math.max(1, Math.round(8 * density));
  const line = Math.max(1, Math.round(density));
  for (let row = 0; row < height; row++) {
    const ratio = fieldRatio((row + 0.5) / height);
    const wanted = luminanceAt(ratio, against);
    if (wanted < 0 || wanted > 1) continue;
    const weak = ratio < FIELD.weak;
    let l = Math.cbrt(wanted);
    let drift = 0;
    let inverse = 0;
    let phase = row % hatch;
    for (let column = 0; column < width; column++) {
      if (++phase >= hatch) phase = 0;
      const at = column + 0.5;
      const q0 = k0 * at;
      const q1 = k1 * at;
      const q2 = k2 * at;
      // The last two neighbours lead so near to the lightness that one step of Newton's is enough.
      const before = l;
      l += drift;
      let x = l + q0;
      let y = l + q1;
      let z = l + q2;
      const xx = w0 * x * x;
      const yy = w1 * y * y;
      const zz = w2 * z * z;
      // The slope changes so slowly that one division serves eight neighbours.
      if ((column & 7) === 0) inverse = 1 / Math.max(1e-9, 3 * (xx + yy + zz));
      l -= (xx * x + yy * y + zz * z - wanted) * inverse;
      if (l < 0) l = 0;
      drift = column === 0 ? 0 : l - before;
      x = l + q0;
      y = l + q1;
      z = l + q2;
      x = x * x * x;
      y = y * y * y;
      z = z * z * z;
      const r = r0 * x + r1 * y + r2 * z;
      const g = g0 * x + g1 * y + g2 * z;
      const b = b0 * x + b1 * y + b2 * z;
      if (r < -EDGE || g < -EDGE || b < -EDGE || r > 1 + EDGE || g > 1 + EDGE || b > 1 + EDGE) {
        // Well outside sRGB: with more chroma there is no way back.
        if (r < -FAR || g < -FAR || b < -FAR || r > 1 + FAR || g > 1 + FAR || b > 1 + FAR) break;
        continue;
      }
      const alpha = weak && phase < line ? 180 : 255;
      // Byte order of all machines that browsers run on: red lowest.
      pixels[row * width + column] =
        (alpha << 24) |
        (LUT[(b * LUT_SIZE + 0.5) | 0]! << 16) |
        (LUT[(g * LUT_SIZE + 0.5) | 0]! << 8) |
        LUT[(r * LUT_SIZE + 0.5) | 0]!;
    }
  }
  return data;
}
