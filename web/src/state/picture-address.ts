import { assetFile, type Asset, type Site } from '@yohaku/core';

/** Where the desk fetches a picture of a site, in the colours of its brand where it is a drawing that follows them. */
export const pictureAddress = (site: Site, asset: Asset): string => `/frame/${site.id}/${assetFile(asset, site.brand)}`;

/**
 * A picture of the site as it is shown whole: its name, where it is fetched, its size in px of its own; none for an id
 * that no picture has.
 */
export function pictureWhole(
  site: Site | null,
  id: string | undefined,
): { readonly name: string; readonly src: string; readonly width: number; readonly height: number } | undefined {
  const asset = site?.assets[id ?? ''];
  return site && asset
    ? { name: asset.name, src: pictureAddress(site, asset), width: asset.width, height: asset.height }
    : undefined;
}
