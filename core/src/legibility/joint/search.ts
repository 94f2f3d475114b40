import type { Pair, PairLayer } from '../pairs.ts';
import type { Paint, Variable } from './paints.ts';
import { canHold, ratioUnder, relationOf, solve, type Assignment, type Relation, type Way } from './solve.ts';

/** Pairs between the same colours as the search sees them: the one that asks most stands for all. */
export interface Constraint {
  readonly pair: Pair;
  readonly all: readonly Pair[];
}

/** Pairs between the same colours are one constraint: the strictest of them. */
export function constraintsOf(pairs: readonly Pair[]): Constraint[] {
  const groups = new Map<string, Pair[]>();
  for (const pair of pairs) {
    const key = `${pair.fores.map(keyOf).join(' or ')} / ${pair.behind!.map(keyOf).join(' ')}`;
    groups.set(key, [...(groups.get(key) ?? []), pair]);
  }
  return [...groups.values()].map((all) => ({
    all,
    pair: all.reduce((pair, other) => (other.needed > pair.needed ? other : pair)),
  }));
}

/** From this ratio on it is seen which of two colours is the light one, and stays so. */
const SEEN = 1.25;
/** Up to so many open questions all answers are tried; above, one after the other. */
const ALL_ANSWERS = 8;
/** How many other answers are tried at most where there are more. */
const MOST_TURNS = 60;

const keyOf = (layer: PairLayer): string => layer.chain.at(-1) ?? layer.css;

/** The two colours that meet in a constraint by one of its foregrounds, the same whichever is in front. */
const meeting = ({ pair }: Constraint, fore: number): string =>
  [keyOf(pair.fores[fore]!), pair.behind!.map(keyOf).join('+')].sort().join(' ');

/** Returns true if the foreground is the colour whose key sorts first. */
const foreIsFirst = (constraint: Constraint, fore: number, key: string): boolean =>
  key.startsWith(`${keyOf(constraint.pair.fores[fore]!)} `);

/**
 * An order of all colours that meet (whether the one whose key sorts first is the lighter), and which foreground counts
 * in constraints that have two.
 */
interface Choice {
  readonly order: ReadonlyMap<string, boolean>;
  readonly fores: ReadonlyMap<Constraint, number>;
}

/** A question that the colours as they are leave open, and its other answer. */
type Turn = (from: Choice) => Choice;

/** Looks for lightnesses under which constraints hold. */
export class Search {
  readonly #variables: readonly Variable[];
  readonly #paints: ReadonlyMap<string, Paint>;
  readonly #start: Assignment;
  readonly #relations = new Map<Pair, Map<string, Relation>>();
  constructor(variables: readonly Variable[], paints: ReadonlyMap<string, Paint>, start: Assignment) {
    this.#variables = variables;
    this.#paints = paints;
    this.#start = start;
  }

  /** Returns true if constraints can hold together. */
  canHold(constraints: readonly Constraint[]): boolean {
    return this.#holding(constraints) !== undefined;
  }

  /** The least movement under which they hold; undefined when they cannot. */
  best(constraints: readonly Constraint[]): Assignment | undefined {
    const first = this.#holding(constraints);
    if (!first) return undefined;
    let choice = first;
    let best = this.#solve(constraints, choice);
    const turns = this.#turns(constraints, true);
    if (turns.length <= ALL_ANSWERS) {
      for (const other of answers(this.#asItIs(constraints), turns)) {
        const found = canHold(this.#variables, this.#related(constraints, other))
          ? this.#solve(constraints, other)
          : undefined;
        if (found && (!best || found.cost < best.cost - 1e-9)) best = found;
      }
      return best?.at;
    }
    let tried = 0;
    for (let better = true; better && tried < MOST_TURNS;) {
      better = false;
      for (const turn of turns) {
        if (++tried > MOST_TURNS) break;
        const turned = turn(choice);
        if (!canHold(this.#variables, this.#related(constraints, turned))) continue;
        const found = this.#solve(constraints, turned);
        if (found && (!best || found.cost < best.cost - 1e-9)) [best, choice, better] = [found, turned, true];
      }
    }
    return best?.at;
  }

  /**
   * A small set of constraints that cannot hold together: what is left when every other one is taken away (QuickXplain,
   * U. Junker, 2004).
   */
  culprits(constraints: readonly Constraint[]): Constraint[] {
    // Those that fail now are suspected first.
    const order = [...constraints].sort((constraint, other) => Number(fails(constraint)) - Number(fails(other)));
    return this.#explain([], order, false);
  }

  #explain(background: readonly Constraint[], open: readonly Constraint[], changed: boolean): Constraint[] {
    if (changed && !this.canHold(background)) return [];
    if (open.length === 1) return [...open];
    const middle = open.length >> 1;
    const [entry, other] = [open.slice(0, middle), open.slice(middle)];
    const inOther = this.#explain([...background, ...entry], other, true);
    const inOne = this.#explain([...background, ...inOther], entry, inOther.length > 0);
    return [...inOne, ...inOther];
  }

  /** A choice under which they hold: as it is, else with open questions answered otherwise. */
  #holding(constraints: readonly Constraint[]): Choice | undefined {
    const now = this.#asItIs(constraints);
    const fits = (choice: Choice) => canHold(this.#variables, this.#related(constraints, choice));
    if (fits(now)) return now;
    const turns = this.#turns(constraints, false);
    if (turns.length <= ALL_ANSWERS) return answers(now, turns).find(fits);
    return turns
      .slice(0, MOST_TURNS)
      .map((turn) => turn(now))
      .find(fits);
  }

  #related(constraints: readonly Constraint[], choice: Choice): Relation[] {
    return constraints.map((constraint) => {
      const way = wayIn(constraint, choice);
      let known = this.#relations.get(constraint.pair);
      if (!known) this.#relations.set(constraint.pair, (known = new Map()));
      const key = `${way.fore} ${way.lighter}`;
      let relation = known.get(key);
      if (!relation) known.set(key, (relation = relationOf(constraint.pair, way, this.#paints, this.#start)));
      return relation;
    });
  }

  #solve(constraints: readonly Constraint[], choice: Choice) {
    return solve(this.#variables, this.#related(constraints, choice));
  }

  #rated(constraint: Constraint): { ratio: number; lighter: boolean }[] {
    return constraint.pair.fores.map((_, fore) =>
      ratioUnder(constraint.pair, fore, this.#paints, (variable) => this.#start.get(variable)!),
    );
  }

  /** As the colours lie now, with the better foreground where there are two. */
  #asItIs(constraints: readonly Constraint[]): Choice {
    const order = new Map<string, boolean>();
    const fores = new Map<Constraint, number>();
    for (const constraint of constraints) {
      const rated = this.#rated(constraint);
      rated.forEach(({ lighter }, fore) => {
        const key = meeting(constraint, fore);
        order.set(key, foreIsFirst(constraint, fore, key) === lighter);
      });
      if (rated.length > 1) fores.set(constraint, rated[0]!.ratio >= rated[1]!.ratio ? 0 : 1);
    }
    return { order, fores };
  }

  /**
   * Returns the open choices: which colour is lighter where that is not visible, and which foreground must pass. `all`
   * includes passing pairs.
   */
  #turns(constraints: readonly Constraint[], all: boolean): Turn[] {
    const turns = new Map<string, Turn>();
    for (const constraint of constraints) {
      if (!all && !fails(constraint) && constraint.pair.fores.length < 2) continue;
      this.#rated(constraint).forEach(({ ratio }, fore) => {
        const key = meeting(constraint, fore);
        if (ratio < SEEN)
          turns.set(key, ({ order, fores }) => ({ order: new Map(order).set(key, !order.get(key)), fores }));
      });
      if (constraint.pair.fores.length > 1)
        turns.set(`${meeting(constraint, 0)} or ${meeting(constraint, 1)}`, ({ order, fores }) => ({
          order,
          fores: new Map(fores).set(constraint, 1 - fores.get(constraint)!),
        }));
    }
    return [...turns.values()];
  }
}

/** Every combination of answers, as it is first. */
function answers(now: Choice, turns: readonly Turn[]): Choice[] {
  return turns.reduce<Choice[]>((list, turn) => [...list, ...list.map(turn)], [now]);
}

function wayIn(constraint: Constraint, { order, fores }: Choice): Way {
  const fore = fores.get(constraint) ?? 0;
  const key = meeting(constraint, fore);
  return { fore, lighter: order.get(key)! === foreIsFirst(constraint, fore, key) };
}

const fails = ({ all }: Constraint): boolean => all.some((pair) => pair.found! < pair.needed);
