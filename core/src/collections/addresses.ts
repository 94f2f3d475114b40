import type { Collection, Item, Site } from '../site/index.ts';
import { itemFile } from './listed.ts';

/** The item of a collection at an address; undefined where the collection has no pages or none of its items is there. */
function itemAt(site: Site, { path, page, itemOrder }: Collection, file: string): Item | undefined {
  if (page === undefined || !file.startsWith(`${path}-`)) return undefined;
  const slug = file.slice(path.length + 1, -'.html'.length);
  const id = itemOrder.find((one) => site.items[one]!.slug === slug);
  return id === undefined ? undefined : site.items[id]!;
}

/**
 * The first address that something has which had another before, or none, and that
 * something else has already: a page that of an item, an item that of a page or of an
 * item of another collection. One of the two would go out in place of the other.
 */
export function doubledAddress(site: Site, before: Site): string | undefined {
  if (before.pages === site.pages && before.collections === site.collections && before.items === site.items) return undefined;
  const paged = Object.values(site.collections).filter(({ page }) => page !== undefined);
  if (paged.length === 0) return undefined;
  const files = new Set<string>();
  for (const { id, file } of Object.values(site.pages)) {
    files.add(file);
    if (before.pages[id]?.file !== file && paged.some((one) => itemAt(site, one, file))) return file;
  }
  for (const one of paged) {
    const was = before.collections[one.id];
    const stays = was?.page !== undefined && was.path === one.path;
    if (was === one && before.items === site.items) continue;
    for (const id of one.itemOrder) {
      const item = site.items[id]!;
      if (stays && (before.items[id] === item || before.items[id]?.slug === item.slug)) continue;
      const file = itemFile(site, item)!;
      if (files.has(file) || paged.some((other) => other !== one && itemAt(site, other, file))) return file;
    }
  }
  return undefined;
}

/** What the items of a collection cannot be called in addresses: what others of it are called, and what would lead to a page. */
export function takenSlugs(site: Site, { path, itemOrder }: Collection): string[] {
  return [...itemOrder.map((id) => site.items[id]!.slug), ...Object.values(site.pages).flatMap(({ file }) => (file.startsWith(`${path}-`) ? [file.slice(path.length + 1, -'.html'.length)] : []))];
}
