import {
  contrastRatio,
  composite,
  mapToSrgb,
  oklabToOklch,
  oklchToOklab,
  paintedRgb,
  parseColor,
  hex,
  type Oklch,
  type Rgb8,
} from '../color/index.ts';
import { clamp, round } from '../number/index.ts';

/** Follows its source by an amount: lightness added, chroma multiplied, hue turned in degrees. */
export interface ShiftRule {
  readonly kind?: undefined;
  readonly source: string;
  readonly lightness: number;
  readonly chroma: number;
  readonly hue: number;
}
/** Its source mixed with another swatch in OKLab; `share` of the other, 0 to 1. */
export interface MixRule {
  readonly kind: 'mix';
  readonly source: string;
  readonly with: string;
  readonly share: number;
}
/** The colour nearest to its source, in its hue and chroma, that reaches a contrast ratio on another swatch. */
export interface ContrastRule {
  readonly kind: 'contrast';
  readonly source: string;
  readonly on: string;
  readonly ratio: number;
}
/** Its source laid over another swatch as a tint or shade; `alpha` 0 to 1. */
export interface OverRule {
  readonly kind: 'over';
  readonly source: string;
  readonly on: string;
  readonly alpha: number;
}

/** How a derived swatch follows its source. Rules may chain, never loop. */
export type DeriveRule = ShiftRule | MixRule | ContrastRule | OverRule;

/** The other swatch a rule looks at besides its source. */
export function ruleOther(rule: DeriveRule): string | undefined {
  return rule.kind === undefined ? undefined : rule.kind === 'mix' ? rule.with : rule.on;
}

/** Ids of all swatches a rule looks at. */
export function ruleSources(rule: DeriveRule): string[] {
  const other = ruleOther(rule);
  return other === undefined ? [rule.source] : [rule.source, other];
}

/** The same rule with every swatch it looks at named otherwise. */
export function mapRule<R extends DeriveRule>(rule: R, rename: (id: string) => string): R {
  return {
    ...rule,
    source: rename(rule.source),
    ...(rule.kind === 'mix' ? { with: rename(rule.with) } : {}),
    ...(rule.kind === 'contrast' || rule.kind === 'over' ? { on: rename(rule.on) } : {}),
  };
}

/**
 * A rule in words, as a designer would say it: "Funnel, 12 lighter", "30 % Fog in Funnel",
 * "Funnel at 4.5 on Fog", "8 % Funnel over Fog".
 *
 * @param name the label of a swatch by its id
 */
export function ruleWords(rule: DeriveRule, name: (id: string) => string): string {
  const source = name(rule.source);
  if (rule.kind === 'mix') return `${percent(rule.share)} ${name(rule.with)} in ${source}`;
  if (rule.kind === 'contrast') return `${source} at ${round(rule.ratio, 2)} on ${name(rule.on)}`;
  if (rule.kind === 'over') return `${percent(rule.alpha)} ${source} over ${name(rule.on)}`;
  const lighter = round(rule.lightness * 100, 1);
  const turned = round(rule.hue, 1);
  const parts = [
    lighter !== 0 && `${Math.abs(lighter)} ${lighter > 0 ? 'lighter' : 'darker'}`,
    Math.abs(rule.chroma - 1) > 0.005 && `chroma ${percent(rule.chroma)}`,
    turned !== 0 && `hue ${turned > 0 ? '+' : '−'}${Math.abs(turned)}°`,
  ].filter((part) => part !== false);
  return [source, ...(parts.length > 0 ? parts : ['the same'])].join(', ');
}

const percent = (share: number): string => `${round(share * 100, 0)} %`;

/**
 * The colour that a rule makes of its source.
 *
 * @param other colour of the other swatch the rule looks at; without it the source comes back as it is
 */
export function deriveColor(source: Oklch, rule: DeriveRule, other?: Oklch): Oklch {
  if (rule.kind === undefined) {
    return {
      l: clamp(source.l + rule.lightness, 0, 1),
      c: Math.max(0, source.c * rule.chroma),
      h: (((source.h + rule.hue) % 360) + 360) % 360,
      alpha: source.alpha,
    };
  }
  if (!other) return source;
  if (rule.kind === 'mix') return mix(source, other, rule.share);
  if (rule.kind === 'contrast') return atContrast(source, paintedRgb(other), rule.ratio);
  const over = composite({ ...paintedRgb(source), alpha: rule.alpha }, paintedRgb({ ...other, alpha: 1 }));
  return parseColor(hex(over))!.oklch;
}

/** Two colours mixed in OKLab; `share` of the second. */
function mix(oklch: Oklch, other: Oklch, share: number): Oklch {
  const [a, b] = [oklchToOklab(oklch), oklchToOklab(other)];
  const between = (from: number, to: number) => from + (to - from) * share;
  return {
    ...oklabToOklch({ l: between(a.l, b.l), a: between(a.a, b.a), b: between(a.b, b.b) }),
    alpha: between(oklch.alpha, other.alpha),
  };
}

const STEPS = 24;

/**
 * The lightness nearest to the source's at which the painted colour reaches a
 * ratio on a ground, hue kept and chroma as far as sRGB allows. Where no
 * lightness reaches it, the end that comes closest.
 */
function atContrast(source: Oklch, ground: Rgb8, ratio: number): Oklch {
  const at = (l: number): Oklch => (l === source.l ? source : mapToSrgb({ ...source, l }));
  const ratioAt = (l: number) => contrastRatio({ ...paintedRgb(at(l)), alpha: 1 }, ground);
  if (ratioAt(source.l) >= ratio) return source;
  const ends = [0, 1].filter((end) => ratioAt(end) >= ratio);
  if (ends.length === 0) return at(ratioAt(0) >= ratioAt(1) ? 0 : 1);
  const reached = ends.map((end) => {
    let [good, bad] = [end, source.l];
    for (let i = 0; i < STEPS; i++) {
      const middle = (good + bad) / 2;
      if (ratioAt(middle) >= ratio) good = middle;
      else bad = middle;
    }
    return good;
  });
  return at(reached.reduce((value, next) => (Math.abs(next - source.l) < Math.abs(value - source.l) ? next : value)));
}

/** The rule that turns `source` into `target`, so that an ordinary swatch can be made to follow. */
export function ruleBetween(sourceId: string, source: Oklch, target: Oklch): ShiftRule {
  return {
    source: sourceId,
    lightness: target.l - source.l,
    chroma: source.c > 1e-4 ? target.c / source.c : 1,
    hue: target.c > 1e-4 && source.c > 1e-4 ? ((target.h - source.h + 540) % 360) - 180 : 0,
  };
}
