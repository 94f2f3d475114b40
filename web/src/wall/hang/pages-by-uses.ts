import { siteIndex, usesOfTokens, type Site } from '@yohaku/core';
import { onWall } from './hold-still.ts';

/** So many pages are compared; the others of a large site come after them. */
const COMPARED = 40;

/** Returns the pages with places that a token paints, the one with most of them first; equal ones in page order. */
function pagesByUses(site: Site, token: string): string[] {
  const groups = new Set(usesOfTokens(site, token).groups);
  const index = siteIndex(site);
  return index
    .pagesWith(groups)
    .slice(0, COMPARED)
    .map((page) => ({ page, places: index.placesOn(page, groups).length }))
    .sort((a, b) => b.places - a.places)
    .map(({ page }) => page);
}

/** Scrolls the wall to the page with the most places of a token, unless all of that page is in sight. */
export function showMostUses(site: Site, row: HTMLElement, token: string): void {
  const [page] = pagesByUses(site, token);
  const pair = page === undefined ? null : document.getElementById(`page-${page}`);
  if (!pair) return;
  const { left } = onWall(row, pair);
  if (left >= row.scrollLeft && left + pair.offsetWidth <= row.scrollLeft + row.clientWidth) return;
  row.scrollTo({ left: Math.max(0, left - 20) });
}
