import { deltaERgb, hex, oklchText, parseColor, type Oklch } from '../../color/index.ts';
import type { Op } from '../../change/index.ts';
import { placesOf } from '../../reach/index.ts';
import type { Site } from '../../site/index.ts';
import { tokenTable } from '../../style/index.ts';
import { occurringPairs, type Pair, type PairLayer } from '../pairs.ts';
import { colorAt, paintsOf, type Paint, type Variable } from './paints.ts';
import { holds, ratioUnder, solve, type Assignment, type Constraint, type Way } from './solve.ts';

/** One colour that a joint mend moves. */
export interface JointMove {
  /** Swatch id; null for a raw value in a slot. */
  readonly swatch: string | null;
  readonly label: string;
  readonly from: string;
  readonly to: string;
  readonly deltaE: number;
  /** Places that change, those of swatches that follow it among them. */
  readonly places: number;
  readonly ops: readonly Op[];
}

/** Pairs that cannot all hold, in words. */
export interface JointConflict {
  readonly pairs: readonly Pair[];
  readonly words: string;
}

export interface JointMend {
  readonly moves: readonly JointMove[];
  /** Sets of pairs that cannot hold together while the locks stand; they are left as they are. */
  readonly conflicts: readonly JointConflict[];
  /** Σ ΔE OK × places over everything that moves. */
  readonly movement: number;
  /** Pairs that failed and hold afterwards. */
  readonly mended: number;
}

/** Up to this many combinations of ways all are tried; above, one way after the other while that helps. */
const ALL_WAYS = 600;

/**
 * Moves the colours of a brand as little as possible so that every pair that
 * occurs can be read: lightness only, at constant hue, the sum of ΔE OK × places
 * being least. For a choice of which side of each pair is the lighter the
 * answer is exact on a lattice of 200 lightnesses, then drawn closer still.
 * The same site and locks always give the same answer.
 *
 * @param locked ids of swatches that stay, besides those locked in the brand
 */
export function mendBrand(site: Site, locked: ReadonlySet<string> = new Set(), pairs: readonly Pair[] = occurringPairs(site)): JointMend {
  const rated = pairs.filter((pair) => pair.behind !== null && pair.found !== null);
  const paints = paintsOf(site, rated, locked);
  const variables = [...new Set([...paints.values()].map((paint) => paint.variable))];
  const start: Assignment = new Map(variables.map((variable) => [variable, variable.current]));
  let open = constraintsOf(rated);
  const failing = rated.filter((pair) => pair.found! < pair.needed);
  if (failing.length === 0) return { moves: [], conflicts: [], movement: 0, mended: 0 };
  const search = new Search(variables, paints, start);
  const conflicts: JointConflict[] = [];
  let found = search.run(open);
  while (!found) {
    const culprits = search.culprits(open);
    const among = culprits.flatMap((one) => one.all.filter((pair) => pair.needed === one.pair.needed));
    conflicts.push({ pairs: among, words: conflictWords(site, among) });
    // What asks less of the same two colours is still to hold.
    open = [...open.filter((one) => !culprits.includes(one)), ...constraintsOf(culprits.flatMap((one) => one.all.filter((pair) => pair.needed < one.pair.needed)))];
    found = search.run(open);
  }
  const lightness = polish(variables, open.map((one) => one.pair), paints, found);
  const moves = variables.flatMap((variable) => moveOf(site, variable, lightness.get(variable)!));
  const left = new Set(conflicts.flatMap((one) => one.pairs));
  return {
    moves, conflicts, movement: variables.reduce((sum, variable) => sum + moved(variable, lightness.get(variable)!), 0),
    mended: failing.filter((pair) => !left.has(pair)).length,
  };
}

/** Pairs between the same colours are one constraint: the strictest of them. */
function constraintsOf(pairs: readonly Pair[]): Constraint[] {
  const groups = new Map<string, Pair[]>();
  for (const pair of pairs) {
    const key = `${pair.fores.map(keyOf).join(' or ')} / ${pair.behind!.map(keyOf).join(' ')}`;
    groups.set(key, [...(groups.get(key) ?? []), pair]);
  }
  return [...groups.values()].map((all) => ({ all, pair: all.reduce((one, other) => (other.needed > one.needed ? other : one)) }));
}

const keyOf = (layer: PairLayer): string => layer.chain.at(-1) ?? layer.css;

/** The two colours that meet in a constraint by one of its foregrounds, the same whichever is in front. */
const meeting = ({ pair }: Constraint, fore: number): string => [keyOf(pair.fores[fore]!), pair.behind!.map(keyOf).join('+')].sort().join(' ');

/** Which of two colours that meet is the lighter: the one whose key sorts first, or the other. */
type Order = ReadonlyMap<string, boolean>;
/** An order of all colours that meet, and which foreground counts in constraints that have two. */
interface Choice { readonly order: Order; readonly fores: ReadonlyMap<Constraint, number> }

class Search {
  readonly #variables: readonly Variable[];
  readonly #paints: ReadonlyMap<string, Paint>;
  readonly #start: Assignment;
  constructor(variables: readonly Variable[], paints: ReadonlyMap<string, Paint>, start: Assignment) {
    this.#variables = variables;
    this.#paints = paints;
    this.#start = start;
  }

  /** The best assignment found; undefined when the constraints cannot all hold. */
  run(constraints: readonly Constraint[]): Assignment | undefined {
    const doubles = constraints.filter((one) => one.pair.fores.length > 1);
    const meetings = [...new Set(constraints.flatMap((one) => one.pair.fores.map((_, fore) => meeting(one, fore))))];
    return 2 ** meetings.length * 2 ** doubles.length <= ALL_WAYS ? this.#everyWay(constraints, meetings, doubles) : this.#byTurns(constraints);
  }

  /** A small set of constraints that cannot hold together: one alone, else what is left when every other one is taken away (QuickXplain, U. Junker, 2004). */
  culprits(constraints: readonly Constraint[]): Constraint[] {
    const alone = constraints.find((one) => !this.run([one]));
    if (alone) return [alone];
    // Those that fail now are suspected first.
    const order = [...constraints].sort((one, other) => Number(fails(one)) - Number(fails(other)));
    return this.#explain([], order, false);
  }

  #explain(background: readonly Constraint[], open: readonly Constraint[], changed: boolean): Constraint[] {
    if (changed && !this.run(background)) return [];
    if (open.length === 1) return [...open];
    const middle = open.length >> 1;
    const [one, other] = [open.slice(0, middle), open.slice(middle)];
    const inOther = this.#explain([...background, ...one], other, true);
    const inOne = this.#explain([...background, ...inOther], one, inOther.length > 0);
    return [...inOne, ...inOther];
  }

  #solve(constraints: readonly Constraint[], choice: Choice) {
    return solve(this.#variables, constraints.map((one) => ({ ...one, way: this.#wayIn(one, choice) })), this.#paints, this.#start);
  }

  #wayIn(constraint: Constraint, { order, fores }: Choice): Way {
    const fore = fores.get(constraint) ?? 0;
    const key = meeting(constraint, fore);
    const foreIsFirst = key.startsWith(`${keyOf(constraint.pair.fores[fore]!)} `);
    return { fore, lighter: order.get(key)! === foreIsFirst };
  }

  /** As the colours lie now, with the better foreground where there are two. */
  #asItIs(constraints: readonly Constraint[]): Choice {
    const order = new Map<string, boolean>();
    const fores = new Map<Constraint, number>();
    for (const one of constraints) {
      const rated = one.pair.fores.map((_, fore) => ratioUnder(one.pair, fore, this.#paints, (variable) => this.#start.get(variable)!));
      rated.forEach(({ lighter }, fore) => {
        const key = meeting(one, fore);
        order.set(key, key.startsWith(`${keyOf(one.pair.fores[fore]!)} `) === lighter);
      });
      if (rated.length > 1) fores.set(one, rated[0]!.ratio >= rated[1]!.ratio ? 0 : 1);
    }
    return { order, fores };
  }

  #everyWay(constraints: readonly Constraint[], meetings: readonly string[], doubles: readonly Constraint[]): Assignment | undefined {
    let best: { cost: number; at: Assignment } | undefined;
    for (let bits = 0; bits < 2 ** (meetings.length + doubles.length); bits++) {
      const bit = (i: number) => Math.floor(bits / 2 ** i) % 2;
      const found = this.#solve(constraints, {
        order: new Map(meetings.map((key, i) => [key, bit(i) === 1])), fores: new Map(doubles.map((one, i) => [one, bit(meetings.length + i)])),
      });
      if (found && (!best || found.cost < best.cost)) best = found;
    }
    return best?.at;
  }

  /** From the order as it is, turns one meeting that fails, or all meetings of one of its colours, as long as that helps. */
  #byTurns(constraints: readonly Constraint[]): Assignment | undefined {
    let choice = this.#asItIs(constraints);
    let best = this.#solve(constraints, choice);
    const failing = constraints.filter(fails);
    const keys = [...new Set(failing.flatMap((one) => one.pair.fores.map((_, fore) => meeting(one, fore))))];
    const colors = [...new Set(keys.flatMap((key) => key.split(' ')))];
    const turns: ((from: Choice) => Choice)[] = [
      ...keys.map((key) => ({ order, fores }: Choice): Choice => ({ order: new Map(order).set(key, !order.get(key)), fores })),
      ...colors.flatMap((color) => [true, false].map((lighter) => ({ order, fores }: Choice): Choice => ({
        order: new Map([...order].map(([key, first]) => [key, key.startsWith(`${color} `) ? lighter : key.endsWith(` ${color}`) ? !lighter : first])), fores,
      }))),
      ...failing.filter((one) => one.pair.fores.length > 1).map((one) => ({ order, fores }: Choice): Choice => ({ order, fores: new Map(fores).set(one, 1 - fores.get(one)!) })),
    ];
    for (let round = 0; round < 3; round++) {
      let better = false;
      for (const turn of turns) {
        const turned = turn(choice);
        const found = this.#solve(constraints, turned);
        if (found && (!best || found.cost < best.cost - 1e-9)) [best, choice, better] = [found, turned, true];
      }
      if (!better) break;
    }
    return best?.at;
  }
}

const fails = ({ all }: Constraint): boolean => all.some((pair) => pair.found! < pair.needed);

/** Draws what moved back towards where it was, as far as all pairs still hold; the lattice is left behind here. */
function polish(variables: readonly Variable[], pairs: readonly Pair[], paints: ReadonlyMap<string, Paint>, at: Assignment): Map<Variable, number> {
  const lightness = new Map(variables.map((variable) => [variable, variable.lightness[at.get(variable)!]!]));
  // Values off the lattice are asked for by putting them where the index points.
  const fine = new Map([...paints].map(([path, paint]) => [path, { ...paint, values: [paint.at(lightness.get(paint.variable)!)] }]));
  const put = (variable: Variable, value: number) => {
    for (const paint of variable.paints) fine.set(paint.path, { ...paint, values: [paint.at(value)] });
  };
  const still = () => pairs.every((pair) => holds(pair, fine, () => 0));
  if (!still()) return lightness;
  const order = variables.filter((variable) => lightness.get(variable) !== variable.base.l).sort((one, other) => moved(other, lightness.get(other)!) - moved(one, lightness.get(one)!));
  for (const variable of order) {
    let [good, bad] = [lightness.get(variable)!, variable.base.l];
    for (let i = 0; i < 12; i++) {
      const middle = (good + bad) / 2;
      put(variable, middle);
      if (still()) good = middle;
      else bad = middle;
    }
    put(variable, good);
    lightness.set(variable, good);
  }
  return lightness;
}

function moved(variable: Variable, lightness: number): number {
  return variable.paints.reduce((sum, paint) => sum + deltaERgb(paint.values[variable.current]!, paint.at(lightness)) * paint.places, 0);
}

function moveOf(site: Site, variable: Variable, lightness: number): JointMove[] {
  const own = variable.paints[0]!;
  const [from, to] = [hex(own.values[variable.current]!), hex(own.at(lightness))];
  if (lightness === variable.base.l || from === to) return [];
  const color: Oklch = colorAt(variable, lightness);
  // A place that several of them paint changes once.
  const places = new Set(variable.paints.flatMap((paint) => placesOf(site, paint.path))).size;
  const deltaE = deltaERgb(own.values[variable.current]!, own.at(lightness));
  const base = { swatch: variable.swatch, label: variable.label, from, to, deltaE, places };
  if (variable.swatch === null) {
    const [, , ground, , slot] = variable.address as [string, string, string, string, string];
    const value = color.alpha < 1 ? oklchText(color) : to;
    return [{ ...base, ops: [{ op: 'set', at: [...variable.address], value: { kind: 'raw', color: value }, was: site.brand.grounds[ground]!.slots[slot] }] }];
  }
  const { color: was, typed } = site.brand.swatches[variable.swatch]!;
  // Written as the painted hex: what was rated is exactly what is kept.
  return [{ ...base, ops: [{ op: 'set', at: [...variable.address, 'color'], value: parseColor(to)!.oklch, was }, { op: 'set', at: [...variable.address, 'typed'], value: to, was: typed }] }];
}

function conflictWords(site: Site, pairs: readonly Pair[]): string {
  const table = tokenTable(site.brand);
  const name = (pair: Pair) => {
    const path = pair.fores[0]!.chain[0];
    const behind = pair.behind![0]?.chain.at(-1);
    return `${path ? table.get(path)!.label : 'a value set on a place'} on ${behind ? table.get(behind)!.label : site.brand.grounds[pair.ground]!.label} (needs ${pair.needed})`;
  };
  const names = [...new Set(pairs.map(name))];
  return names.length === 1 ? `${names[0]} cannot hold while its colours stay.` : `These cannot all hold: ${names.join('; ')}.`;
}

