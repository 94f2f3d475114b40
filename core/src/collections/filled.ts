import { mapFields, type Inline } from '../kinds/index.ts';
import { Page, type Collection, type Item, type Site } from '../site/index.ts';
import { itemFile, itemName, itemsOf } from './listed.ts';

/** A field named in words: `{Price}`. */
const NAMED = /\{([^{}\n]{1,80})\}/g;

/** The collection whose items have a page like this one each. */
export function collectionOfPage(site: Pick<Site, 'collections'>, page: string): Collection | undefined {
  return Object.values(site.collections).find((one) => one.page === page);
}

/**
 * The page of an item: the page that all have one like, with what the item says in
 * place of the names of fields in braces, and its picture in place of one whose
 * alternative text names a field. What names no field stays as it is written.
 */
export function filledPage(page: Page, collection: Collection, item: Item): Page {
  const byLabel = new Map(Object.values(collection.fields).map((field) => [field.label.toLowerCase(), field]));
  const filled = (text: string): string => text.replaceAll(NAMED, (whole, name: string) => {
    const field = byLabel.get(name.trim().toLowerCase());
    return field ? (field.kind === 'picture' ? (item.pictures?.[field.id]?.alt ?? '') : (item.values[field.id] ?? '')) : whole;
  });
  const picture = (alt: unknown) => {
    const name = typeof alt === 'string' ? /^\{([^{}]+)\}$/.exec(alt.trim())?.[1] : undefined;
    const field = name === undefined ? undefined : byLabel.get(name.trim().toLowerCase());
    return field && item.pictures?.[field.id];
  };
  return mapFields(Page, page, (meaning, value, beside) => {
    if (meaning.means === 'ref' && meaning.to === 'asset') return picture((beside as { alt?: unknown }).alt)?.asset ?? value;
    if ((meaning.means === 'line' || meaning.means === 'alt') && typeof value === 'string') return filled(value);
    if (meaning.means === 'words' && Array.isArray(value)) return (value as readonly Inline[]).map((run) => ({ ...run, text: filled(run.text) }));
    return value;
  }) as Page;
}

/** A page as it is shown: one that the items of a collection have one like each shows the first of them. */
export function shownPage(site: Site, page: Page): Page {
  const collection = collectionOfPage(site, page.id);
  const first = collection && site.items[collection.itemOrder[0] ?? ''];
  return collection && first ? filledPage(page, collection, first) : page;
}

/** The site with the page of an item in place of the one that all have one like. */
export function siteOfItem(site: Site, collection: Collection, item: Item): Site {
  const page = site.pages[collection.page!]!;
  const texts = collection.fieldOrder.map((id) => collection.fields[id]!).find(({ kind }) => kind === 'text');
  const description = texts ? (item.values[texts.id] ?? '').replaceAll(/\s+/g, ' ').slice(0, 160) : page.description;
  const picture = Object.values(item.pictures ?? {})[0]?.asset ?? page.picture;
  const own: Page = { ...filledPage(page, collection, item), title: itemName(collection, item), description, file: itemFile(site, item)!, ...(picture === undefined ? {} : { picture }) };
  // It is the page of this item and of no collection any more.
  const { page: _page, ...rest } = collection;
  return { ...site, pages: { ...site.pages, [page.id]: own }, collections: { ...site.collections, [collection.id]: rest } };
}

/** Every item that has a page of its own, collection by collection. */
export function itemPages(site: Site): { readonly collection: Collection; readonly item: Item; readonly file: string }[] {
  return site.collectionOrder.flatMap((id) => {
    const collection = site.collections[id]!;
    return collection.page === undefined ? [] : itemsOf(site, collection).map((item) => ({ collection, item, file: itemFile(site, item)! }));
  });
}
