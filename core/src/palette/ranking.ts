import { clamp } from '../number/index.ts';
import { deltaE, rgb8ToOklab, type Oklab, type Rgb8 } from '../color/index.ts';
import type { PictureRole } from './extract.ts';

/** A colour that may be kept or dropped: found in sources, in the brand already, or both. */
export interface RankedColor {
  readonly id: string;
  readonly rgb: Rgb8;
  /** Largest share of a picture's area or of a text's uses, 0 to 1. */
  readonly extent: number;
  readonly role: PictureRole;
  /** Sources in which it occurs. */
  readonly pieces: number;
  /** Places of the site that it paints now, and pairs in which it stands. */
  readonly places: number;
  readonly pairs: number;
  /** A locked swatch comes first and is never dropped. */
  readonly locked: boolean;
}

/** The published score: what each part counts for; together 100. */
export const SIFT_WEIGHTS = { extent: 30, role: 25, spread: 15, apart: 20, use: 10 } as const;
export type RankingPart = keyof typeof SIFT_WEIGHTS;

/** The weight of a role, 0 to 1: highest for a signal, lowest for an ornament. */
const ROLE: Record<PictureRole, number> = { signal: 1, text: 0.8, ground: 0.7, ornament: 0.2 };
/** ΔE OK at which a colour is fully apart from those before it. */
const FULLY_APART = 0.2;
/**
 * ΔE OK below which two colours count as one: half of what is just noticeable side by side, so that white and a paper
 * white stay two.
 */
export const ALIKE = 0.01;

export interface Ranking<C extends RankedColor = RankedColor> {
  readonly color: C;
  /** 0 to 100. */
  readonly score: number;
  /** Points of each part; they add up to the score. */
  readonly parts: Readonly<Record<RankingPart, number>>;
  /** The nearest colour before it in the order, and how far it is (ΔE OK); null for the first. */
  readonly near: { readonly id: string; readonly deltaE: number } | null;
}

/**
 * All colours in the order in which they are worth keeping, best first.
 *
 * Each next colour is the one with the highest score given those before it:
 * extent (square root of its share), role, spread over the sources,
 * use on the site (square root of its share of the places), and how far apart
 * it is from the nearest colour before it. Locked ones come first. Equal scores
 * go by the larger extent, then by id, so the order never depends on chance.
 *
 * @param pieces how many sources there are
 */
export function ranking<C extends RankedColor>(colors: readonly C[], pieces: number): Ranking<C>[] {
  const allPlaces = Math.max(1, ...colors.map((color) => color.places));
  const labs = new Map(colors.map((color) => [color.id, rgb8ToOklab(color.rgb)]));
  const order: Ranking<C>[] = [];
  const left = new Set(colors);
  while (left.size > 0) {
    let best: Ranking<C> | undefined;
    for (const color of left) {
      const near = nearest(
        labs.get(color.id)!,
        order.map((entry) => entry.color.id),
        labs,
      );
      const share: Record<RankingPart, number> = {
        extent: Math.sqrt(clamp(color.extent, 0, 1)),
        role: ROLE[color.role],
        spread: pieces > 0 ? clamp(color.pieces / pieces, 0, 1) : 0,
        apart: near ? clamp(near.deltaE / FULLY_APART, 0, 1) : 1,
        use: Math.sqrt(color.places / allPlaces),
      };
      const parts = Object.fromEntries(
        Object.entries(SIFT_WEIGHTS).map(([part, weight]) => [part, weight * share[part as RankingPart]]),
      ) as Record<RankingPart, number>;
      const candidate = { color, parts, near, score: Object.values(parts).reduce((sum, part) => sum + part, 0) };
      if (!best || before(candidate, best)) best = candidate;
    }
    order.push(best!);
    left.delete(best!.color);
  }
  return order;
}

function before(entry: Ranking, other: Ranking): boolean {
  if (entry.color.locked !== other.color.locked) return entry.color.locked;
  if (entry.score !== other.score) return entry.score > other.score;
  if (entry.color.extent !== other.color.extent) return entry.color.extent > other.color.extent;
  return entry.color.id < other.color.id;
}

function nearest(
  lab: Oklab,
  ids: readonly string[],
  labs: ReadonlyMap<string, Oklab>,
): { id: string; deltaE: number } | null {
  let found: { id: string; deltaE: number } | null = null;
  for (const id of ids) {
    const distance = deltaE(lab, labs.get(id)!);
    if (!found || distance < found.deltaE) found = { id, deltaE: distance };
  }
  return found;
}

/** The cost of dropping one colour, given the included ones. */
export interface Drop<C extends RankedColor = RankedColor> {
  readonly color: C;
  /** The nearest colour that is kept; null when none is. */
  readonly replacement: C | null;
  /** ΔE OK to the replacement; Infinity without one. */
  readonly deltaE: number;
}

/** For every colour not kept: its replacement among the kept, and how far that is. */
export function drops<C extends RankedColor>(colors: readonly C[], kept: ReadonlySet<string>): Drop<C>[] {
  const labs = new Map(colors.map((color) => [color.id, rgb8ToOklab(color.rgb)]));
  const byId = new Map(colors.map((color) => [color.id, color]));
  const ids = colors.filter((color) => kept.has(color.id)).map((color) => color.id);
  return colors
    .filter((color) => !kept.has(color.id))
    .map((color) => {
      const near = nearest(labs.get(color.id)!, ids, labs);
      return { color, replacement: near ? byId.get(near.id)! : null, deltaE: near?.deltaE ?? Infinity };
    });
}

/**
 * Cost of keeping only the first 1, 2, … of an order: for every dropped colour
 * its distance (ΔE OK) to the nearest kept one, weighted by what it covers (half
 * its share of the sources, half its share of the places), in thousandths.
 */
export function costCurve(order: readonly RankedColor[]): number[] {
  const extents = order.reduce((sum, color) => sum + color.extent, 0) || 1;
  const places = order.reduce((sum, color) => sum + color.places, 0) || 1;
  const labs = order.map((color) => rgb8ToOklab(color.rgb));
  const least = order.map(() => Infinity);
  return order.map((_, last) => {
    let cost = 0;
    order.forEach((color, i) => {
      least[i] = Math.min(least[i]!, deltaE(labs[i]!, labs[last]!));
      cost += least[i] * (0.5 * (color.extent / extents) + 0.5 * (color.places / places));
    });
    return cost * 1000;
  });
}

/**
 * The best trade-off of a falling curve: the number kept (from 1) after which more brings
 * little, as the point farthest below the straight line between the ends
 * (Satopää and others 2011, "Finding a Kneedle in a Haystack").
 */
export function bestTradeOff(costs: readonly number[]): number {
  const first = costs[0] ?? 0;
  const last = costs.at(-1) ?? 0;
  if (costs.length < 3 || first <= last) return costs.length;
  let best = 0;
  let farthest = -Infinity;
  costs.forEach((cost, i) => {
    const below = 1 - i / (costs.length - 1) - (cost - last) / (first - last);
    if (below > farthest + 1e-12) {
      farthest = below;
      best = i;
    }
  });
  return best + 1;
}

/**
 * Joins colours that nobody can tell apart: the one that covers most leads its group. Groups in the order of their
 * leads.
 */
export function mergeAlike<
  C extends { readonly rgb: Rgb8; readonly extent: number; readonly places: number; readonly locked: boolean },
>(colors: readonly C[]): { readonly lead: C; readonly all: readonly C[] }[] {
  const weight = (entry: C) => (entry.locked ? 1e9 : 0) + entry.places * 1e3 + entry.extent;
  const groups: { lead: C; lab: Oklab; all: C[] }[] = [];
  for (const color of [...colors].sort((entry, other) => weight(other) - weight(entry))) {
    const lab = rgb8ToOklab(color.rgb);
    const same = groups.find((group) => deltaE(group.lab, lab) < ALIKE);
    if (same) same.all.push(color);
    else groups.push({ lead: color, lab, all: [color] });
  }
  return groups;
}
