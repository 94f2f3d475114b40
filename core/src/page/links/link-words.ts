import * as v from 'valibot';
import { Href, walk } from '../../kinds/index.ts';
import { itemName, linkedItem } from '../../collections/index.ts';
import { Site as SiteSchema, type Collection, type Item, type Page, type Site } from '../../site/index.ts';

/** Between the title of a page and the anchor of a section there. */
const THERE = ' › ';

/** Most items of one collection that are offered; all can be typed. */
const MOST_OFFERED = 200;

/**
 * Returns the link targets within the site, in words that `hrefFrom` can read: pages by title, sections by anchor,
 * items with pages, downloads. Pages with the same title are told apart by address.
 */
export function linkOffers(site: Site): string[] {
  const pages = site.pageOrder.flatMap((id) => {
    const page = site.pages[id]!;
    const name = nameOf(site, page);
    return [name, ...anchorsOf(page).map((anchor) => `${name}${THERE}${anchor}`)];
  });
  const items = site.collectionOrder.flatMap((id) => {
    const collection = site.collections[id]!;
    return collection.page === undefined
      ? []
      : collection.itemOrder.slice(0, MOST_OFFERED).map((item) => itemText(collection, site.items[item]!));
  });
  return [...pages, ...items, ...Object.values(site.downloads).map((download) => downloadText(download.name))];
}

const itemText = (collection: Collection, item: Item): string =>
  `${collection.label}${THERE}${itemName(collection, item)}`;
const downloadText = (name: string): string => `Download${THERE}${name}`;

/** Anchors of a page's sections, in their order. */
export function anchorsOf(page: Page): string[] {
  return page.sectionOrder.flatMap((id) => page.sections[id]!.anchor ?? []);
}

/**
 * Where a link leads, as it is shown and typed: a title, a section there, an address, a mail address, a telephone
 * number.
 */
export function hrefText(site: Site, href: Href): string {
  if (href.to === 'url') return href.url.replace(/^(mailto|tel):/i, '').replace(/^https:\/\/(\{[^{}]+\})$/, '$1');
  if (href.to === 'download') return downloadText(site.downloads[href.download]?.name ?? '');
  const page = site.pages[href.page];
  const linked = linkedItem(site, href);
  if (linked) return itemText(site.collections[linked.item.collection]!, linked.item);
  return page ? `${nameOf(site, page)}${href.anchor === undefined ? '' : `${THERE}${href.anchor}`}` : '';
}

/**
 * Where typed words lead. A title or the address of a page is that page; `page › anchor`
 * and `page.html#anchor` a section of it; `{Website}` is the link in that field of the
 * page's item; a text with an @ is mail, digits are a telephone
 * number, a host without a scheme gets `https://`.
 *
 * @returns the link, or in a sentence why it leads nowhere
 */
export function hrefFrom(site: Site, typed: string): Href | string {
  const text = typed.trim();
  const [before, anchor] = split(text);
  const page = pageNamed(site, before!);
  if (page) {
    if (anchor === undefined) return { to: 'page', page: page.id };
    if (anchorsOf(page).includes(anchor)) return { to: 'page', page: page.id, anchor };
    const known = anchorsOf(page);
    return (
      itemNamed(site, before!, anchor) ??
      `“${page.title}” has no section with the anchor “${anchor}”${known.length > 0 ? `; it has ${known.join(', ')}` : ': give a section an anchor first'}.`
    );
  }
  const other =
    anchor === undefined ? undefined : (itemNamed(site, before!, anchor) ?? downloadNamed(site, before!, anchor));
  if (other) return other;
  const url = /^(https?:\/\/|mailto:|tel:|#)/i.test(text)
    ? text
    : namesLink(site, text)
      ? `https://${text}`
      : /^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(text)
        ? `mailto:${text}`
        : /^\+?[\d\s()/.-]{5,}$/.test(text) && /\d{3}/.test(text)
          ? `tel:${text.replace(/[^\d+]/g, '')}`
          : /^[\w-]+(\.[\w-]+)+([/?#]\S*)?$/.test(text) && !/\.html$/i.test(before!)
            ? `https://${text}`
            : undefined;
  if (url === undefined)
    return text === ''
      ? 'The link has no target. Choose a page, or type an address.'
      : `“${text.length > 60 ? `${text.slice(0, 60)}…` : text}” is neither a page of this site nor an address. Type an address such as https://…, name@…, or a phone number.`;
  const read = v.safeParse(Href, { to: 'url', url });
  return read.success ? read.output : `It ${read.issues[0].message}.`;
}

/** Returns true if a text is the name of a link field in braces, such as `{Website}`. */
function namesLink({ collections }: Site, text: string): boolean {
  const name = /^\{([^{}]+)\}$/.exec(text)?.[1]?.trim().toLowerCase();
  return (
    name !== undefined &&
    Object.values(collections).some(({ fields }) =>
      Object.values(fields).some(({ kind, label }) => kind === 'link' && label.toLowerCase() === name),
    )
  );
}

function itemNamed(site: Site, label: string, name: string): Href | undefined {
  const [collection, item] = [label, name].map((text) => text.toLowerCase());
  for (const entry of Object.values(site.collections)) {
    if (entry.page === undefined || entry.label.toLowerCase() !== collection) continue;
    const id = entry.itemOrder.find(
      (id) => itemName(entry, site.items[id]!).toLowerCase() === item || site.items[id]!.slug === item,
    );
    if (id !== undefined) return { to: 'page', page: entry.page, item: id };
  }
  return undefined;
}

function downloadNamed(site: Site, label: string, name: string): Href | undefined {
  const asset =
    label.toLowerCase() === 'download'
      ? Object.values(site.downloads).find((download) => download.name.toLowerCase() === name.toLowerCase())
      : undefined;
  return asset && { to: 'download', download: asset.id };
}

function split(text: string): string[] {
  if (text.includes(THERE.trim())) return text.split(THERE.trim()).map((part) => part.trim());
  const hash = /^([^#/]+\.html)#([a-z0-9-]+)$/i.exec(text);
  return hash ? [hash[1]!, hash[2]!] : [text];
}

function pageNamed(site: Site, text: string): Page | undefined {
  const wanted = text.toLowerCase();
  if (wanted === '') return undefined;
  return (
    Object.values(site.pages).find((page) => page.file.toLowerCase() === wanted) ??
    site.pageOrder
      .map((id) => site.pages[id]!)
      .find((page) => nameOf(site, page).toLowerCase() === wanted || page.title.toLowerCase() === wanted)
  );
}

/** How many pages have a title, counted once for the pages there are. */
const titles = new WeakMap<Site['pages'], ReadonlyMap<string, number>>();

/** A page by its title; by its address beside it where another one has the same. */
function nameOf({ pages }: Site, page: Page): string {
  let counted = titles.get(pages);
  if (!counted) {
    const count = new Map<string, number>();
    for (const { title } of Object.values(pages)) count.set(title, (count.get(title) ?? 0) + 1);
    titles.set(pages, (counted = count));
  }
  return counted.get(page.title)! > 1 ? `${page.title} (${page.file})` : page.title;
}

/** A link that leads to a section or an item which is not there any more: it opens the page from its top. */
export interface LostLink {
  readonly page: string;
  readonly at: readonly string[];
  readonly words: string;
}

/** Links to anchors that no section has, and to items that are gone, in the order of the document. */
export function lostLinks(site: Site): LostLink[] {
  const found: LostLink[] = [];
  walk(SiteSchema, site, (meaning, value, at) => {
    if (meaning.means !== 'link') return;
    const href = value as Href | undefined;
    if (href?.to === 'page' && href.item !== undefined && site.pages[href.page] && !linkedItem(site, href))
      found.push({
        page: at[0] === 'pages' ? at[1]! : '',
        at: [...at],
        words: `link to an item which is not there, by ${nameOf(site, site.pages[href.page]!)}`,
      });
    const page = href?.to === 'page' && href.anchor !== undefined ? site.pages[href.page] : undefined;
    if (page && !anchorsOf(page).includes((href as { anchor: string }).anchor))
      found.push({
        page: at[0] === 'pages' ? at[1]! : '',
        at: [...at],
        words: `link to ${nameOf(site, page)}${THERE}${(href as { anchor: string }).anchor}, which is not there`,
      });
  });
  return found;
}
