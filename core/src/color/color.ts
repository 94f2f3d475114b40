/**
 * A colour in OKLCH (CSS Color 4): `l` lightness 0 to 1, `c` chroma from 0
 * (about 0.32 at most inside sRGB), `h` hue in degrees 0 to 360, `alpha` 0 to 1.
 */
export interface Oklch {
  readonly l: number;
  readonly c: number;
  readonly h: number;
  readonly alpha: number;
}

/** A painted sRGB colour: channels are whole numbers 0 to 255, `alpha` 0 to 1. */
export interface Rgb8 {
  readonly r: number;
  readonly g: number;
  readonly b: number;
  readonly alpha: number;
}

/** OKLab coordinates: `l` 0 to 1, `a` and `b` about -0.4 to 0.4. */
export interface Oklab {
  readonly l: number;
  readonly a: number;
  readonly b: number;
}
