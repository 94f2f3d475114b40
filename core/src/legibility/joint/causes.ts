import type { Site } from '../../site/index.ts';
import { swatchPath, tokenTable } from '../../style/index.ts';
import type { Pair } from '../pairs.ts';
import { paintsOf, rootOf } from './paints.ts';
import { Search, constraintsOf, type Constraint } from './search.ts';

/** Why pairs cannot all hold, as one cause in words, with the change that would free them. */
export interface JointConflict {
  readonly pairs: readonly Pair[];
  readonly words: string;
}

/** Pairs named in one sentence; of the others their number is told. */
const NAMED = 4;

/**
 * Why sets of constraints cannot hold, cause by cause: sets that hang on the
 * same colours that stay are one cause. Each is one sentence, with the colour
 * that has to be let go for all of it to hold, where there is one.
 *
 * @param locked ids of swatches that stay besides those locked in the brand
 */
export function causesOf(
  site: Site,
  culprits: readonly (readonly Constraint[])[],
  locked: ReadonlySet<string>,
): JointConflict[] {
  const causes = new Map<string, { stays: readonly string[]; constraints: Constraint[] }>();
  for (const constraints of culprits) {
    const swatches = [...new Set(constraints.flatMap((constraint) => swatchesOf(site, constraint.pair, locked)))];
    const stays = swatches.filter((id) => locked.has(id) || site.brand.swatches[id]!.locked).sort();
    // Without any that stays each set is a cause of its own: they ask opposite things of a colour.
    const key = stays.length > 0 ? stays.join(' ') : `between ${swatches.sort().join(' ')}`;
    const known = causes.get(key);
    if (known) known.constraints.push(...constraints);
    else causes.set(key, { stays, constraints: [...constraints] });
  }
  return [...causes.values()].map(({ stays, constraints }) => {
    const pairs = constraints.flatMap((constraint) =>
      constraint.all.filter((pair) => pair.needed === constraint.pair.needed),
    );
    return { pairs, words: words(site, pairs, stays, constraints, locked) };
  });
}

function words(
  site: Site,
  pairs: readonly Pair[],
  stays: readonly string[],
  constraints: readonly Constraint[],
  locked: ReadonlySet<string>,
): string {
  const label = (id: string) => site.brand.swatches[id]!.label;
  // One of each kind first: a button's label is not found by a designer who reads of links alone.
  const kinds = pairs.filter((pair, i) => pairs.findIndex((entry) => entry.kind === pair.kind) === i);
  const named = [...new Set([...kinds, ...pairs].map((pair) => nameOf(site, pair)))];
  const list = `${named.slice(0, NAMED).join('; ')}${named.length > NAMED ? `; and ${named.length - NAMED} more` : ''}`;
  if (stays.length === 0) {
    const asked = [...new Set(constraints.flatMap((constraint) => swatchesOf(site, constraint.pair, locked)))].map(
      label,
    );
    return `These need opposite changes of ${sentence(asked) || 'the values set there'}: ${list}. Give one of them its own colour.`;
  }
  const free = stays.find((id) => holdsWithout(site, constraints, [id], locked));
  const way = free
    ? `Unlock ${label(free)} to fix ${named.length === 1 ? 'it' : 'all of these'}.`
    : stays.length > 1 && holdsWithout(site, constraints, stays, locked)
      ? `Unlock ${sentence(stays.map(label))} to fix ${named.length === 1 ? 'it' : 'all of these'}.`
      : 'No lightness works; choose another colour for one side.';
  return `While ${sentence(stays.map(label))} ${stays.length === 1 ? 'is' : 'are'} locked, ${named.length === 1 ? 'this pair cannot pass' : 'these pairs cannot pass'}: ${list}. ${way}`;
}

/** Returns true if constraints can hold once some swatches may move. */
function holdsWithout(
  site: Site,
  constraints: readonly Constraint[],
  free: readonly string[],
  locked: ReadonlySet<string>,
): boolean {
  const swatches = { ...site.brand.swatches };
  for (const id of free) swatches[id] = { ...swatches[id]!, locked: false };
  const pairs = constraints.flatMap((constraint) => constraint.all);
  const paints = paintsOf(
    { ...site, brand: { ...site.brand, swatches } },
    pairs,
    new Set([...locked].filter((id) => !free.includes(id))),
  );
  const variables = [...new Set([...paints.values()].map((paint) => paint.variable))];
  const search = new Search(variables, paints, new Map(variables.map((variable) => [variable, variable.current])));
  return search.canHold(constraintsOf(pairs));
}

/** The swatches that a pair's colours hang on, by id: one that stays itself, else the one it follows in the end. */
function swatchesOf(site: Site, pair: Pair, locked: ReadonlySet<string>): string[] {
  const byPath = new Map(site.brand.swatchOrder.map((id) => [swatchPath(site.brand.swatches[id]!), id]));
  return [
    ...new Set(
      [...pair.fores, ...pair.behind!].flatMap((layer) => {
        const id = byPath.get(layer.chain.at(-1) ?? '');
        return id === undefined
          ? []
          : [locked.has(id) || site.brand.swatches[id]!.locked ? id : rootOf(site.brand, id)];
      }),
    ),
  ];
}

function nameOf(site: Site, pair: Pair): string {
  const table = tokenTable(site.brand);
  const path = pair.fores[0]!.chain[0];
  const behind = pair.behind![0]?.chain.at(-1);
  return `${path ? table.get(path)!.label : 'a value set on a place'} against ${behind ? table.get(behind)!.label : site.brand.grounds[pair.ground]!.label} (needs ${pair.needed})`;
}

const sentence = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
