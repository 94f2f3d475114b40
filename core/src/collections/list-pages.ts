import { Block, type BlockOf } from '../kinds/index.ts';
import { perSection, sectionsOn, type Page, type Site } from '../site/index.ts';
import { listedCount } from './listed.ts';
import { madeFrom, originOf } from './made-from.ts';

/** Pages that a list goes on over have their number behind the name of the page it begins on. */
export const listPageFile = (file: string, number: number): string =>
  number === 1 ? file : file.replace(/\.html$/, `-page-${number}.html`);

const numbers = new WeakMap<Page, number>();

/**
 * Which of the pages of its lists a page is, with the one that they begin on: the first, unless it was made by
 * `siteOfListPage`.
 */
export const numberOf = (page: Page): { readonly number: number; readonly first: Page } => ({
  number: numbers.get(page) ?? 1,
  first: numbers.has(page) ? originOf(page) : page,
});

type List = BlockOf<'items'>;
const isPaged = (block: Block): block is List => block.kind === 'items' && block.paged === true;

/** Over how many pages a list goes. */
export function pagesOfList(site: Site, list: Pick<List, 'collection' | 'only' | 'value' | 'from' | 'limit'>): number {
  return Math.max(1, Math.ceil((listedCount(site, list) - (list.from ?? 0)) / list.limit));
}

/** Returns the lists of a section that continue on further pages. */
const pagedIn = perSection(({ blocks }) => Object.values(blocks).filter(isPaged));

/**
 * Further pages of lists that go on, page by page in their order; a name that a page of the site has is that page's.
 */
export function listPages(site: Site): { readonly page: Page; readonly number: number; readonly file: string }[] {
  if (site.collectionOrder.length === 0) return [];
  const taken = new Set(Object.values(site.pages).map(({ file }) => file));
  return site.pageOrder.flatMap((id) => {
    const page = site.pages[id]!;
    const lists = sectionsOn(site, page).flatMap(pagedIn);
    const most = Math.max(1, ...lists.map((list) => pagesOfList(site, list)));
    return Array.from({ length: most - 1 }, (_, i) => ({
      page,
      number: i + 2,
      file: listPageFile(page.file, i + 2),
    })).filter(({ file }) => !taken.has(file));
  });
}

/** The site with a further page of the lists of a page in that page's place. */
export function siteOfListPage(site: Site, page: Page, number: number): Site {
  return { ...site, pages: { ...site.pages, [page.id]: listPageOf(page, number, page.id) } };
}

const listPagesMade = new WeakMap<Page, Map<string, Page>>();

/** Returns a further page of a page's lists under an id. The same page gives the same object. */
export function listPageOf(page: Page, number: number, id: string): Page {
  let known = listPagesMade.get(page);
  if (!known) listPagesMade.set(page, (known = new Map()));
  const before = known.get(`${number} ${id}`);
  if (before) return before;
  const made = madeFrom(
    { ...page, id, title: `${page.title} (${number})`, file: listPageFile(page.file, number) },
    page,
  );
  numbers.set(made, number);
  known.set(`${number} ${id}`, made);
  return made;
}
