import { hrefIs, mapFields, type Href, type Inline } from '../kinds/index.ts';
import { Page, type Collection, type Item, type Site } from '../site/index.ts';
import { madeFrom } from './made-from.ts';
import { richPlain, richRuns } from './rich.ts';
import { itemFile, itemFileOf, itemName, itemsOf } from './listed.ts';

type Field = Collection['fields'][string];

/** A field named in words: `{Price}`. */
const NAMED = /\{([^{}\n]{1,80})\}/g;

/** The collection whose items have a page like this one each. */
export function collectionOfPage(site: Pick<Site, 'collections'>, page: string): Collection | undefined {
  return Object.values(site.collections).find((collection) => collection.page === page);
}

/**
 * The first of the items that have a page like one each, which stands for that page: it is at no address of its own.
 */
export function firstItem(site: Site, page: string): { readonly item: Item; readonly file: string } | undefined {
  const collection = site.collectionOrder.length === 0 ? undefined : collectionOfPage(site, page);
  const item = collection && site.items[collection.itemOrder[0] ?? ''];
  const file = item && itemFile(site, item);
  return item && file !== undefined ? { item, file } : undefined;
}

/** The item that a link means, with its file; undefined where it means none, or one that is gone or has no page. */
export function linkedItem(
  site: Site,
  href: { readonly page: string; readonly item?: string | undefined },
): { readonly item: Item; readonly file: string } | undefined {
  const item = href.item === undefined || !Object.hasOwn(site.items, href.item) ? undefined : site.items[href.item]!;
  const file = item && site.collections[item.collection]?.page === href.page ? itemFile(site, item) : undefined;
  return item && file !== undefined ? { item, file } : undefined;
}

/**
 * The page of an item: the page that all have one like, with what the item says in
 * place of the names of fields in braces, and its picture in place of one whose
 * alternative text names a field. A link and a download whose words are the name of
 * such a field become the item's. What names no field stays as it is written.
 */
export function filledPage(page: Page, collection: Collection, item: Item): Page {
  const byLabel = new Map(Object.values(collection.fields).map((field) => [field.label.toLowerCase(), field]));
  const filled = (text: string): string =>
    text.replaceAll(NAMED, (whole, name: string) => {
      const field = byLabel.get(name.trim().toLowerCase());
      if (!field) return whole;
      const said = item.values[field.id] ?? '';
      return field.kind === 'picture'
        ? (item.pictures?.[field.id]?.alt ?? '')
        : field.kind === 'rich'
          ? richPlain(said)
          : said;
    });
  const named = (words: unknown) => {
    const name = typeof words === 'string' ? /^\{([^{}]+)\}$/.exec(words.trim())?.[1] : undefined;
    return name === undefined ? undefined : byLabel.get(name.trim().toLowerCase());
  };
  const picture = (alt: unknown) => {
    const field = named(alt);
    return field && item.pictures?.[field.id];
  };
  const linkOf = (words: unknown) => {
    const field = named(words);
    return field?.kind === 'link' ? item.values[field.id] : undefined;
  };
  const leads = (href: Href, words: unknown): Href => hrefIs(linkOf(words) ?? '') ?? filledHref(href, filled, linkOf);
  /** Plain words with rich ones in them are several runs. */
  const runs = (run: Inline, at: number): Inline[] => {
    if ('id' in run)
      return [{ ...run, text: filled(run.text), ...('link' in run ? { link: leads(run.link, run.text) } : {}) }];
    const made: Inline[] = [];
    let from = 0;
    for (const found of run.text.matchAll(NAMED)) {
      const field = byLabel.get(found[1]!.trim().toLowerCase());
      if (field?.kind !== 'rich') continue;
      made.push(
        { ...run, text: filled(run.text.slice(from, found.index)) },
        ...richRuns(item.values[field.id] ?? '').map((entry) =>
          'id' in entry ? { ...entry, id: `i${at}-${found.index}-${entry.id}` } : entry,
        ),
      );
      from = found.index + found[0].length;
    }
    return from === 0
      ? [{ ...run, text: filled(run.text) }]
      : [...made, { ...run, text: filled(run.text.slice(from)) }].filter(({ text }) => text !== '');
  };
  const made = mapFields(Page, page, (meaning, value, beside) => {
    if (meaning.means === 'ref' && meaning.to === 'asset')
      return picture((beside as { alt?: unknown }).alt)?.asset ?? value;
    if (meaning.means === 'ref' && meaning.to === 'download')
      return item.downloads?.[named((beside as { label?: unknown }).label)?.id ?? ''] ?? value;
    if (meaning.means === 'link') {
      const { text, label } = beside as { text?: unknown; label?: unknown };
      return value ? leads(value as Href, text ?? label) : value;
    }
    if ((meaning.means === 'line' || meaning.means === 'alt') && typeof value === 'string') return filled(value);
    if (meaning.means === 'words' && Array.isArray(value)) return (value as readonly Inline[]).flatMap(runs);
    return value;
  }) as Page;
  return made.description.includes('{') ? { ...made, description: filled(made.description).slice(0, 300) } : made;
}

/**
 * Returns a link with the item's values in place of the field names in its address.
 * Values are percent-encoded, so that they cannot add parts to the address. A mail
 * address keeps its @, a telephone number only its digits and plus. An address that
 * is only the name of a link field becomes that link. An address that would become
 * invalid stays unchanged.
 */
function filledHref(href: Href, filled: (text: string) => string, linkOf: (words: string) => string | undefined): Href {
  if (href.to !== 'url' || !href.url.includes('{')) return href;
  const link = linkOf(href.url.replace(/^https:\/\//, ''));
  if (link !== undefined) return hrefIs(link) ?? href;
  const scheme = /^[a-z]+:/i.exec(href.url)?.[0].toLowerCase();
  const address = href.url.search(/[?#]/);
  const url = href.url.replaceAll(NAMED, (whole, _name, at: number) => {
    const said = filled(whole);
    if (said === whole) return whole;
    if (scheme === 'tel:') return said.replaceAll(/[^\d+]/g, '');
    const encoded = encodeURIComponent(said.trim().replaceAll(/\p{Cs}/gu, '\u{FFFD}'));
    return scheme === 'mailto:' && (address < 0 || at < address) ? encoded.replaceAll('%40', '@') : encoded;
  });
  return hrefIs(url) ?? href;
}

/** Pages that are already those of an item. */
const ofItem = new WeakSet<Page>();

/** A page as it is shown: one that the items of a collection have one like each shows the first of them. */
export function shownPage(site: Site, page: Page): Page {
  if (ofItem.has(page)) return page;
  const collection = collectionOfPage(site, page.id);
  const first = collection && site.items[collection.itemOrder[0] ?? ''];
  return collection && first ? filledPage(page, collection, first) : page;
}

/**
 * The site with the page of an item in place of the one that all have one like; lists and links on it lead to the other
 * items as they do elsewhere.
 */
export function siteOfItem(site: Site, collection: Collection, item: Item): Site {
  const page = site.pages[collection.page!]!;
  return { ...site, pages: { ...site.pages, [page.id]: itemPageOf(page, collection, item, page.id) } };
}

const itemPagesMade = new WeakMap<
  Item,
  { readonly page: Page; readonly collection: Collection; readonly made: Page }
>();

/** Returns the page of an item under an id. The same page, collection and item give the same object. */
export function itemPageOf(page: Page, collection: Collection, item: Item, id: string): Page {
  const known = itemPagesMade.get(item);
  if (known && known.page === page && known.collection === collection && known.made.id === id) return known.made;
  const texts = collection.fieldOrder.map((id) => collection.fields[id]!).find(({ kind }) => kind === 'text');
  const filled = filledPage(page, collection, item);
  const said = texts ? (item.values[texts.id] ?? '').replaceAll(/\s+/g, ' ').trim().slice(0, 160) : '';
  const picture = Object.values(item.pictures ?? {})[0]?.asset ?? page.picture;
  const made = madeFrom(
    {
      ...filled,
      id,
      title: itemName(collection, item),
      description: said || filled.description,
      file: itemFileOf(collection, item),
      ...(picture === undefined ? {} : { picture }),
    },
    page,
  );
  ofItem.add(made);
  itemPagesMade.set(item, { page, collection, made });
  return made;
}

const namedFields = new WeakMap<Page, { readonly collection: Collection; readonly fields: readonly Field[] }>();

/** Returns the fields of a collection that a page names in braces. */
function fieldsNamedOn(page: Page, collection: Collection): readonly Field[] {
  const known = namedFields.get(page);
  if (known?.collection === collection) return known.fields;
  const text = JSON.stringify(page).toLowerCase();
  const names = new Set([...text.matchAll(NAMED)].map(([, name]) => name!.trim()));
  const fields = collection.fieldOrder
    .map((id) => collection.fields[id]!)
    .filter(({ label }) => names.has(JSON.stringify(label.toLowerCase()).slice(1, -1).trim()));
  namedFields.set(page, { collection, fields });
  return fields;
}

const shapes = new WeakMap<
  Item,
  { readonly fields: readonly Field[]; readonly assets: Site['assets']; readonly shape: string }
>();

/**
 * Returns a key for the places of an item's page and their looks. The key depends on
 * the fields that the page names and the item fills in, on the runs of rich text, and
 * on drawings that follow the brand. Two items with one key have the same places.
 */
export function itemShape(site: Pick<Site, 'assets'>, page: Page, collection: Collection, item: Item): string {
  const fields = fieldsNamedOn(page, collection);
  const known = shapes.get(item);
  if (known && known.fields === fields && known.assets === site.assets) return known.shape;
  const shape = fields
    .map(({ id, kind }) => {
      const said = item.values[id] ?? '';
      if (kind === 'rich')
        return richRuns(said)
          .map((run) => ('link' in run ? 'l' : 'mark' in run ? String(run.mark)[0] : 't'))
          .join('');
      if (kind === 'download') return item.downloads?.[id] === undefined ? '' : 'd';
      if (kind !== 'picture') return said === '' ? '' : 'w';
      const picture = item.pictures?.[id];
      return picture
        ? `${site.assets[picture.asset]?.bound ? picture.asset : 'p'}${picture.alt === '' ? '' : 'w'}`
        : '';
    })
    .join('|');
  shapes.set(item, { fields, assets: site.assets, shape });
  return shape;
}

/** Returns the formerly published addresses of items that no page uses now, each with the current file of its item. */
export function formerItemFiles(site: Site): Map<string, { readonly title: string; readonly file: string }> {
  const found = new Map<string, { readonly title: string; readonly file: string }>();
  const pages = itemPages(site);
  const taken = new Set([...Object.values(site.pages).map(({ file }) => file), ...pages.map(({ file }) => file)]);
  for (const { collection, item, file } of pages)
    for (const slug of item.former ?? []) {
      const former = itemFileOf(collection, { ...item, slug });
      if (!taken.has(former) && !found.has(former)) found.set(former, { title: itemName(collection, item), file });
    }
  return found;
}

/** Every item that has a page of its own, collection by collection. */
export function itemPages(
  site: Site,
): { readonly collection: Collection; readonly item: Item; readonly file: string }[] {
  return site.collectionOrder.flatMap((id) => {
    const collection = site.collections[id]!;
    return collection.page === undefined
      ? []
      : itemsOf(site, collection).map((item) => ({ collection, item, file: itemFile(site, item)! }));
  });
}
