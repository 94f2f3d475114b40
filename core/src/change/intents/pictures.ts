import type { Source } from '../../palette/index.ts';
import { referencesByTarget, referencesTo, type Asset, type Section, type Site } from '../../site/index.ts';
import { ChangeRefused } from '../refused.ts';
import { insertOp, redirectOp, removeOp, setOp, type Edit } from './edit.ts';

/** A picture that was sent, as a picture of the site; undefined for texts. The same bytes are the same picture. */
export function pictureOf(site: Site, source: Source, id: string): Asset | undefined {
  const { picture, size } = source;
  if (!picture || !size) return undefined;
  const known = Object.values(site.assets).find((asset) => asset.hash === picture.hash);
  const colors = source.colors.map(({ hex, share }) => ({ hex, share }));
  return (
    known ?? {
      id,
      name: source.name.slice(0, 80),
      hash: picture.hash,
      type: picture.type as Asset['type'],
      ...size,
      ...(colors.length > 0 ? { colors } : {}),
    }
  );
}

/** Takes a picture into the site; undefined for one that it has. */
export function addPicture(site: Site, picture: Asset): Edit | undefined {
  return site.assets[picture.id]
    ? undefined
    : { label: `Add image ${picture.name}`, ops: [insertOp(site, ['assets'], null, picture.id, picture)] };
}

/** A picture of the site with the pages and shared parts that show it. */
export interface KeptPicture {
  readonly asset: Asset;
  /** How often it is shown or named. */ readonly uses: number;
  /** Titles of pages, and `shared parts`, in page order. */ readonly where: readonly string[];
}

/**
 * How often something is named, and where: titles of pages in their order, items by their collection, shared parts
 * last.
 */
export function usedWhere(
  site: Site,
  found: readonly (readonly string[])[],
): { readonly uses: number; readonly where: readonly string[] } {
  const pages = new Set(found.map(([root, id]) => (root === 'pages' ? id! : '')));
  const collections = new Set(
    found.flatMap(([root, id]) => (root === 'items' ? (site.items[id!]?.collection ?? []) : [])),
  );
  const shared = found.some(([root]) => root !== 'pages' && root !== 'items');
  return {
    uses: found.length,
    where: [
      ...site.pageOrder.filter((id) => pages.has(id)).map((id) => site.pages[id]!.title),
      ...[...collections].map((id) => site.collections[id]?.label ?? id),
      ...(shared ? ['shared parts'] : []),
    ],
  };
}

/** All pictures of a site, by name. */
export function keptPictures(site: Site): KeptPicture[] {
  const references = referencesByTarget(site, 'asset');
  return Object.values(site.assets)
    .map((asset) => ({ asset, ...usedWhere(site, references.get(asset.id) ?? []) }))
    .sort(
      (entry, other) => entry.asset.name.localeCompare(other.asset.name) || (entry.asset.id < other.asset.id ? -1 : 1),
    );
}

/**
 * Shows another picture wherever one is shown; that one stays in the site, unused. What stands for it in words stays:
 * it is to be read again.
 */
export function replacePicture(site: Site, from: string, to: string): Edit {
  return { label: `${site.assets[to]!.name} for ${site.assets[from]!.name}`, ops: [redirectOp('asset', from, to)] };
}

/** Deletes a picture that nothing shows. @throws ChangeRefused while something does */
export function removePicture(site: Site, id: string): Edit {
  const uses = referencesTo(site, 'asset', id).length;
  if (uses > 0)
    throw new ChangeRefused(
      'in-use',
      `${site.assets[id]!.name} is shown ${uses === 1 ? 'once' : `${uses} times`}. Replace it there first.`,
    );
  return { label: `Delete image ${site.assets[id]!.name}`, ops: [removeOp(site, ['assets'], null, id)] };
}

/**
 * Puts a picture behind a section, or (null) takes it away. One that comes anew comes under a shade on which most texts
 * can be read.
 */
export function pictureBehind(site: Site, address: readonly string[], section: Section, asset: string | null): Edit {
  const next = asset === null ? null : section.picture ? { ...section.picture, asset } : { asset, shade: 0.7 };
  return { label: `Background image ${section.label}`, ops: [setOp(site, [...address, 'picture'], next)] };
}
