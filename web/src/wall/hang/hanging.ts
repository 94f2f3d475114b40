/**
 * Pages whose frames are kept at most and at least: two frames each, beside the few that read the layout out of sight.
 * Each costs the browser about half a megabyte before anything is in it.
 */
export const MOST_HANGING = 17;
const LEAST_HANGING = 8;
/** So many more than are near stay, for who looks back and forth. */
const SPARE = 1;

/**
 * Which pages have frames: those near the eye, and of the others as many as may be
 * kept, so that nothing is filled twice that was just looked at. The one that
 * goes first is the farthest from what is near. The same set comes back when
 * nothing changes.
 *
 * @param order all pages in their order on the wall
 * @param before those that have frames now
 * @param near those in sight or about to be
 * @param kept the page that is grown or in hand: it never goes
 */
export function hanging(
  order: readonly string[],
  before: ReadonlySet<string>,
  near: ReadonlySet<string>,
  kept: string | null,
  limit = MOST_HANGING,
): ReadonlySet<string> {
  if (order.length <= limit)
    return order.length === before.size && order.every((id) => before.has(id)) ? before : new Set(order);
  const most = Math.min(limit, Math.max(LEAST_HANGING, near.size + SPARE));
  const at = new Map(order.map((id, i) => [id, i]));
  const wanted = [...near].filter((id) => at.has(id));
  const places = wanted.map((id) => at.get(id)!);
  const middle = places.length === 0 ? 0 : (Math.min(...places) + Math.max(...places)) / 2;
  const far = (id: string): number => (id === kept ? -1 : Math.abs(at.get(id)! - middle));
  const all = new Set([
    ...wanted,
    ...[...before].filter((id) => at.has(id)),
    ...(kept !== null && at.has(kept) ? [kept] : []),
    ...(before.size === 0 ? order.slice(0, most) : []),
  ]);
  const next = [...all].sort((name, other) => far(name) - far(other)).slice(0, most);
  return next.length === before.size && next.every((id) => before.has(id)) ? before : new Set(next);
}

/** Pages that have their frame, at either width. */
export interface Hung {
  readonly wide: ReadonlySet<string>;
  readonly narrow: ReadonlySet<string>;
}
export const NONE_HUNG: Hung = { wide: new Set(), narrow: new Set() };

/**
 * One frame nearer to what shall hang: taken away, or filled. To fill a page at both
 * widths and to take another away in one turn holds the desk four times as long.
 * Where nothing hangs yet, all of it at once. The same object when all is done.
 *
 * @param shall pages that shall have both frames and no others, the most wanted first
 * @param kept the page that is grown or in hand: it is filled at once
 */
export function oneFrameOn(hung: Hung, shall: readonly string[], kept: string | null = null): Hung {
  const wanted = new Set(shall);
  if (hung.wide.size === 0) return wanted.size === 0 ? hung : { wide: wanted, narrow: wanted };
  if (kept !== null && wanted.has(kept) && !(hung.wide.has(kept) && hung.narrow.has(kept)))
    return { wide: new Set([...hung.wide, kept]), narrow: new Set([...hung.narrow, kept]) };
  const without = (all: ReadonlySet<string>, id: string): ReadonlySet<string> =>
    new Set([...all].filter((entry) => entry !== id));
  // Frames are removed before new ones are added, so that there are never too many.
  if (hung.wide.size + hung.narrow.size >= 2 * wanted.size) {
    const goes = [...hung.narrow].find((id) => !wanted.has(id));
    if (goes !== undefined) return { ...hung, narrow: without(hung.narrow, goes) };
    const last = [...hung.wide].find((id) => !wanted.has(id));
    if (last !== undefined) return { ...hung, wide: without(hung.wide, last) };
  }
  const comes = shall.find((id) => !hung.wide.has(id) || !hung.narrow.has(id));
  if (comes === undefined) return hung;
  return hung.wide.has(comes)
    ? { ...hung, narrow: new Set([...hung.narrow, comes]) }
    : { ...hung, wide: new Set([...hung.wide, comes]) };
}
