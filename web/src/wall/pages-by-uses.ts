import { siteIndex, usesOfTokens, type Site } from '@yohaku/core';

/** So many pages are compared; the others of a large site come after them. */
const COMPARED = 40;

/** Returns the pages with places that a token paints, the one with most of them first; equal ones in page order. */
export function pagesByUses(site: Site, token: string): string[] {
  const groups = new Set(usesOfTokens(site, token).groups);
  const index = siteIndex(site);
  return index
    .pagesWith(groups)
    .slice(0, COMPARED)
    .map((page) => ({ page, places: index.placesOn(page, groups).length }))
    .sort((a, b) => b.places - a.places)
    .map(({ page }) => page);
}
