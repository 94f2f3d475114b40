import type { Site } from '@yohaku/core';

/** What the layout of a page hangs on; a colour is not among it. */
export type LayoutGround = readonly unknown[];

export function layoutGround({ brand, pages, shared, assets }: Site, page: string): LayoutGround {
  return [brand.styles, brand.scale, brand.spaces, brand.sizes, brand.families, brand.fonts, brand.buttonStyle, brand.edges, brand.logo, brand.iconSide, pages[page], shared, assets];
}

export const sameGround = (one: LayoutGround | undefined, other: LayoutGround): boolean => one !== undefined && one.every((part, i) => part === other[i]);
