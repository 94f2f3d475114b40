import { uniqueName, uniquePath } from '../../palette/index.ts';
import { walk, type Block, type Href, type Inline } from '../../kinds/index.ts';
import {
  referencesTo,
  sectionOf,
  Site as SiteSchema,
  type Override,
  type Page,
  type Section,
  type SectionEntry,
  type Site,
} from '../../site/index.ts';
import { itemPages } from '../../collections/index.ts';
import type { Op } from '../change.ts';
import { valueAt } from '../json.ts';
import { ChangeRefused } from '../refused.ts';
import { PAGE_KINDS, canLayIn, layIn, type PageKind } from '../../sections/index.ts';
import { insertOp, redirectOp, removeOp, setOp, stepOp, type Edit } from './edit.ts';
import { addToMenu, leadsTo, removeFromMenu } from './menu.ts';

/** Gives fresh ids to a section and its blocks, so that a copy is independent of its source. */
export function copySection(
  section: Section,
  id: string,
): { readonly copy: Section; readonly renamed: ReadonlyMap<string, string> } {
  const renamed = new Map(Object.keys(section.blocks).map((block, i) => [block, `${id}-b${i + 1}`]));
  const blocks = Object.fromEntries(
    Object.values(section.blocks).map((block): [string, Block] => [
      renamed.get(block.id)!,
      { ...block, id: renamed.get(block.id)! },
    ]),
  );
  const columns = Object.fromEntries(
    Object.entries(section.columns).map(([key, column]) => [
      key,
      { ...column, order: column.order.map((block) => renamed.get(block)!) },
    ]),
  );
  return { copy: { ...section, id, blocks, columns }, renamed: new Map([[section.id, id], ...renamed]) };
}

/** Returns the overrides of the copied sections and blocks under their new ids; other overrides are dropped. */
export function copiedValues(
  values: Readonly<Record<string, Override>>,
  owner: (was: string) => string | undefined,
  id: string,
  from = 0,
): Override[] {
  const copies: Override[] = [];
  for (const value of Object.values(values)) {
    const [was = '', ...within] = value.place.split('/');
    const now = owner(was);
    if (now !== undefined)
      copies.push({ ...value, id: `${id}-o${from + copies.length + 1}`, place: [now, ...within].join('/') });
  }
  return copies;
}

/**
 * Adds a page behind the others: of a kind, or a copy of one (its own sections copied,
 * shared ones shared, with what is set on its places).
 *
 * @param kind of what it is made when it is no copy; sections for which the site has nothing yet (a picture) are left
 *   out
 */
export function addPage(site: Site, id: string, copyOf: string | null, kind: PageKind = PAGE_KINDS.plain): Edit {
  const pages = Object.values(site.pages);
  const source = copyOf ? site.pages[copyOf]! : undefined;
  const title = uniqueName(
    source ? `${source.title} copy` : kind.title,
    pages.map((entry) => entry.title),
  );
  // The new ids of places on the copy, by the first part of their old ids.
  const renamed = new Map<string, string>();
  const entries: SectionEntry[] = source
    ? source.sectionOrder.map((key, i) => {
        const entry = source.sections[key]!;
        const entryId = `${id}-s${i + 1}`;
        if ('shared' in entry) {
          renamed.set(`${key}:`, `${entryId}:`);
          return { id: entryId, shared: entry.shared };
        }
        const copied = copySection(entry.own, entryId);
        for (const [was, now] of copied.renamed) renamed.set(was, now);
        return { id: entryId, own: copied.copy };
      })
    : kind.sections
        .filter((section) => canLayIn(site, section))
        .map((section, i) => ({
          id: `${id}-s${i + 1}`,
          own: layIn(site, section, `${id}-s${i + 1}`, {
            headed: i > 0,
            ...(i === 0 && kind !== PAGE_KINDS.plain ? { title } : {}),
          }),
        }));
  const { header, footer } = site.shared;
  const stays = new Set(['page', header.id, footer.id, ...Object.keys(footer.blocks)]);
  const owner = (was: string): string | undefined => {
    const [entry, within] = was.split(':');
    if (within !== undefined && (entry === 'header' || entry === 'footer')) return was;
    if (within !== undefined) return renamed.has(`${entry}:`) ? renamed.get(`${entry}:`)! + within : undefined;
    return stays.has(was) ? was : renamed.get(was);
  };
  const overrides = source ? copiedValues(source.overrides, owner, id) : [];
  const page: Page = {
    ...(source?.under === undefined ? {} : { under: source.under }),
    ...(source?.header === undefined ? {} : { header: source.header }),
    ...(source?.footer === undefined ? {} : { footer: source.footer }),
    ...(source?.without === undefined ? {} : { without: source.without }),
    id,
    title,
    description: '',
    file: `${uniquePath(title, takenPaths(site, pages), 'page')}.html`,
    sectionOrder: entries.map((entry) => entry.id),
    sections: Object.fromEntries(entries.map((entry) => [entry.id, entry])),
    overrides: Object.fromEntries(overrides.map((override) => [override.id, override])),
  };
  return { label: `Add page ${title}`, ops: [insertOp(site, ['pages'], ['pageOrder'], id, page, copyOf ?? undefined)] };
}

/**
 * Renames a page. Its address follows as long as it was made from the title and
 * nobody has it yet; else it stays, so that links from outside stay good.
 *
 * @param open whether the address may still change: the page was never live
 */
export function renamePage(site: Site, id: string, title: string, open = false): Edit {
  const page = site.pages[id]!;
  const follows = open && page.file !== 'index.html' && page.file === addressFor(site, page.title, id);
  return {
    label: `Rename ${page.title}`,
    ops: [
      setOp(site, ['pages', id, 'title'], title),
      ...(follows ? [setOp(site, ['pages', id, 'file'], addressFor(site, title, id))] : []),
    ],
  };
}

/**
 * Gives a page another address. One that was live leads on to the page from then on,
 * until another page takes it.
 *
 * @param live whether the address before may be known outside
 */
export function addressPage(site: Site, id: string, file: string, live: boolean): Edit {
  const page = site.pages[id]!;
  const former = [...(page.former ?? []).filter((name) => name !== file), ...(live ? [page.file] : [])];
  return {
    label: `Address of ${page.title}`,
    ops: [setOp(site, ['pages', id, 'file'], file), ...formerOps(site, id, former), ...givenUp(site, id, file)],
  };
}

const formerOps = (site: Site, id: string, former: readonly string[]): Op[] => {
  const before = site.pages[id]!.former ?? [];
  return former.length === before.length && former.every((name, i) => name === before[i])
    ? []
    : [setOp(site, ['pages', id, 'former'], former.length === 0 ? undefined : former)];
};

/** An address that a page takes leads on to no other any more. */
function givenUp(site: Site, id: string, file: string): Op[] {
  return Object.values(site.pages)
    .filter((page) => page.id !== id && page.former?.includes(file))
    .flatMap((page) =>
      formerOps(
        site,
        page.id,
        page.former!.filter((was) => was !== file),
      ),
    );
}

/**
 * Puts a page under another, or (null) under none. @throws ChangeRefused when one of the two is the home page, or that
 * one is under another itself, or this one has pages under it
 */
export function putUnder(site: Site, id: string, above: string | null): Edit {
  const page = site.pages[id]!;
  if (
    above !== null &&
    (above === id ||
      page.file === 'index.html' ||
      site.pages[above]!.file === 'index.html' ||
      site.pages[above]!.under !== undefined ||
      pagesUnder(site, id).length > 0)
  )
    throw new ChangeRefused('in-use', 'Pages nest one level deep, and the home page has no parent and no subpages.');
  return {
    label: above === null ? `${page.title} under no page` : `${page.title} under ${site.pages[above]!.title}`,
    ops: [setOp(site, ['pages', id, 'under'], above ?? undefined)],
  };
}

/** Pages under a page, in page order. */
export const pagesUnder = (site: Site, id: string): string[] =>
  site.pageOrder.filter((page) => site.pages[page]!.under === id);

/** Returns the pages under which a page can stand: none if some stand under it, as pages nest one level. */
export const possibleParents = (site: Site, id: string): string[] =>
  pagesUnder(site, id).length > 0
    ? []
    : site.pageOrder.filter(
        (other) => other !== id && site.pages[other]!.under === undefined && site.pages[other]!.file !== 'index.html',
      );

/** The address that a title gives, other pages' left out. */
function addressFor(site: Site, title: string, id: string): string {
  return `${uniquePath(
    title,
    takenPaths(
      site,
      Object.values(site.pages).filter((page) => page.id !== id),
    ),
    'page',
  )}.html`;
}

/** Addresses that no page can have any more, without their ending: those of pages, of items, and of the specimen. */
const takenPaths = (site: Site, pages: readonly Page[]): string[] => [
  'specimen',
  ...[...pages, ...itemPages(site)].map((page) => page.file.replace(/\.html$/, '')),
];

/** Returns the address for a typed text: `Opening hours` becomes `opening-hours.html`. */
export function pageAddress(text: string): string {
  return `${uniquePath(text.trim().replace(/\.html$/i, ''), [], 'page')}.html`;
}

/** Menu entries that lead to a page, and links in words, buttons and cards that do. */
export function pageUses(site: Site, id: string): { readonly menu: readonly string[]; readonly links: number } {
  const menu = site.shared.header.order.filter((item) => leadsTo(site.shared.header.items[item]!, id));
  const links = referencesTo(site, 'page', id).filter(
    ([root, name]) =>
      !(root === 'shared' && name === 'header') && !(root === 'pages' && name === id) && root !== 'collections',
  );
  return { menu, links: links.length };
}

export function movePage(site: Site, id: string, steps: -1 | 1): Edit | undefined {
  const op = stepOp(site, ['pageOrder'], id, steps);
  return op && { label: `Move ${site.pages[id]!.title}`, ops: [op] };
}

/**
 * Deletes a page and its menu entries; links to it lead to the home page.
 * @throws ChangeRefused for the home page
 */
export function removePage(site: Site, id: string): Edit {
  const page = site.pages[id]!;
  if (page.file === 'index.html')
    throw new ChangeRefused('in-use', 'The home page cannot be deleted. It is what visitors see first.');
  const home = Object.values(site.pages).find((entry) => entry.file === 'index.html')!.id;
  const ops: Op[] = [
    ...removeFromMenu(site, id).ops,
    ...Object.values(site.collections)
      .filter((collection) => collection.page === id)
      .map((collection) => setOp(site, ['collections', collection.id, 'page'], undefined)),
  ];
  if (pageUses(site, id).links > 0) ops.push(redirectOp('page', id, home));
  for (const name of pagesUnder(site, id)) ops.push(setOp(site, ['pages', name, 'under'], undefined));
  ops.push(removeOp(site, ['pages'], ['pageOrder'], id));
  return { label: `Delete page ${page.title}`, ops };
}

/** The name by which links lead to a section, or (empty) none. Links to the one it had follow. */
export function anchorSection(site: Site, page: string, entry: string, anchor: string): Edit {
  const was = site.pages[page]!.sections[entry]!.anchor;
  const label = `Anchor of ${sectionOf(site, site.pages[page]!.sections[entry]!)!.label}`;
  return {
    label,
    ops: [
      setOp(site, ['pages', page, 'sections', entry, 'anchor'], anchor || undefined),
      ...(was === undefined ? [] : retold(site, page, was, anchor)),
    ],
  };
}

/** One link, by its address, as another one: in running words all of them are set. */
export function linkOp(site: Site, at: readonly string[], to: (link: Href) => Href): Op {
  const words = at.slice(0, -2);
  const runs = valueAt(site, words);
  // Runs are a list: a run in it is named by its id.
  return Array.isArray(runs)
    ? setOp(
        site,
        words,
        (runs as readonly Inline[]).map((run) =>
          'link' in run && run.id === at.at(-2) ? { ...run, link: to(run.link) } : run,
        ),
      )
    : setOp(site, at, to(valueAt(site, at) as Href));
}

/** Links to an anchor of a page as links to another one; those in running words are set with all of these. */
function retold(site: Site, page: string, was: string, anchor: string): Op[] {
  const to = (link: Href): Href =>
    link.to === 'page' && link.page === page && link.anchor === was
      ? { to: 'page', page, ...(anchor === '' ? {} : { anchor }) }
      : link;
  const ops = new Map<string, Op>();
  for (const at of linksTo(site, page, was)) {
    const words = at.slice(0, -2);
    const runs = valueAt(site, words);
    const [where, value] = Array.isArray(runs)
      ? [words, (runs as readonly Inline[]).map((run) => ('link' in run ? { ...run, link: to(run.link) } : run))]
      : [at, to(valueAt(site, at) as Href)];
    ops.set(where.join('/'), setOp(site, where, value));
  }
  return [...ops.values()];
}

/** Addresses of the links that lead to an anchor of a page. */
export function linksTo(site: Site, page: string, anchor: string): string[][] {
  const found: string[][] = [];
  walk(SiteSchema, site, (meaning, value, at) => {
    if (
      meaning.means === 'link' &&
      isRecord(value) &&
      value['to'] === 'page' &&
      value['page'] === page &&
      value['anchor'] === anchor
    )
      found.push([...at]);
  });
  return found;
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null;

/** Takes the entries of a page from the menu, or adds one if there is none. */
export const toggleMenu = (site: Site, page: string, id: string): Edit =>
  pageUses(site, page).menu.length > 0 ? removeFromMenu(site, page) : addToMenu(site, page, id);
