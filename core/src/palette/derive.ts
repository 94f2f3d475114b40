import { clamp } from '../number/index.ts';
import type { Oklch } from '../color/index.ts';

/** How a derived swatch follows its source: lightness added, chroma multiplied, hue turned in degrees. */
export interface DeriveRule {
  readonly source: string;
  readonly lightness: number;
  readonly chroma: number;
  readonly hue: number;
}

/** The colour that a rule makes of its source. */
export function deriveColor(source: Oklch, rule: DeriveRule): Oklch {
  return {
    l: clamp(source.l + rule.lightness, 0, 1),
    c: Math.max(0, source.c * rule.chroma),
    h: (((source.h + rule.hue) % 360) + 360) % 360,
    alpha: source.alpha,
  };
}

/** The rule that turns `source` into `target`, so that an ordinary swatch can be made to follow. */
export function ruleBetween(sourceId: string, source: Oklch, target: Oklch): DeriveRule {
  return {
    source: sourceId,
    lightness: target.l - source.l,
    chroma: source.c > 1e-4 ? target.c / source.c : 1,
    hue: target.c > 1e-4 && source.c > 1e-4 ? ((target.h - source.h + 540) % 360) - 180 : 0,
  };
}
