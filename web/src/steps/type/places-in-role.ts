import { siteIndex, type Site } from '@yohaku/core';

/** How many places a family role paints. */
export function placesInRole(site: Site, role: 'heading' | 'body'): number {
  return siteIndex(site).groups.reduce(
    (sum, group) => sum + (group.style && site.brand.styles[group.style]?.family === role ? group.count : 0),
    0,
  );
}
