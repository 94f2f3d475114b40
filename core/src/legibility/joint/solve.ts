import { composite, contrastRatio, luminance, type Rgb8 } from '../../color/index.ts';
import { MinCut, UNCUTTABLE } from '../../number/index.ts';
import { colorOf } from '../../reach/index.ts';
import type { Pair, PairLayer } from '../pairs.ts';
import { movement, paintOf, type Paint, type Variable } from './paints.ts';

const WHITE: Rgb8 = { r: 255, g: 255, b: 255, alpha: 1 };
/** Movement is counted in whole ten-thousandths. */
const UNIT = 10_000;

/** A way in which a pair may hold: by which of its foregrounds, and whether that is the lighter one. */
export interface Way {
  readonly fore: number;
  readonly lighter: boolean;
}

/** Index of the lightness of each variable. */
export type Assignment = ReadonlyMap<Variable, number>;

/**
 * The condition on lightnesses under which a pair passes in one way: none, or an
 * impossible one; for one variable, a set of excluded values; for two, that the light
 * one is at least `least[j]` while the dark one is at j.
 */
export type Relation =
  | { readonly kind: 'nothing' | 'impossible' }
  | { readonly kind: 'bar'; readonly variable: Variable; readonly barred: ReadonlySet<number> }
  | { readonly kind: 'order'; readonly light: Variable; readonly dark: Variable; readonly least: readonly number[] };

/** Ratio of one foreground of a pair under an assignment, and whether it is the lighter. */
export function ratioUnder(
  pair: Pair,
  fore: number,
  paints: ReadonlyMap<string, Paint>,
  at: (variable: Variable) => number,
): { ratio: number; lighter: boolean } {
  const rgbOf = (layer: PairLayer): Rgb8 => {
    const paint = paintOf(paints, layer);
    return paint ? paint.values[at(paint.variable)]! : (colorOf(layer.css) ?? WHITE);
  };
  const behind = pair.behind!.reduceRight((below, layer) => composite(rgbOf(layer), below), WHITE);
  const front = composite(rgbOf(pair.fores[fore]!), behind);
  return { ratio: contrastRatio(front, behind), lighter: luminance(front) > luminance(behind) };
}

/** Returns true if a pair holds under an assignment, in whatever way. */
export function holds(pair: Pair, paints: ReadonlyMap<string, Paint>, at: (variable: Variable) => number): boolean {
  return pair.fores.some((_, fore) => ratioUnder(pair, fore, paints, at).ratio >= pair.needed);
}

/**
 * Returns the conditions under which a pair passes in one way. `from`: the present values of variables without a
 * condition.
 */
export function relationOf(pair: Pair, way: Way, paints: ReadonlyMap<string, Paint>, from: Assignment): Relation {
  const fore = paintOf(paints, pair.fores[way.fore]!)?.variable;
  // Of several translucent layers the topmost that moves is looked at; the others stand where they are.
  const behind = pair
    .behind!.map((layer) => paintOf(paints, layer)?.variable)
    .find((variable) => variable !== undefined);
  const fits = (foreAt: number | null, behindAt: number | null): boolean => {
    const { ratio, lighter } = ratioUnder(pair, way.fore, paints, (variable) =>
      variable === fore && foreAt !== null
        ? foreAt
        : variable === behind && behindAt !== null
          ? behindAt
          : from.get(variable)!,
    );
    return ratio >= pair.needed && lighter === way.lighter;
  };
  const bar = (variable: Variable, ok: (index: number) => boolean): Relation => ({
    kind: 'bar',
    variable,
    barred: new Set(variable.lightness.map((_, i) => i).filter((i) => !ok(i))),
  });
  if (fore && fore === behind) return bar(fore, (i) => fits(i, i));
  const [light, dark] = way.lighter ? [fore, behind] : [behind, fore];
  const ok = (lightAt: number | null, darkAt: number | null): boolean =>
    way.lighter ? fits(lightAt, darkAt) : fits(darkAt, lightAt);
  if (!light || !dark) {
    const only = light ?? dark;
    return only
      ? bar(only, (i) => (light ? ok(i, null) : ok(null, i)))
      : { kind: ok(null, null) ? 'nothing' : 'impossible' };
  }
  let least = 0;
  const all = dark.lightness.map((_, j) => {
    while (least < light.lightness.length && !ok(least, j)) least++;
    return least;
  });
  return { kind: 'order', light, dark, least: all };
}

/**
 * Returns true if relations can hold together. What they ask of lightnesses holds for
 * the darker of two answers wherever it holds for both, so there is a darkest
 * answer or none: it is found by raising what must be lighter until nothing must.
 */
export function canHold(variables: readonly Variable[], relations: readonly Relation[]): boolean {
  if (relations.some((relation) => relation.kind === 'impossible')) return false;
  const barred = barredBy(relations);
  const at = new Map<Variable, number>();
  const raise = (variable: Variable, to: number): boolean => {
    const not = barred.get(variable);
    while (not?.has(to)) to++;
    at.set(variable, to);
    return to < variable.lightness.length;
  };
  if (!variables.every((variable) => raise(variable, 0))) return false;
  for (let changed = true; changed;) {
    changed = false;
    for (const relation of relations) {
      if (relation.kind !== 'order') continue;
      const least = relation.least[at.get(relation.dark)!]!;
      if (least <= at.get(relation.light)!) continue;
      if (!raise(relation.light, least)) return false;
      changed = true;
    }
  }
  return true;
}

/**
 * The least movement under which every relation holds, exactly, on the lattice of
 * lightnesses: such relations and any costs are a minimum cut (H. Ishikawa,
 * "Exact optimization for Markov random fields with convex priors", 2003; here
 * with monotone constraints instead of priors).
 *
 * @returns undefined when they cannot hold together
 */
export function solve(
  variables: readonly Variable[],
  relations: readonly Relation[],
): { cost: number; at: Assignment } | undefined {
  if (relations.some((relation) => relation.kind === 'impossible')) return undefined;
  const cut = new MinCut();
  const first = new Map<Variable, number>();
  const barred = barredBy(relations);
  for (const variable of variables) {
    const start = cut.node();
    for (let i = 2; i < variable.lightness.length; i++) cut.node();
    first.set(variable, start);
  }
  /** Node that lies on the side of the source exactly when the variable is at `index` or lighter. */
  const atLeast = (variable: Variable, index: number): number =>
    index <= 0 ? 0 : index >= variable.lightness.length ? 1 : first.get(variable)! + index - 1;
  for (const relation of relations) {
    if (relation.kind !== 'order') continue;
    relation.least.forEach((least, j) => {
      if (least > (relation.least[j - 1] ?? 0))
        cut.connect(atLeast(relation.dark, j), atLeast(relation.light, least), UNCUTTABLE);
    });
  }
  for (const variable of variables) {
    const costs = costsOf(variable);
    for (let i = 0; i < variable.lightness.length; i++)
      cut.connect(
        atLeast(variable, i),
        atLeast(variable, i + 1),
        barred.get(variable)?.has(i) ? UNCUTTABLE : costs[i]!,
        UNCUTTABLE,
      );
  }
  const cost = cut.run();
  if (cost >= UNCUTTABLE) return undefined;
  const at = new Map(
    variables.map((variable) => {
      let index = 0;
      while (index + 1 < variable.lightness.length && cut.onSourceSide(atLeast(variable, index + 1))) index++;
      return [variable, index];
    }),
  );
  return { cost: cost / UNIT, at };
}

const costs = new WeakMap<Variable, readonly number[]>();

function costsOf(variable: Variable): readonly number[] {
  let known = costs.get(variable);
  if (!known) costs.set(variable, (known = variable.lightness.map((_, i) => Math.round(movement(variable, i) * UNIT))));
  return known;
}

function barredBy(relations: readonly Relation[]): Map<Variable, Set<number>> {
  const barred = new Map<Variable, Set<number>>();
  for (const relation of relations)
    if (relation.kind === 'bar') {
      const known = barred.get(relation.variable) ?? new Set();
      for (const index of relation.barred) known.add(index);
      barred.set(relation.variable, known);
    }
  return barred;
}
