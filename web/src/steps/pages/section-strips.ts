import {
  pageTree,
  pagesWith,
  rolePath,
  sectionAddress,
  sectionOf,
  tokenTable,
  tokenValue,
  type Page,
  type Site,
} from '@yohaku/core';

/** A section in the strip of its page: its colour, and a weight that grows with the number of its places. */
export interface Strip {
  readonly id: string;
  readonly label: string;
  readonly color: string;
  readonly weight: number;
  readonly shared: boolean;
  /** Header and footer stay where they are. */
  readonly fixed: boolean;
}

/** Where a section of a page is not shown, for its name in the strip. */
function notAt(page: Page, id: string): string {
  const hidden = page.sections[id]?.hidden;
  return hidden ? `, not on ${hidden.join(' or ')}` : '';
}

/** Returns the sections of a page in order, with header and footer, as the strip shows them. */
export function sectionStrips(site: Site, page: Page): Strip[] {
  return pageTree(site, page.id).parts.map((part) => {
    const ground = part.places[0]!.ground;
    return {
      id: part.id,
      label: `${part.label}${part.shared ? ', reused' : ''}${notAt(page, part.id)}`,
      shared: part.shared,
      fixed: !page.sections[part.id],
      weight: Math.max(3, part.places.length),
      color: tokenValue(tokenTable(site.brand), rolePath(site.brand, site.brand.grounds[ground]!, 'background')).css,
    };
  });
}

/** Returns a section of a page with the facts that its commands need; undefined if the page has none of that id. */
export function sectionInHand(site: Site, page: Page, id: string) {
  const end = id === 'header' || id === 'footer';
  const kept = end ? page[id] : undefined;
  if (id === 'header' && kept === undefined) return undefined;
  const entry = page.sections[id];
  const section =
    kept !== undefined
      ? site.shared.sections[kept]
      : id === 'footer'
        ? site.shared.footer
        : entry && sectionOf(site, entry);
  return section
    ? {
        id,
        section,
        own: !end,
        address: sectionAddress(site, page.id, id),
        shared: end || (!!entry && 'shared' in entry),
        with:
          kept !== undefined
            ? pagesWith(site, kept).length
            : id === 'footer'
              ? site.pageOrder.length
              : entry && 'shared' in entry
                ? pagesWith(site, entry.shared).length
                : 1,
      }
    : undefined;
}
