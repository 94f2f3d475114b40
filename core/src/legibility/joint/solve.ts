import { composite, contrastRatio, luminance, type Rgb8 } from '../../color/index.ts';
import { MinCut, UNCUTTABLE } from '../../number/index.ts';
import { colorOf } from '../../reach/index.ts';
import type { Pair, PairLayer } from '../pairs.ts';
import { movement, paintOf, type Paint, type Variable } from './paints.ts';

const WHITE: Rgb8 = { r: 255, g: 255, b: 255, alpha: 1 };
/** Movement is counted in whole ten-thousandths. */
const UNIT = 10_000;

/** A way in which a pair may hold: by which of its foregrounds, and whether that is the lighter one. */
export interface Way { readonly fore: number; readonly lighter: boolean }

/** Pairs between the same colours as the search sees them: the one that asks most stands for all. */
export interface Constraint {
  readonly pair: Pair;
  readonly all: readonly Pair[];
}

/** Index of the lightness of each variable. */
export type Assignment = ReadonlyMap<Variable, number>;

/** Ratio of one foreground of a pair under an assignment, and whether it is the lighter. */
export function ratioUnder(pair: Pair, fore: number, paints: ReadonlyMap<string, Paint>, at: (variable: Variable) => number): { ratio: number; lighter: boolean } {
  const rgbOf = (layer: PairLayer): Rgb8 => {
    const paint = paintOf(paints, layer);
    return paint ? paint.values[at(paint.variable)]! : (colorOf(layer.css) ?? WHITE);
  };
  const behind = pair.behind!.reduceRight((below, layer) => composite(rgbOf(layer), below), WHITE);
  const front = composite(rgbOf(pair.fores[fore]!), behind);
  return { ratio: contrastRatio(front, behind), lighter: luminance(front) > luminance(behind) };
}

/** Whether a pair holds under an assignment, in whatever way. */
export function holds(pair: Pair, paints: ReadonlyMap<string, Paint>, at: (variable: Variable) => number): boolean {
  return pair.fores.some((_, fore) => ratioUnder(pair, fore, paints, at).ratio >= pair.needed);
}

/**
 * The least movement under which every constraint holds in the way chosen for
 * it, exactly, on the lattice of lightnesses.
 *
 * With the way chosen, a constraint says "if the darker is at least this light,
 * the lighter is at least that light": such constraints and any costs are a
 * minimum cut (H. Ishikawa, "Exact optimization for Markov random fields with
 * convex priors", 2003; here with monotone constraints instead of priors).
 *
 * @returns undefined when they cannot hold together
 */
export function solve(variables: readonly Variable[], constraints: readonly (Constraint & { readonly way: Way })[], paints: ReadonlyMap<string, Paint>, from: Assignment): { cost: number; at: Assignment } | undefined {
  const cut = new MinCut();
  const first = new Map<Variable, number>();
  const barred = new Map<Variable, Set<number>>();
  for (const variable of variables) {
    const start = cut.node();
    for (let i = 2; i < variable.lightness.length; i++) cut.node();
    first.set(variable, start);
  }
  /** Node that lies on the side of the source exactly when the variable is at `index` or lighter. */
  const atLeast = (variable: Variable, index: number): number => (index <= 0 ? 0 : index >= variable.lightness.length ? 1 : first.get(variable)! + index - 1);
  for (const { pair, way } of constraints) relate(pair, way);
  for (const variable of variables)
    for (let i = 0; i < variable.lightness.length; i++) {
      const cost = barred.get(variable)?.has(i) ? UNCUTTABLE : Math.round(movement(variable, i) * UNIT);
      cut.connect(atLeast(variable, i), atLeast(variable, i + 1), cost, UNCUTTABLE);
    }
  const cost = cut.run();
  if (cost >= UNCUTTABLE) return undefined;
  const at = new Map(variables.map((variable) => {
    let index = 0;
    while (index + 1 < variable.lightness.length && cut.onSourceSide(atLeast(variable, index + 1))) index++;
    return [variable, index];
  }));
  return { cost: cost / UNIT, at };

  function relate(pair: Pair, way: Way): void {
    const fore = paintOf(paints, pair.fores[way.fore]!)?.variable;
    // Of several translucent layers the topmost that moves is looked at; the others stand where they are.
    const behind = pair.behind!.map((layer) => paintOf(paints, layer)?.variable).find((one) => one !== undefined);
    const fits = (foreAt: number | null, behindAt: number | null): boolean => {
      const { ratio, lighter } = ratioUnder(pair, way.fore, paints, (variable) => (variable === fore && foreAt !== null ? foreAt : variable === behind && behindAt !== null ? behindAt : from.get(variable)!));
      return ratio >= pair.needed && lighter === way.lighter;
    };
    if (fore && fore === behind) {
      for (let i = 0; i < fore.lightness.length; i++) if (!fits(i, i)) bar(fore, i);
      return;
    }
    const [light, dark] = way.lighter ? [fore, behind] : [behind, fore];
    const ok = (lightAt: number | null, darkAt: number | null): boolean => (way.lighter ? fits(lightAt, darkAt) : fits(darkAt, lightAt));
    if (!light || !dark) {
      const only = light ?? dark;
      if (!only) {
        if (!ok(null, null)) cut.connect(0, 1, UNCUTTABLE);
        return;
      }
      for (let i = 0; i < only.lightness.length; i++) if (!(light ? ok(i, null) : ok(null, i))) bar(only, i);
      return;
    }
    let least = 0;
    for (let j = 0; j < dark.lightness.length; j++) {
      const before = least;
      while (least < light.lightness.length && !ok(least, j)) least++;
      if (least > before) cut.connect(atLeast(dark, j), atLeast(light, least), UNCUTTABLE);
      if (least >= light.lightness.length) break;
    }
  }

  function bar(variable: Variable, index: number): void {
    barred.set(variable, (barred.get(variable) ?? new Set()).add(index));
  }
}
