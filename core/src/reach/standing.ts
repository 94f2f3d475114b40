import type { Override, Site } from '../site/index.ts';
import type { Place } from '../page/index.ts';
import { placesIn, type Group } from './group.ts';
import { siteIndex } from './site-index.ts';
import { placeKey } from './place-key.ts';

/** How a place stands, its worst property counting: stray, then held, then bound. */
export type Standing = 'bound' | 'held' | 'stray';

/**
 * How one value set on a place counts: by token it is bound, left with a reason or set on purpose it is held, else a
 * stray.
 */
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

/**
 * A value set on a place, with the place it is seen at (the first page for shared parts) and how many places show it.
 */
export interface SetValue {
  readonly override: Override;
  readonly standing: Standing;
  /** To ask for it takes its page apart; to count them does not. */
  readonly place: Place | null;
  readonly count: number;
  /** Address of the record it is kept in. */
  readonly record: readonly string[];
}

/**
 * All values set on places, strays first, then held, then bound ones. A value whose place is gone keeps `place` null.
 */
export function setValues(site: Site): SetValue[] {
  const index = siteIndex(site);
  const rank: Record<Standing, number> = { stray: 0, held: 1, bound: 2 };
  // Overrides are part of a look's key, so no page has to be built to find and count them.
  const looks = new Map<Override, Set<Group>>();
  for (const group of index.groups)
    for (const override of group.painting.overrides) looks.set(override, (looks.get(override) ?? new Set()).add(group));
  const valueOf = (
    override: Override,
    record: readonly string[],
    placeOf: (groups: ReadonlySet<Group>) => Place | undefined,
  ): SetValue => {
    const groups = looks.get(override) ?? new Set();
    return {
      override,
      standing: overrideStanding(override),
      record,
      count: placesIn(groups),
      get place() {
        return groups.size > 0 ? (placeOf(groups) ?? null) : null;
      },
    };
  };
  return [
    ...Object.values(site.shared.overrides).map((override) =>
      valueOf(override, ['shared', 'overrides'], (groups) => index.firstOf(groups)),
    ),
    ...site.pageOrder.flatMap((id) =>
      Object.values(site.pages[id]!.overrides).map((override) =>
        valueOf(override, ['pages', id, 'overrides'], () =>
          index.byAddress.get(placeKey({ page: id, id: override.place })),
        ),
      ),
    ),
  ].sort((value, other) => rank[value.standing] - rank[other.standing]);
}
