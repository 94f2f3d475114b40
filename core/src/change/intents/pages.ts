import { uniqueName, uniquePath } from '../../palette/index.ts';
import { walk, type Block, type Href, type Inline } from '../../kinds/index.ts';
import type { BandId } from '../../shape/index.ts';
import { referencesTo, sectionOf, Site as SiteSchema, type Override, type Page, type Section, type SectionEntry, type Site } from '../../site/index.ts';
import { itemPages } from '../../collections/index.ts';
import { editedPage, pageTree } from '../../page/index.ts';
import type { Op } from '../change.ts';
import { valueAt } from '../json.ts';
import { ChangeRefused } from '../refused.ts';
import { PAGE_KINDS, SECTION_KINDS, canLayIn, layIn, type PageKind, type SectionKind } from '../../sections/index.ts';
import { insertOp, redirectOp, removeOp, setOp, stepOp, type Edit } from './edit.ts';
import { inTurn } from './in-turn.ts';
import { leadsTo, removeFromMenu } from './menu.ts';

/** Gives fresh ids to a section and its blocks, so that a copy is independent of its source. */
function copySection(section: Section, id: string): { readonly copy: Section; readonly renamed: ReadonlyMap<string, string> } {
  const renamed = new Map(Object.keys(section.blocks).map((block, i) => [block, `${id}-b${i + 1}`]));
  const blocks = Object.fromEntries(Object.values(section.blocks).map((block): [string, Block] => [renamed.get(block.id)!, { ...block, id: renamed.get(block.id)! }]));
  const columns = Object.fromEntries(Object.entries(section.columns).map(([key, column]) => [key, { ...column, order: column.order.map((block) => renamed.get(block)!) }]));
  return { copy: { ...section, id, blocks, columns }, renamed: new Map([[section.id, id], ...renamed]) };
}

/** Returns the overrides of the copied sections and blocks under their new ids; other overrides are dropped. */
function copiedValues(values: Readonly<Record<string, Override>>, owner: (was: string) => string | undefined, id: string, from = 0): Override[] {
  const copies: Override[] = [];
  for (const value of Object.values(values)) {
    const [was = '', ...within] = value.place.split('/');
    const now = owner(was);
    if (now !== undefined) copies.push({ ...value, id: `${id}-o${from + copies.length + 1}`, place: [now, ...within].join('/') });
  }
  return copies;
}

/**
 * Adds a page behind the others: of a kind, or a copy of one (its own sections copied,
 * shared ones shared, with what is set on its places).
 *
 * @param kind of what it is made when it is no copy; sections for which the site has nothing yet (a picture) are left out
 */
export function addPage(site: Site, id: string, copyOf: string | null, kind: PageKind = PAGE_KINDS.plain): Edit {
  const pages = Object.values(site.pages);
  const source = copyOf ? site.pages[copyOf]! : undefined;
  const title = uniqueName(source ? `${source.title} copy` : kind.title, pages.map((one) => one.title));
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
    : kind.sections.filter((section) => canLayIn(site, section)).map((section, i) => ({ id: `${id}-s${i + 1}`, own: layIn(site, section, `${id}-s${i + 1}`, { headed: i > 0, ...(i === 0 && kind !== PAGE_KINDS.plain ? { title } : {}) }) }));
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
    ...(source?.under === undefined ? {} : { under: source.under }), ...(source?.header === undefined ? {} : { header: source.header }), ...(source?.footer === undefined ? {} : { footer: source.footer }), ...(source?.without === undefined ? {} : { without: source.without }),
    id, title, description: '', file: `${uniquePath(title, takenPaths(site, pages), 'page')}.html`,
    sectionOrder: entries.map((entry) => entry.id), sections: Object.fromEntries(entries.map((entry) => [entry.id, entry])), overrides: Object.fromEntries(overrides.map((override) => [override.id, override])),
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
  return { label: `Rename ${page.title}`, ops: [setOp(site, ['pages', id, 'title'], title), ...(follows ? [setOp(site, ['pages', id, 'file'], addressFor(site, title, id))] : [])] };
}

/**
 * Gives a page another address. One that was live leads on to the page from then on,
 * until another page takes it.
 *
 * @param live whether the address before may be known outside
 */
export function addressPage(site: Site, id: string, file: string, live: boolean): Edit {
  const page = site.pages[id]!;
  const former = [...(page.former ?? []).filter((one) => one !== file), ...(live ? [page.file] : [])];
  return { label: `Address of ${page.title}`, ops: [setOp(site, ['pages', id, 'file'], file), ...formerOps(site, id, former), ...givenUp(site, id, file)] };
}

const formerOps = (site: Site, id: string, former: readonly string[]): Op[] => {
  const before = site.pages[id]!.former ?? [];
  return former.length === before.length && former.every((one, i) => one === before[i]) ? [] : [setOp(site, ['pages', id, 'former'], former.length === 0 ? undefined : former)];
};

/** An address that a page takes leads on to no other any more. */
function givenUp(site: Site, id: string, file: string): Op[] {
  return Object.values(site.pages).filter((page) => page.id !== id && page.former?.includes(file)).flatMap((page) => formerOps(site, page.id, page.former!.filter((was) => was !== file)));
}

/** Puts a page under another, or (null) under none. @throws ChangeRefused when one of the two is the home page, or that one is under another itself, or this one has pages under it */
export function putUnder(site: Site, id: string, above: string | null): Edit {
  const page = site.pages[id]!;
  if (above !== null && (above === id || page.file === 'index.html' || site.pages[above]!.file === 'index.html' || site.pages[above]!.under !== undefined || pagesUnder(site, id).length > 0))
    throw new ChangeRefused('in-use', 'Pages nest one level deep, and the home page has no parent and no subpages.');
  return { label: above === null ? `${page.title} under no page` : `${page.title} under ${site.pages[above]!.title}`, ops: [setOp(site, ['pages', id, 'under'], above ?? undefined)] };
}

/** Pages under a page, in page order. */
export const pagesUnder = (site: Site, id: string): string[] => site.pageOrder.filter((one) => site.pages[one]!.under === id);

/** The address that a title gives, other pages' left out. */
function addressFor(site: Site, title: string, id: string): string {
  return `${uniquePath(title, takenPaths(site, Object.values(site.pages).filter((page) => page.id !== id)), 'page')}.html`;
}

/** Addresses that no page can have any more, without their ending: those of pages, of items, and of the specimen. */
const takenPaths = (site: Site, pages: readonly Page[]): string[] => ['specimen', ...[...pages, ...itemPages(site)].map((one) => one.file.replace(/\.html$/, ''))];

/** Returns the address for a typed text: `Opening hours` becomes `opening-hours.html`. */
export function pageAddress(text: string): string {
  return `${uniquePath(text.trim().replace(/\.html$/i, ''), [], 'page')}.html`;
}

/** Menu entries that lead to a page, and links in words, buttons and cards that do. */
export function pageUses(site: Site, id: string): { readonly menu: readonly string[]; readonly links: number } {
  const menu = site.shared.header.order.filter((item) => leadsTo(site.shared.header.items[item]!, id));
  const links = referencesTo(site, 'page', id).filter(([root, one]) => !(root === 'shared' && one === 'header') && !(root === 'pages' && one === id) && root !== 'collections');
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
  if (page.file === 'index.html') throw new ChangeRefused('in-use', 'The home page cannot be deleted. It is what visitors see first.');
  const home = Object.values(site.pages).find((one) => one.file === 'index.html')!.id;
  const ops: Op[] = [...removeFromMenu(site, id).ops, ...Object.values(site.collections).filter((collection) => collection.page === id).map((collection) => setOp(site, ['collections', collection.id, 'page'], undefined))];
  if (pageUses(site, id).links > 0) ops.push(redirectOp('page', id, home));
  for (const one of pagesUnder(site, id)) ops.push(setOp(site, ['pages', one, 'under'], undefined));
  ops.push(removeOp(site, ['pages'], ['pageOrder'], id));
  return { label: `Delete page ${page.title}`, ops };
}

const sectionLists = (page: string) => [['pages', page, 'sections'], ['pages', page, 'sectionOrder']] as const;

/** Adds a section of a kind behind another (or last). An opener on a page that has a first heading already gets one of the second level. */
export function addSection(site: Site, page: string, id: string, after?: string | null, kind: SectionKind = SECTION_KINDS.text): Edit {
  const [record, order] = sectionLists(page);
  const { title } = site.pages[page]!;
  const headed = pageTree(site, page).places.some((place) => place.level === 1);
  return { label: kind === SECTION_KINDS.text ? `Add a section to ${title}` : `Add ${kind.label} to ${title}`, ops: [insertOp(site, record, order, id, { id, own: layIn(site, kind, id, { headed, title }) }, after)] };
}

/** Copies a section behind itself as the page's own, with what is set on its places. */
export function duplicateSection(site: Site, page: string, entry: string, id: string): Edit {
  const [record, order] = sectionLists(page);
  const source = site.pages[page]!.sections[entry]!;
  const section = sectionOf(site, source)!;
  const { copy, renamed } = copySection(section, id);
  const prefix = (owner: string) => (was: string) => (was.startsWith(owner) ? renamed.get(was.slice(owner.length)) : undefined);
  // Overrides of a shared section come first, so that overrides of this page win.
  const used = 'shared' in source ? copiedValues(site.shared.overrides, prefix(`${source.shared}:`), id) : [];
  const values = [...used, ...copiedValues(site.pages[page]!.overrides, prefix('shared' in source ? `${entry}:` : ''), id, used.length)];
  return {
    label: `Duplicate ${section.label}`,
    ops: [insertOp(site, record, order, id, { id, own: copy }, entry), ...values.map((value) => insertOp(site, ['pages', page, 'overrides'], null, value.id, value))],
  };
}

/**
 * Keeps a page's own section for all pages: there it becomes the same one that others can have as well.
 * Overrides of its places stay with the section and apply everywhere it is used.
 *
 * @param kept id of the kept section; its blocks are called `kept-b1`, `kept-b2`, …
 * @param id of the new entry on the page
 */
export function keepSection(site: Site, page: string, entry: string, kept: string, id: string): Edit {
  const source = site.pages[page]!.sections[entry]!;
  if ('shared' in source) throw new ChangeRefused('in-use', 'This section is already reused; an edit changes every page that has it.');
  const [record, order] = sectionLists(page);
  const { copy, renamed } = copySection(source.own, kept);
  const label = uniqueName(source.own.label, Object.values(site.shared.sections).map((section) => section.label));
  const values = copiedValues(site.pages[page]!.overrides, (was) => (renamed.has(was) ? `${kept}:${renamed.get(was)!}` : undefined), kept);
  return {
    label: `Keep ${label}`,
    ops: [
      insertOp(site, ['shared', 'sections'], null, kept, { ...copy, label }), insertOp(site, record, order, id, { id, shared: kept }, entry),
      ...values.map((value) => insertOp(site, ['shared', 'overrides'], null, value.id, value)), removeOp(site, record, order, entry),
    ],
  };
}

/** Lays a kept section in on a page, as the same one, behind another (or last). */
export function addKept(site: Site, page: string, id: string, kept: string, after?: string | null): Edit {
  const [record, order] = sectionLists(page);
  return { label: `Add ${site.shared.sections[kept]!.label} to ${site.pages[page]!.title}`, ops: [insertOp(site, record, order, id, { id, shared: kept }, after)] };
}

/** Gives a page another header or footer: a kept section, none, or (undefined) that of all pages. */
export function pageEnd(site: Site, page: string, end: 'header' | 'footer', kept: string | null | undefined): Edit {
  const { title, without = [] } = site.pages[page]!;
  const left = [...without.filter((one) => one !== end), ...(kept === null ? [end] : [])];
  const words = kept === null ? `no ${end}` : kept === undefined ? `the ${end} of all pages` : site.shared.sections[kept]!.label;
  return { label: `${title}: ${words}`, ops: [setOp(site, ['pages', page, end], kept ?? undefined), ...(left.length === without.length ? [] : [setOp(site, ['pages', page, 'without'], left.length === 0 ? undefined : left)])] };
}

/** Makes of a kept section on a page one of that page's own; on other pages it stays what it was. */
export function ownSection(site: Site, page: string, entry: string, id: string): Edit {
  const edit = inTurn(site, '', [(now) => duplicateSection(now, page, entry, id), (now) => removeSection(now, page, entry)]);
  return { ...edit, label: `${sectionOf(site, site.pages[page]!.sections[entry]!)!.label} of ${site.pages[page]!.title} alone` };
}

/**
 * Deletes a kept section. Pages that have it each keep one of their own, or (`own`
 * false) lose it as well.
 *
 * @param fresh makes an id for each section that becomes a page's own
 */
export function removeKept(site: Site, kept: string, own: boolean, fresh: () => string): Edit {
  const { label } = site.shared.sections[kept]!;
  const stands = pagesWith(site, kept).flatMap((page) => site.pages[page]!.sectionOrder.flatMap((entry) => {
    const one = site.pages[page]!.sections[entry]!;
    return 'shared' in one && one.shared === kept ? [{ page, entry }] : [];
  }));
  const edit = inTurn(site, '', [
    ...stands.map(({ page, entry }) => (now: Site) => (own ? ownSection(now, page, entry, fresh()) : removeSection(now, page, entry))),
    // Where it stands as a header or footer, that of all pages comes back.
    (now) => ({ label: '', ops: [...(['header', 'footer'] as const).flatMap((end) => now.pageOrder.filter((page) => now.pages[page]![end] === kept).map((page) => setOp(now, ['pages', page, end], undefined))), removeOp(now, ['shared', 'sections'], null, kept)] }),
  ]);
  return { ...edit, label: `Delete reused section ${label}` };
}

/** Pages that have a kept section, in page order. */
export function pagesWith(site: Site, kept: string): string[] {
  return site.pageOrder.filter((id) => site.pages[id]!.header === kept || site.pages[id]!.footer === kept || Object.values(site.pages[id]!.sections).some((section) => 'shared' in section && section.shared === kept));
}

export function moveSection(site: Site, page: string, entry: string, steps: -1 | 1): Edit | undefined {
  const op = stepOp(site, sectionLists(page)[1], entry, steps);
  return op && { label: `Move ${sectionOf(site, site.pages[page]!.sections[entry]!)!.label}`, ops: [op] };
}

/** Moves a section of a page behind another of its sections, or (null) before them all; undefined where it stands there already. */
export function placeSection(site: Site, page: string, entry: string, after: string | null): Edit | undefined {
  const [, order] = sectionLists(page);
  const list = site.pages[page]!.sectionOrder;
  const wasAfter = list[list.indexOf(entry) - 1] ?? null;
  if (after === entry || after === wasAfter) return undefined;
  return { label: `Move ${sectionOf(site, site.pages[page]!.sections[entry]!)!.label}`, ops: [{ op: 'move', from: [...order], to: [...order], id: entry, after, wasAfter }] };
}

/** The name by which links lead to a section, or (empty) none. Links to the one it had follow. */
export function anchorSection(site: Site, page: string, entry: string, anchor: string): Edit {
  const was = site.pages[page]!.sections[entry]!.anchor;
  const label = `Anchor of ${sectionOf(site, site.pages[page]!.sections[entry]!)!.label}`;
  return { label, ops: [setOp(site, ['pages', page, 'sections', entry, 'anchor'], anchor || undefined), ...(was === undefined ? [] : retold(site, page, was, anchor))] };
}

/** One link, by its address, as another one: in running words all of them are set. */
export function linkOp(site: Site, at: readonly string[], to: (link: Href) => Href): Op {
  const words = at.slice(0, -2);
  const runs = valueAt(site, words);
  // Runs are a list: a run in it is named by its id.
  return Array.isArray(runs) ? setOp(site, words, (runs as readonly Inline[]).map((run) => ('link' in run && run.id === at.at(-2) ? { ...run, link: to(run.link) } : run))) : setOp(site, at, to(valueAt(site, at) as Href));
}

/** Links to an anchor of a page as links to another one; those in running words are set with all of these. */
function retold(site: Site, page: string, was: string, anchor: string): Op[] {
  const to = (link: Href): Href => (link.to === 'page' && link.page === page && link.anchor === was ? { to: 'page', page, ...(anchor === '' ? {} : { anchor }) } : link);
  const ops = new Map<string, Op>();
  for (const at of linksTo(site, page, was)) {
    const words = at.slice(0, -2);
    const runs = valueAt(site, words);
    const [where, value] = Array.isArray(runs) ? [words, (runs as readonly Inline[]).map((run) => ('link' in run ? { ...run, link: to(run.link) } : run))] : [at, to(valueAt(site, at) as Href)];
    ops.set(where.join('/'), setOp(site, where, value));
  }
  return [...ops.values()];
}

/** Addresses of the links that lead to an anchor of a page. */
export function linksTo(site: Site, page: string, anchor: string): string[][] {
  const found: string[][] = [];
  walk(SiteSchema, site, (meaning, value, at) => {
    if (meaning.means === 'link' && isRecord(value) && value['to'] === 'page' && value['page'] === page && value['anchor'] === anchor) found.push([...at]);
  });
  return found;
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> => typeof value === 'object' && value !== null;

/** Widths at which a section is not shown on a page; none shows it at all. */
export function hideSection(site: Site, page: string, entry: string, hidden: readonly BandId[]): Edit {
  return { label: `Where ${sectionOf(site, site.pages[page]!.sections[entry]!)!.label} is shown`, ops: [setOp(site, ['pages', page, 'sections', entry, 'hidden'], hidden.length === 0 ? undefined : [...hidden])] };
}

export function removeSection(site: Site, page: string, entry: string): Edit {
  const [record, order] = sectionLists(page);
  return { label: `Delete ${sectionOf(site, site.pages[page]!.sections[entry]!)!.label}`, ops: [removeOp(site, record, order, entry)] };
}

/** Address of the section behind an entry, or of what stands as `header` or `footer`: shared sections are edited for all pages. */
export function sectionAddress(site: Site, shown: string, entry: string): string[] {
  const page = editedPage(shown) ?? '';
  if (entry === 'header' || entry === 'footer') {
    const own = site.pages[page]?.[entry];
    return own === undefined ? ['shared', entry] : ['shared', 'sections', own];
  }
  const found = site.pages[page]!.sections[entry]!;
  return 'shared' in found ? ['shared', 'sections', found.shared] : ['pages', page, 'sections', entry, 'own'];
}
