import { anyPage, readsItems, type Site } from '@yohaku/core';

/** The parts of a site that the layout of a page depends on; colours are not among them. */
export type LayoutGround = readonly unknown[];

export function layoutGround(site: Site, id: string): LayoutGround {
  const { brand, shared, assets } = site;
  const page = anyPage(site, id);
  return [
    brand.styles,
    brand.scale,
    brand.spaces,
    brand.sizes,
    brand.families,
    brand.fonts,
    brand.buttonStyle,
    brand.edges,
    brand.logo,
    brand.iconSide,
    page,
    shared,
    assets,
    ...(page && readsItems(site, page) ? [site.items, site.collections] : []),
  ];
}

export const sameGround = (entry: LayoutGround | undefined, other: LayoutGround): boolean =>
  entry !== undefined && entry.length === other.length && entry.every((part, i) => part === other[i]);
