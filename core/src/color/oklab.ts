import { clamp } from '../number/index.ts';
import type { Oklab, Oklch, Rgb8 } from './color.ts';
import { encodeChannel, linearChannels } from './srgb.ts';

/*
 * Björn Ottosson, "A perceptual color space for image processing" (2020),
 * matrices as in CSS Color 4 (sRGB D65, rounded to 10 digits by the author).
 */

/** OKLab of linear-light sRGB channels, each 0 to 1. */
export function linearToOklab(r: number, g: number, b: number): Oklab {
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  return {
    l: 0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    a: 1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    b: 0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  };
}

/** Linear-light sRGB of an OKLab colour; channels leave 0 to 1 when it is outside sRGB. */
export function oklabToLinear(lab: Oklab): [number, number, number] {
  const l = (lab.l + 0.3963377774 * lab.a + 0.2158037573 * lab.b) ** 3;
  const m = (lab.l - 0.1055613458 * lab.a - 0.0638541728 * lab.b) ** 3;
  const s = (lab.l - 0.0894841775 * lab.a - 1.291485548 * lab.b) ** 3;
  return [
    4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s,
    -1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s,
    -0.0041960863 * l - 0.7034186147 * m + 1.707614701 * s,
  ];
}

/** OKLab of a painted colour; alpha is left aside. */
export function rgb8ToOklab(color: Rgb8): Oklab {
  const [r, g, b] = linearChannels(color);
  return linearToOklab(r, g, b);
}

/** Rectangular form of an OKLCH colour. */
export function oklchToOklab({ l, c, h }: Oklch): Oklab {
  const angle = (h * Math.PI) / 180;
  return { l, a: c * Math.cos(angle), b: c * Math.sin(angle) };
}

/** Polar form of an OKLab colour; greys get hue 0. */
export function oklabToOklch(lab: Oklab, alpha = 1): Oklch {
  const c = Math.hypot(lab.a, lab.b);
  if (c < 1e-6) return { l: lab.l, c: 0, h: 0, alpha };
  const h = (Math.atan2(lab.b, lab.a) * 180) / Math.PI;
  return { l: lab.l, c, h: h < 0 ? h + 360 : h, alpha };
}

/** 8-bit sRGB of an OKLab colour with every channel clipped. Map into the gamut first where hue matters. */
export function oklabToRgb8Clipped(lab: Oklab, alpha = 1): Rgb8 {
  const [r, g, b] = oklabToLinear(lab);
  return {
    r: encodeChannel(clamp(r, 0, 1)),
    g: encodeChannel(clamp(g, 0, 1)),
    b: encodeChannel(clamp(b, 0, 1)),
    alpha,
  };
}
