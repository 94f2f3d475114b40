import type { Override, Site } from '../site/index.ts';
import { tokenTable } from '../style/index.ts';
import { looseSection, pageTree, structureKey, withCommonEnds, type Place } from '../page/index.ts';

/** A value set on a place that is not there, or that names a token that is not. */
export interface LooseOverride {
  /** Address of the record it is kept in. */
  readonly record: readonly string[];
  readonly override: Override;
  readonly lacks: 'place' | 'token';
}

/**
 * All such values of a site whose references are whole. Pages are taken apart only
 * where values are set, and of those only the ones that are built otherwise than in `before`, which had none.
 */
export function looseOverrides(site: Site, before?: Site): LooseOverride[] {
  const table = tokenTable(site.brand);
  const builtAlike =
    before !== undefined &&
    before.shared === site.shared &&
    before.assets === site.assets &&
    before.items === site.items &&
    before.collections === site.collections &&
    structureKey(before) === structureKey(site);
  const loose: LooseOverride[] = [];
  const look = (
    record: readonly string[],
    overrides: Readonly<Record<string, Override>>,
    isThere: (place: string) => boolean,
  ) => {
    for (const override of Object.values(overrides)) {
      if (!isThere(override.place)) loose.push({ record, override, lacks: 'place' });
      else if (override.value.kind === 'token' && !table.has(override.value.path))
        loose.push({ record, override, lacks: 'token' });
    }
  };
  look(['shared', 'overrides'], site.shared.overrides, (place) => builtAlike || isUsed(site, place));
  for (const [id, page] of Object.entries(site.pages)) {
    const same = builtAlike && before.pages[id] === page;
    look(['pages', id, 'overrides'], page.overrides, (place) => same || idsOf(pageTree(site, id).places).has(place));
  }
  return loose;
}

const ids = new WeakMap<readonly Place[], ReadonlySet<string>>();

function idsOf(places: readonly Place[]): ReadonlySet<string> {
  let known = ids.get(places);
  if (!known) ids.set(places, (known = new Set(places.map((place) => place.id))));
  return known;
}

/**
 * Returns true if an id names a place wherever it is used: in the header, the footer or a shared section, whether a
 * page shows that or not.
 */
function isUsed(site: Site, place: string): boolean {
  const [owner, within] = place.split(':');
  const section = within === undefined ? undefined : site.shared.sections[owner!];
  if (section)
    return looseSection(site, section, { shared: section.id }).places.some((entry) => entry.usedId === place);
  const [first] = site.pageOrder;
  return first !== undefined && pageTree(withCommonEnds(site), first).places.some((entry) => entry.usedId === place);
}

/** Ids that stand for two places of one page, for pages that differ from those of `before`. */
export function doublePlaces(site: Site, before?: Site): { readonly page: string; readonly place: string }[] {
  const shared = before !== undefined && before.shared === site.shared;
  const found: { page: string; place: string }[] = [];
  for (const [id, page] of Object.entries(site.pages)) {
    // A page that is the same can only have doubled what is shared.
    if (shared && page === before.pages[id]) continue;
    if (
      before &&
      page === before.pages[id] &&
      page.header === undefined &&
      page.footer === undefined &&
      page.sectionOrder.every((entry) => !('shared' in page.sections[entry]!)) &&
      before.shared.header === site.shared.header &&
      before.shared.footer === site.shared.footer
    )
      continue;
    found.push(...twice(pageTree(site, id).places).map((place) => ({ page: id, place })));
  }
  if (!shared)
    for (const section of Object.values(site.shared.sections))
      found.push(...twice(looseSection(site, section).places).map((place) => ({ page: section.id, place })));
  return found;
}

/** Ids that more than one of these places have. */
function twice(places: readonly Place[]): string[] {
  const seen = new Set<string>();
  return places.flatMap(({ id }) => {
    if (seen.has(id)) return [id];
    seen.add(id);
    return [];
  });
}
