import type { Override, Site } from '../site/index.ts';
import type { Place } from '../page/index.ts';
import { placeKey, siteIndex, type Group } from './site-index.ts';

/** How a place stands, its worst property counting: stray, then held, then bound. */
export type Standing = 'bound' | 'held' | 'stray';

/** How one value set on a place counts: by token it is bound, left with a reason or set on purpose it is held, else a stray. */
export function overrideStanding(override: Override): Standing {
  if (override.value.kind === 'token') return 'bound';
  return override.origin === 'set' || override.reason !== null ? 'held' : 'stray';
}

/** Standing of all places of a group. */
export function groupStanding(group: Group): Standing {
  let worst: Standing = 'bound';
  for (const override of group.painting.overrides) {
    const standing = overrideStanding(override);
    if (standing === 'stray') return 'stray';
    if (standing === 'held') worst = 'held';
  }
  return worst;
}

/** A value set on a place, with the place it is seen at (the first page for shared parts) and how many places show it. */
export interface SetValue {
  readonly override: Override;
  readonly standing: Standing;
  readonly place: Place | null;
  readonly count: number;
  /** Address of the record it is kept in. */
  readonly record: readonly string[];
}

/** All values set on places, strays first, then held, then bound ones. A value whose place is gone keeps `place` null. */
export function setValues(site: Site): SetValue[] {
  const index = siteIndex(site);
  const rank: Record<Standing, number> = { stray: 0, held: 1, bound: 2 };
  const valueOf = (override: Override, record: readonly string[], place: Place | null, count: number): SetValue => ({ override, standing: overrideStanding(override), place, count, record });
  return [
    // What is set wherever a place is used is among what its look is told apart by: no page is taken apart to count it.
    ...Object.values(site.shared.overrides).map((override) => {
      const groups = new Set(index.groups.filter((group) => group.painting.set.used.includes(override)));
      return valueOf(override, ['shared', 'overrides'], index.firstOf(groups) ?? null, [...groups].reduce((sum, group) => sum + group.count, 0));
    }),
    ...site.pageOrder.flatMap((id) => Object.values(site.pages[id]!.overrides).map((override) => {
      const place = index.byAddress.get(placeKey({ page: id, id: override.place })) ?? null;
      return valueOf(override, ['pages', id, 'overrides'], place, place ? 1 : 0);
    })),
  ].sort((one, other) => rank[one.standing] - rank[other.standing]);
}
