import { publishedPage, siteIndex, usesOfTokens, type Group, type Site } from '@yohaku/core';
import type { PlaceRef } from '../../state/index.ts';

/** A place of a token, or one of several places shown side by side, as a crop of its section. */
export interface ReachPanel {
  readonly key: string;
  readonly label: string;
  readonly count: number;
  readonly page: string;
  readonly part: string;
  readonly place: string;
}

/** Each of some places as a crop of its section, named by page and section. */
export function togetherPanels(site: Site, refs: readonly PlaceRef[]): ReachPanel[] {
  const { byAddress } = siteIndex(site);
  return refs.flatMap(({ page, id }): ReachPanel[] => {
    const place = byAddress.get(`${page} ${id}`);
    return place
      ? [
          {
            key: `${page} ${id}`,
            label: `${publishedPage(site, page)!.title}: ${place.label}`,
            count: 1,
            page,
            part: place.section === 'page' ? 'header' : place.section,
            place: id,
          },
        ]
      : [];
  });
}

/** The distinct looks a token paints, most frequent first, each as a crop of the section where it first occurs. */
export function reachPanels(site: Site, path: string): ReachPanel[] {
  const index = siteIndex(site);
  const { groups } = usesOfTokens(site, path);
  const seen = new Map<string, { group: Group; count: number }>();
  for (const group of groups) {
    const key = `${group.kind} ${group.ground} ${group.style ?? ''}`;
    const known = seen.get(key);
    if (known) known.count += group.count;
    else seen.set(key, { group, count: group.count });
  }
  return [...seen.entries()]
    .sort(([, entry], [, other]) => other.count - entry.count)
    .map(([key, { group, count }]) => {
      const place = index.firstOf(new Set([group]))!;
      const ground = site.brand.grounds[group.ground]?.label ?? '';
      const what =
        group.kind === 'text' && group.style
          ? site.brand.styles[group.style]!.label
          : group.kind === 'menu'
            ? 'Menu'
            : `${group.kind[0]!.toUpperCase()}${group.kind.slice(1)}`;
      return {
        key: `${key} ${place.page} ${place.id}`,
        label: `${what} on ${ground}`,
        count,
        page: place.page,
        part: place.section === 'page' ? 'header' : place.section,
        place: place.id,
      };
    });
}
