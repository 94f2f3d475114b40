import {
  collectionOfPage,
  firstItem,
  itemPageOf,
  itemShape,
  itemsOf,
  listPageOf,
  listPages,
  itemFile,
} from '../../collections/index.ts';
import { layIn, SECTION_KINDS } from '../../sections/index.ts';
import { homePage, type Page, type Section, type Site } from '../../site/index.ts';
import type { Inline } from '../../kinds/index.ts';
import { formsOf, type FormOnPage } from '../forms/forms.ts';

/**
 * Published HTML files with the same look: one page of the site, the item pages that
 * show the same fields, one further page of a list, the pages after forms on one
 * background, or the page for unknown addresses.
 */
export interface PublishedPage {
  /**
   * The id of a page of the site, or that id with `~` and a suffix. An id that begins with `~` belongs to no page of
   * the site.
   */
  readonly id: string;
  readonly kind: 'page' | 'item' | 'list' | 'answer' | 'missing';
  /** The page of the first file. */
  readonly page: Page;
  /** The title in lists. */
  readonly title: string;
  /** The HTML files, relative to the site. Never empty. */
  readonly files: readonly string[];
}

/** The file that hosts send for an unknown address. */
export const MISSING_FILE = '404.html';
const MISSING = '~404';

/** Returns the id of the page that a designer edits for a published page; null for pages that Yohaku generates. */
export const editedPage = (id: string): string | null => {
  const at = id.indexOf('~');
  return at < 0 ? id : at === 0 ? null : id.slice(0, at);
};

/** Returns the page's name for its stylesheet: the id of the edited page, `missing` or `answer`. */
export const pageMark = (id: string): string => editedPage(id) ?? (id === MISSING ? 'missing' : 'answer');

/** Returns true for the id of a page that exists only as a published file. */
export const isMade = (id: string): boolean => id.startsWith('~');

interface Listed {
  readonly pages: Site['pages'];
  readonly shared: Site['shared'];
  readonly order: readonly string[];
  readonly items: Site['items'];
  readonly collections: Site['collections'];
  readonly assets: Site['assets'];
  readonly list: readonly PublishedPage[];
  readonly forms: readonly FormOnPage[];
}
const published = new WeakMap<Site, readonly PublishedPage[]>();
const byId = new WeakMap<readonly PublishedPage[], ReadonlyMap<string, PublishedPage>>();
/** The list by the site's first page: an edit of the brand does not change it. */
const listed = new WeakMap<Page, Listed>();

/**
 * Returns every look of the published HTML files, in page order. A page whose content is the same is the same object.
 */
export function publishedPages(site: Site): readonly PublishedPage[] {
  const known = published.get(site);
  if (known) return known;
  const { list, forms } = pagesOf(site);
  const all = [...list, ...answers(site, forms), ...missing(site)];
  published.set(site, all);
  return all;
}

/** Returns one published page by its id, or undefined. */
export function publishedPage(site: Site, id: string): PublishedPage | undefined {
  const list = publishedPages(site);
  let known = byId.get(list);
  if (!known) byId.set(list, (known = new Map(list.map((entry) => [entry.id, entry]))));
  return known.get(id);
}

/** Returns a page of the site or a published page by its id, as a page; undefined when there is none. */
export function anyPage(site: Site, id: string): Page | undefined {
  return Object.hasOwn(site.pages, id) ? site.pages[id] : publishedPage(site, id)?.page;
}

/** Returns how many HTML files have the look of a published page. */
export const filesOf = (site: Site, id: string): number => publishedPage(site, id)?.files.length ?? 0;

/** Returns the number of published HTML files with content, which the product calls pages. */
export const fileCount = (site: Site): number => publishedPages(site).reduce((sum, { files }) => sum + files.length, 0);

function pagesOf(site: Site): Listed {
  const key = site.pages[site.pageOrder[0] ?? ''];
  const known = key && listed.get(key);
  if (
    known &&
    known.pages === site.pages &&
    known.shared === site.shared &&
    known.order === site.pageOrder &&
    known.items === site.items &&
    known.collections === site.collections &&
    known.assets === site.assets
  )
    return known;
  const further = new Map<string, PublishedPage[]>();
  for (const { page, number, file } of listPages(site)) {
    const made = listPageOf(page, number, `${page.id}~page-${number}`);
    further.set(page.id, [
      ...(further.get(page.id) ?? []),
      { id: made.id, kind: 'list', page: made, title: made.title, files: [file] },
    ]);
  }
  const list = site.pageOrder.flatMap((id): PublishedPage[] => {
    const page = site.pages[id]!;
    const own = firstItem(site, id)
      ? itemLooks(site, page)
      : [{ id, kind: 'page' as const, page, title: page.title, files: [page.file] }];
    return [...own, ...(further.get(id) ?? [])];
  });
  const fresh = {
    pages: site.pages,
    shared: site.shared,
    order: site.pageOrder,
    items: site.items,
    collections: site.collections,
    assets: site.assets,
    list,
    forms: formsOf(site),
  };
  if (key) listed.set(key, fresh);
  return fresh;
}

interface LookFiles<T> {
  readonly first: T;
  readonly files: string[];
}

/** Returns the files of each look, with the first of its sources, in order. */
function byLook<T>(
  sources: readonly T[],
  lookOf: (source: T) => string,
  fileOf: (source: T) => string,
): LookFiles<T>[] {
  const looks = new Map<string, LookFiles<T>>();
  for (const source of sources) {
    const look = lookOf(source);
    const known = looks.get(look);
    if (known) known.files.push(fileOf(source));
    else looks.set(look, { first: source, files: [fileOf(source)] });
  }
  return [...looks.values()];
}

/** Returns the looks of a collection's item pages. */
function itemLooks(site: Site, page: Page): PublishedPage[] {
  const collection = collectionOfPage(site, page.id)!;
  return byLook(
    itemsOf(site, collection),
    (item) => itemShape(site, page, collection, item),
    (item) => itemFile(site, item)!,
  ).map(({ first, files }, n): PublishedPage => {
    // The page of the site shows the first item itself.
    if (n === 0) return { id: page.id, kind: 'item', page, title: page.title, files };
    const id = `${page.id}~${first.id}`;
    return {
      id,
      kind: 'item',
      page: itemPageOf(page, collection, first, id),
      title: `${page.title}: ${files.length > 1 ? `${files.length} items` : first.slug}`,
      files,
    };
  });
}

/** Returns the looks of the pages after forms: one for each background. */
function answers(site: Site, forms: readonly FormOnPage[]): PublishedPage[] {
  return byLook(
    forms,
    (form) => form.section.ground,
    (form) => form.file,
  ).map(({ first, files }): PublishedPage => {
    const page = answerPage(site, first);
    return { id: page.id, kind: 'answer', page, title: `${first.page.title}: after sending`, files };
  });
}

function missing(site: Site): PublishedPage[] {
  if (Object.values(site.pages).some(({ file }) => file === MISSING_FILE)) return [];
  return [{ id: MISSING, kind: 'missing', page: missingPage(site), title: 'Page not found', files: [MISSING_FILE] }];
}

/** The default text of a page after a form. */
const SENT = 'Thank you. Your message has arrived.';

const kept = new Map<string, Page>();
const MOST_FOREIGN = 2000;

/** Returns the earlier page with the same content, so that Yohaku analyses it once. */
function same(page: Page): Page {
  const key = JSON.stringify(page);
  const known = kept.get(key);
  if (known) return known;
  if (kept.size >= MOST_FOREIGN) kept.clear();
  kept.set(key, page);
  return page;
}

/** Returns a page with the site's header and footer, and one opening section. */
function opening(
  site: Site,
  about: Pick<Page, 'id' | 'title' | 'file' | 'language'>,
  ground: string | undefined,
  words: Inline[],
): Page {
  const id = 'answer';
  const laid = layIn(site, SECTION_KINDS.opener, id, { title: about.title });
  const blocks = Object.fromEntries(
    Object.values(laid.blocks).map((block) => [
      block.id,
      block.kind === 'text' && block.level === null ? { ...block, content: words } : block,
    ]),
  );
  const section: Section = { ...laid, ...(ground === undefined ? {} : { ground }), blocks };
  const { language, ...rest } = about;
  return same({
    ...rest,
    description: '',
    unlisted: true,
    ...(language === undefined ? {} : { language }),
    sectionOrder: [id],
    sections: { [id]: { id, own: section } },
    overrides: {},
  });
}

/** Returns the page that answers a sent form, in the look of the site and with the words that were written for it. */
export function answerPage(site: Site, { page, section, form, file }: FormOnPage): Page {
  return opening(
    site,
    { id: `~${page.id}~${form.id}`, title: page.title, file, language: page.language },
    section.ground,
    [{ text: form.answer || SENT }],
  );
}

/** Returns the page for unknown addresses, in the look of the site, with a link to its first page. */
export function missingPage(site: Site): Page {
  const home = homePage(site);
  const back: Inline[] = home
    ? [{ text: ' ' }, { id: 'r1', link: { to: 'page', page: home.id }, text: 'Go to the home page.' }]
    : [];
  return opening(site, { id: MISSING, title: 'Page not found', file: MISSING_FILE }, undefined, [
    { text: 'This page does not exist.' },
    ...back,
  ]);
}
