import { pageTree, plainText, siteIndex, type Inline, type Site } from '@yohaku/core';

/** The site's own words to set samples in: its longest first heading in short, and a sentence of its running text. */
export interface OwnWords { readonly heading: string; readonly sentence: string }

const words = new WeakMap<Site['pages'], OwnWords>();

/** Words of a site, the same while no page changes. */
export function ownWords(site: Site): OwnWords {
  const known = words.get(site.pages);
  if (known) return known;
  const home = site.pageOrder.find((id) => site.pages[id]!.file === 'index.html') ?? site.pageOrder[0]!;
  const found = {
    heading: textOf(site, home, (use) => use === 'heading') ?? site.name,
    sentence: textOf(site, home, (use) => use === 'running') ?? 'The quick ferry crosses in an hour and a half.',
  };
  words.set(site.pages, found);
  return found;
}

function textOf(site: Site, page: string, wanted: (use: string) => boolean): string | undefined {
  const place = pageTree(site, page).places.find((one) => one.kind === 'text' && one.words && one.style && wanted(site.brand.styles[one.style]!.use));
  let value: unknown = site;
  for (const part of place?.words ?? []) value = (value as Record<string, unknown>)[part];
  const text = Array.isArray(value) ? plainText(value as Inline[]) : typeof value === 'string' ? value : '';
  return text === '' ? undefined : text;
}

/** How many places a family role paints. */
export function placesInRole(site: Site, role: 'heading' | 'body'): number {
  return siteIndex(site).groups.reduce((sum, group) => sum + (group.style && site.brand.styles[group.style]?.family === role ? group.count : 0), 0);
}
