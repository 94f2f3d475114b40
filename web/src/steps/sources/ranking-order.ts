import {
  costCurve,
  drops,
  bestTradeOff,
  ranking,
  type Candidate,
  type Drop,
  type Source,
  type Ranking,
} from '@yohaku/core';
import type { RankingChoice } from '../../state/index.ts';

/** The ranking with the designer’s choices: the included and the excluded colours in order, with the cost. */
export interface RankingOrder {
  readonly kept: readonly Ranking<Candidate>[];
  readonly dropped: readonly (Ranking<Candidate> & { readonly drop: Drop<Candidate> })[];
  /** Cost of keeping the best 1, 2, … of the order, in thousandths of ΔE OK. */
  readonly costs: readonly number[];
  readonly bestTradeOff: number;
  /** Cost of exactly what is kept. */
  readonly cost: number;
}

/**
 * Returns the included colours: every locked swatch, every colour included by the
 * designer, and the best others up to the wanted number, without excluded ones. Without
 * a number: all present swatches, and new colours up to the suggested size.
 */
export function rankingOrder(
  colors: readonly Candidate[],
  sources: readonly Source[],
  count: number | null,
  choices: Readonly<Record<string, RankingChoice>>,
): RankingOrder {
  const order = ranking(colors, sources.length);
  const costs = costCurve(order.map((entry) => entry.color));
  const bend = bestTradeOff(costs);
  const wants = ({ color }: Ranking<Candidate>) => color.locked || choices[color.id]?.keep === true;
  const open = order.filter((entry) => !wants(entry) && choices[entry.color.id]?.keep !== false);
  const certain = order.filter(wants);
  const room = count === null ? 0 : Math.max(0, count - certain.length);
  const chosen =
    count === null
      ? open.filter((entry) => entry.color.swatch !== null || order.indexOf(entry) < bend)
      : open.slice(0, room);
  const ids = new Set([...certain, ...chosen].map((entry) => entry.color.id));
  const byId = new Map(drops(colors, ids).map((drop) => [drop.color.id, drop]));
  const dropped = order
    .filter((entry) => !ids.has(entry.color.id))
    .map((entry) => ({ ...entry, drop: byId.get(entry.color.id)! }));
  const kept = order.filter((entry) => ids.has(entry.color.id));
  // The curve's own measure: kept first, so that its value at their number is what exactly these cost.
  const cost = kept.length > 0 ? costCurve([...kept, ...dropped].map((entry) => entry.color))[kept.length - 1]! : 0;
  return { kept, dropped, costs, bestTradeOff: bend, cost };
}
