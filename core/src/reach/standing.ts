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
  // Every place is looked at once, and none where nothing is set for all pages.
  const uses = new Map<string, Place[]>();
  if (Object.keys(site.shared.overrides).length > 0) {
    const wanted = new Set(Object.values(site.shared.overrides).map((one) => one.place));
    for (const place of index.places) if (place.usedId !== null && wanted.has(place.usedId)) uses.set(place.usedId, [...(uses.get(place.usedId) ?? []), place]);
  }
  const list = (overrides: Record<string, Override>, record: readonly string[], placesAt: (id: string) => readonly Place[]): SetValue[] =>
    Object.values(overrides).map((override) => {
      const places = placesAt(override.place);
      return { override, standing: overrideStanding(override), place: places[0] ?? null, count: places.length, record };
    });
  return [
    ...list(site.shared.overrides, ['shared', 'overrides'], (id) => uses.get(id) ?? []),
    ...site.pageOrder.flatMap((id) => list(site.pages[id]!.overrides, ['pages', id, 'overrides'], (place) => {
      const found = index.byAddress.get(placeKey({ page: id, id: place }));
      return found ? [found] : [];
    })),
  ].sort((one, other) => rank[one.standing] - rank[other.standing]);
}
