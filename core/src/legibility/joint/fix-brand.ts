import { deltaERgb, hex, oklchText, parseColor, type Oklch } from '../../color/index.ts';
import type { Op } from '../../change/index.ts';
import { placesOf } from '../../reach/index.ts';
import type { Site } from '../../site/index.ts';
import { tokenTable } from '../../style/index.ts';
import { occurringPairs, type Pair } from '../pairs.ts';
import { colorAt, paintsOf, type Paint, type Variable } from './paints.ts';
import { causesOf, type JointConflict } from './causes.ts';
import { Search, constraintsOf, type Constraint } from './search.ts';
import { holds, type Assignment } from './solve.ts';

/** One colour that a joint fix moves. */
export interface JointMove {
  /** Swatch id; null for a raw value in a role. */
  readonly swatch: string | null;
  readonly label: string;
  readonly from: string;
  readonly to: string;
  readonly deltaE: number;
  /** Places that change, those of swatches that follow it among them. */
  readonly places: number;
  readonly ops: readonly Op[];
}

export interface JointFix {
  readonly moves: readonly JointMove[];
  /** The reasons why pairs cannot all pass while swatches are locked; these pairs stay as they are. */
  readonly conflicts: readonly JointConflict[];
  /** Σ ΔE OK × places over everything that moves. */
  readonly movement: number;
  /** Pairs that failed and hold afterwards. */
  readonly fixed: number;
}

/** How far a joint fix has come: constraints looked at, of all there are. */
export type FixProgress = (done: number, of: number) => void;

/**
 * Moves the colours of a brand as little as possible so that every pair that
 * occurs can be read: lightness only, at constant hue, the sum of ΔE OK × places
 * being least. Which of two colours is the light one stays as it is wherever it
 * can be seen now. The answer is exact on a lattice of 200 lightnesses, then
 * drawn closer still; how much is tried is bounded. The same site and locks
 * always give the same answer.
 *
 * @param locked ids of swatches that stay, besides those locked in the brand
 */
export function fixBrand(
  site: Site,
  locked: ReadonlySet<string> = new Set(),
  pairs: readonly Pair[] = occurringPairs(site),
  progress: FixProgress = () => undefined,
): JointFix {
  // A label that a rule made plain, because no swatch reads on its fill, is made anew on any other fill.
  const table = tokenTable(site.brand);
  const madeAnew = ({ fores: [fore] }: Pair): boolean => table.get(fore?.chain.at(-1) ?? '')?.chooses === true;
  const rated = pairs.filter((pair) => pair.behind !== null && pair.found !== null && !madeAnew(pair));
  const failing = rated.filter((pair) => pair.found! < pair.needed);
  if (failing.length === 0) return { moves: [], conflicts: [], movement: 0, fixed: 0 };
  const paints = paintsOf(site, rated, locked);
  const variables = [...new Set([...paints.values()].map((paint) => paint.variable))];
  const start: Assignment = new Map(variables.map((variable) => [variable, variable.current]));
  const search = new Search(variables, paints, start);
  const asked = constraintsOf(rated);
  const { open, culprits } = withoutConflicts(search, asked, progress);
  const lightness = polish(
    variables,
    open.map((entry) => entry.pair),
    paints,
    search.best(open)!,
  );
  const moves = variables.flatMap((variable) => moveOf(site, variable, lightness.get(variable)!));
  const conflicts = causesOf(site, culprits, locked);
  const left = new Set(conflicts.flatMap((conflict) => conflict.pairs));
  progress(asked.length, asked.length);
  return {
    moves,
    conflicts,
    movement: variables.reduce((sum, variable) => sum + moved(variable, lightness.get(variable)!), 0),
    fixed: failing.filter((pair) => !left.has(pair)).length,
  };
}

/** The constraints that can hold together, and those left out for it, in sets that conflict. */
function withoutConflicts(
  search: Search,
  asked: readonly Constraint[],
  progress: FixProgress,
): { open: readonly Constraint[]; culprits: readonly (readonly Constraint[])[] } {
  const culprits: (readonly Constraint[])[] = [];
  let open: Constraint[] = [];
  // A pair that fails even alone is dropped first; a pair that needs less of the same two colours can still pass.
  const queue = [...asked];
  for (let constraint = queue.shift(); constraint; constraint = queue.shift()) {
    if (search.canHold([constraint])) open.push(constraint);
    else {
      culprits.push([constraint]);
      queue.unshift(...weaker(constraint));
    }
    progress(asked.length - queue.length, asked.length * 2);
  }
  while (!search.canHold(open)) {
    const found = search.culprits(open);
    culprits.push(found);
    open = [...open.filter((entry) => !found.includes(entry)), ...found.flatMap(weaker)];
  }
  return { open, culprits };
}

const weaker = (constraint: Constraint): Constraint[] =>
  constraintsOf(constraint.all.filter((pair) => pair.needed < constraint.pair.needed));

/** Draws what moved back towards where it was, as far as all pairs still hold; the lattice is left behind here. */
function polish(
  variables: readonly Variable[],
  pairs: readonly Pair[],
  paints: ReadonlyMap<string, Paint>,
  at: Assignment,
): Map<Variable, number> {
  const lightness = new Map(variables.map((variable) => [variable, variable.lightness[at.get(variable)!]!]));
  // Values off the lattice are asked for by putting them where the index points.
  const fine = new Map(
    [...paints].map(([path, paint]) => [path, { ...paint, values: [paint.at(lightness.get(paint.variable)!)] }]),
  );
  const put = (variable: Variable, value: number) => {
    for (const paint of variable.paints) fine.set(paint.path, { ...paint, values: [paint.at(value)] });
  };
  const still = () => pairs.every((pair) => holds(pair, fine, () => 0));
  if (!still()) return lightness;
  const order = variables
    .filter((variable) => lightness.get(variable) !== variable.base.l)
    .sort((variable, other) => moved(other, lightness.get(other)!) - moved(variable, lightness.get(variable)!));
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
  return variable.paints.reduce(
    (sum, paint) => sum + deltaERgb(paint.values[variable.current]!, paint.at(lightness)) * paint.places,
    0,
  );
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
    const [, , ground, , role] = variable.address as [string, string, string, string, string];
    const value = color.alpha < 1 ? oklchText(color) : to;
    return [
      {
        ...base,
        ops: [
          {
            op: 'set',
            at: [...variable.address],
            value: { kind: 'raw', color: value },
            was: site.brand.grounds[ground]!.roles[role],
          },
        ],
      },
    ];
  }
  const { color: was, typed } = site.brand.swatches[variable.swatch]!;
  // Written as the painted hex: what was rated is exactly what is kept.
  return [
    {
      ...base,
      ops: [
        { op: 'set', at: [...variable.address, 'color'], value: parseColor(to)!.oklch, was },
        { op: 'set', at: [...variable.address, 'typed'], value: to, was: typed },
      ],
    },
  ];
}
