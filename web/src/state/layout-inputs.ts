import { anyPage, readsItems, type Site } from '@yohaku/core';

/** The parts of a site that the layout of a page depends on; colours are not among them. */
export type LayoutInputs = readonly unknown[];

export function layoutInputs(site: Site, id: string): LayoutInputs {
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

export const sameInputs = (entry: LayoutInputs | undefined, other: LayoutInputs): boolean =>
  entry !== undefined && entry.length === other.length && entry.every((part, i) => part === other[i]);
