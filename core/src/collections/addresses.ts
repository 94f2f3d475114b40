import type { Collection, Site } from '../site/index.ts';
import { itemFile } from './listed.ts';

/**
 * Returns the address part of an item for a file of a collection; undefined if the file does not belong to the
 * collection.
 */
const slugAt = (path: string, file: string): string | undefined =>
  file.startsWith(`${path}-`) ? file.slice(path.length + 1, -'.html'.length) : undefined;

/**
 * The first address that something has which had another before, or none, and that
 * something else has already: a page that of an item, an item that of a page or of an
 * item of another collection. One of the two would go out in place of the other.
 */
export function doubledAddress(site: Site, before: Site): string | undefined {
  if (before.pages === site.pages && before.collections === site.collections && before.items === site.items)
    return undefined;
  const paged = Object.values(site.collections).filter(({ page }) => page !== undefined);
  if (paged.length === 0) return undefined;
  // Made once a collection and only where an address could be one of its: a sheet may bring ten thousand that could.
  const slugs = new Map<Collection, ReadonlySet<string>>();
  const stands = (collection: Collection, file: string): boolean => {
    const slug = slugAt(collection.path, file);
    if (slug === undefined) return false;
    let known = slugs.get(collection);
    if (!known) slugs.set(collection, (known = new Set(collection.itemOrder.map((id) => site.items[id]!.slug))));
    return known.has(slug);
  };
  const files = new Set<string>();
  for (const { id, file } of Object.values(site.pages)) {
    files.add(file);
    if (before.pages[id]?.file !== file && paged.some((entry) => stands(entry, file))) return file;
  }
  for (const entry of paged) {
    const was = before.collections[entry.id];
    const stays = was?.page !== undefined && was.path === entry.path;
    if (was === entry && before.items === site.items) continue;
    for (const id of entry.itemOrder) {
      const item = site.items[id]!;
      if (stays && (before.items[id] === item || before.items[id]?.slug === item.slug)) continue;
      const file = itemFile(site, item)!;
      if (files.has(file) || paged.some((other) => other !== entry && stands(other, file))) return file;
    }
  }
  return undefined;
}

/** Returns the address parts that are not free for items: those of other items, and those of pages. */
export function takenSlugs(site: Site, { path, itemOrder }: Collection): string[] {
  return [
    ...itemOrder.map((id) => site.items[id]!.slug),
    ...Object.values(site.pages).flatMap(({ file }) => slugAt(path, file) ?? []),
  ];
}
