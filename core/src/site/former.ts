import type { Page, Site } from './site.ts';

/**
 * Addresses that lead on to a page: those that pages had while they were live, as far as no page has them now. In page
 * order, each once.
 */
export function formerAddresses(site: Site): Map<string, Page> {
  const taken = new Set(Object.values(site.pages).map((page) => page.file));
  const found = new Map<string, Page>();
  for (const id of site.pageOrder)
    for (const file of site.pages[id]!.former ?? [])
      if (!taken.has(file) && !found.has(file)) found.set(file, site.pages[id]!);
  return found;
}
