import type { Site } from '../site/index.ts';
import { publishedPages, readsItems, structureKey, type PublishedPage } from '../page/index.ts';
import { type SiteIndex } from './group.ts';
import { Index } from './group-index.ts';

interface Cached {
  pages: readonly PublishedPage[];
  shared: Site['shared'];
  assets: Site['assets'];
  structure: string;
  items: Site['items'];
  collections: Site['collections'];
  /** True if a page shows items. */ reads: boolean;
  index: Index;
}
/** The last indexes by the site's first page, newest first: an edit is compared with the state before it. */
const cache = new WeakMap<object, readonly Cached[]>();
const KEPT_INDEXES = 3;

/** The index of a site. While no page, shared part or role changes, the same index comes back. */
export function siteIndex(site: Site): SiteIndex {
  const pages = publishedPages(site);
  const structure = structureKey(site);
  const key = pages[0]?.page ?? site;
  const kept = cache.get(key) ?? [];
  const alike = kept.filter(
    (known) =>
      known.shared === site.shared &&
      known.assets === site.assets &&
      known.structure === structure &&
      samePages(known.pages, pages) &&
      known.index.holds(),
  );
  const known = alike.find(({ items, collections }) => items === site.items && collections === site.collections);
  if (known) return known.index;
  const reads = pages.some(({ page }) => readsItems(site, page));
  // Items that no page shows are no matter of places.
  const same = reads ? undefined : alike.find((entry) => !entry.reads);
  if (same) return same.index;
  const index = new Index(site, pages);
  cache.set(
    key,
    [
      {
        pages,
        shared: site.shared,
        assets: site.assets,
        structure,
        items: site.items,
        collections: site.collections,
        reads,
        index,
      },
      ...kept,
    ].slice(0, KEPT_INDEXES),
  );
  return index;
}

const samePages = (bytes: readonly PublishedPage[], other: readonly PublishedPage[]): boolean =>
  bytes === other ||
  (bytes.length === other.length &&
    bytes.every(({ page, files }, i) => page === other[i]!.page && files.length === other[i]!.files.length));
