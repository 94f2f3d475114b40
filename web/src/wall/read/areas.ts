import { siteIndex, tokenTable, pageTree, type Site } from '@yohaku/core';

/** Painted area in CSS px² by the token that fills it, on one page. */
export type Areas = ReadonlyMap<string, number>;

/**
 * Measures in the real layout what each token fills: every place with a fill,
 * less what is filled upon it. Letters and pictures are not counted.
 */
export function measureAreas(document: Document, site: Site, page: string): Areas {
  const index = siteIndex(site);
  const table = tokenTable(site.brand);
  const areas = new Map<string, number>();
  const own = new Map<string, number>();
  const filled = pageTree(site, page).places.filter((place) =>
    index.groupOf.get(place)!.painting.at('background-color', 'rest', 'desktop'),
  );
  for (const place of filled) {
    const rect = document.querySelector(`[data-place="${place.id}"]`)?.getBoundingClientRect();
    if (!rect) continue;
    const area = rect.width * rect.height;
    own.set(place.id, (own.get(place.id) ?? 0) + area);
    if (place.under) own.set(place.under.id, (own.get(place.under.id) ?? 0) - area);
  }
  for (const place of filled) {
    const cell = index.groupOf.get(place)!.painting.at('background-color', 'rest', 'desktop')!;
    let path = cell.override
      ? cell.override.value.kind === 'token'
        ? cell.override.value.path
        : undefined
      : (cell.token ?? undefined);
    for (let i = 0; path && table.get(path)?.alias && i < 20; i++) path = table.get(path)!.alias;
    const area = Math.max(0, own.get(place.id) ?? 0);
    if (path && area > 0) areas.set(path, (areas.get(path) ?? 0) + area);
  }
  return areas;
}
