import { contrastRatio, deltaERgb, parseColor, type Rgb8 } from '../color/index.ts';
import type { LogoForm } from '../site/index.ts';

/** A colour this close (ΔE OK) to the plate is the plate. */
const PLATE = 0.02;

/** How a form of the logo stands out from a background. */
export interface LogoContrast {
  /** The contrast ratio that at least half of its area reaches. */
  readonly ratio: number;
  /** Share of its area, 0 to 1, that reaches 3:1. */
  readonly seen: number;
}

/** The ratio asked of half the area: that of graphical objects in WCAG 2.2, 1.4.11, which itself exempts logotypes. */
export const LOGO_RATIO = 3;

/**
 * Rates a form by its colours and their shares. A form with a plate of its own
 * is rated on that, whatever lies around; what is cut out, on the background.
 *
 * @param backgrounds an opaque colour, or those of a gradient: the lowest counts
 */
export function logoContrast(form: Pick<LogoForm, 'colors' | 'plate'>, ...backgrounds: readonly Rgb8[]): LogoContrast {
  const rated = backgrounds.map((background) => knownOn(form, background));
  return {
    ratio: Math.min(...rated.map((contrast) => contrast.ratio)),
    seen: Math.min(...rated.map((contrast) => contrast.seen)),
  };
}

const known = new WeakMap<LogoForm['colors'], Map<string, LogoContrast>>();

/** Rated once for a form and a background: while one colour is held, the others stay. */
function knownOn(form: Pick<LogoForm, 'colors' | 'plate'>, background: Rgb8): LogoContrast {
  let kept = known.get(form.colors);
  if (!kept) known.set(form.colors, (kept = new Map()));
  const key = `${form.plate ?? ''} ${background.r} ${background.g} ${background.b}`;
  let contrast = kept.get(key);
  if (!contrast) {
    // A held background passes through thousands of colours; only the last ones come again.
    if (kept.size > 64) kept.clear();
    kept.set(key, (contrast = contrastOn(form, background)));
  }
  return contrast;
}

function contrastOn(form: Pick<LogoForm, 'colors' | 'plate'>, background: Rgb8): LogoContrast {
  const plate = form.plate === null ? undefined : parseColor(form.plate)?.rgb;
  const behind = plate ?? background;
  const marks = form.colors
    .map(({ hex, share }) => ({ rgb: parseColor(hex)!.rgb, share }))
    .filter(({ rgb }) => !plate || deltaERgb(rgb, plate) > PLATE)
    .map(({ rgb, share }) => ({ ratio: contrastRatio(rgb, behind), share }))
    .sort((entry, other) => other.ratio - entry.ratio);
  const area = marks.reduce((sum, mark) => sum + mark.share, 0);
  if (area === 0) return { ratio: 1, seen: 0 };
  let reached = 0;
  const half = marks.find((mark) => (reached += mark.share) >= area / 2 - 1e-9) ?? marks.at(-1)!;
  return {
    ratio: half.ratio,
    seen: marks.reduce((sum, mark) => sum + (mark.ratio >= LOGO_RATIO ? mark.share : 0), 0) / area,
  };
}
