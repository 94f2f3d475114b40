import type * as v from 'valibot';
import {
  groupsOfList,
  originOf,
  itemFile,
  itemName,
  listPageFile,
  listedItems,
  numberOf,
  pagesOfList,
  richPlain,
  richRuns,
  type Query,
} from '../../collections/index.ts';
import { Block, hrefIs, walk, type ItemWords, type ListPage, type ListedItem } from '../../kinds/index.ts';
import { downloadFile } from '../files/download-file.ts';
import { Header, sectionsOn, type Page, type Section, type Site } from '../../site/index.ts';

/**
 * Returns the items of a list in order, each with the requested fields that have a value.
 *
 * @param page that it stands on: one that a list goes on over shows what comes there
 */
export function shownItems(site: Site, query: Query, page?: Page): ListedItem[] {
  const skipped = query.paged && page ? (numberOf(page).number - 1) * query.limit : 0;
  const groups = groupsOfList(site, query);
  return listedItems(site, { ...query, from: (query.from ?? 0) + skipped }).map((item): ListedItem => {
    const collection = site.collections[item.collection]!;
    const words = (id: string | undefined): ItemWords | undefined => {
      const field = id === undefined ? undefined : collection.fields[id];
      if (field?.kind === 'download') {
        const download = site.downloads[item.downloads?.[field.id] ?? ''];
        return download && { text: download.name, href: downloadFile(download) };
      }
      const text = field ? (item.values[field.id] ?? '').trim() : '';
      if (!field || text === '') return undefined;
      if (field.kind === 'rich') return { text: richPlain(text), runs: richRuns(text) };
      const link = field.kind === 'link' ? hrefIs(text) : undefined;
      return { text, at: ['items', item.id, 'values', field.id], ...(link?.to === 'url' ? { href: link.url } : {}) };
    };
    const picture = query.picture === undefined ? undefined : item.pictures?.[query.picture];
    const [heading, text, further, href] = [
      words(query.heading),
      words(query.text),
      words(query.further),
      itemFile(site, item),
    ];
    const group = query.group === undefined ? undefined : (item.values[query.group] ?? '').trim();
    return {
      id: item.id,
      name: itemName(collection, item),
      ...(href === undefined ? {} : { href }),
      ...(heading ? { heading } : {}),
      ...(text ? { text } : {}),
      ...(further ? { further } : {}),
      ...(picture ? { picture: { ...picture, at: ['items', item.id, 'pictures', query.picture!] } } : {}),
      ...(group === undefined ? {} : { group: { text: group, count: groups.get(group) ?? 0 } }),
    };
  });
}

/** Most numbers that lead to pages of a list from one of them. */
const AROUND = 2;

/** The pages that a list goes on over, as they are led to from a page: the first, the last and those around it. */
export function shownListPages(site: Site, query: Query, page: Page): ListPage[] {
  const count = query.paged ? pagesOfList(site, query) : 1;
  const { number, first } = numberOf(page);
  if (count < 2) return [];
  return Array.from({ length: count }, (_, i) => i + 1)
    .filter((value) => value === 1 || value === count || Math.abs(value - number) <= AROUND)
    .map((value) => ({ number: value, href: listPageFile(first.file, value), here: value === number }));
}

/** Returns the part of the items that decides the look of a list: the shown items. */
export function shapeOfItems(site: Site, query: Query, page: Page): string {
  const links = (words: ItemWords | undefined) =>
    (words?.href === undefined ? '' : '>') + (words?.runs?.map((run) => ('link' in run ? '>' : '')).join('') ?? '');
  let group: string | undefined;
  const shape = shownItems(site, query, page)
    .map((item) => {
      const begins = item.group && item.group.text !== group ? (item.group.text === '' ? '/' : 'g/') : '';
      group = item.group?.text;
      return `${begins}${item.heading ? `h${links(item.heading)}` : ''}${item.text ? `t${links(item.text)}` : ''}${item.further ? `f${links(item.further)}` : ''}${item.href === undefined ? '' : '>'}${item.picture ? `p${site.assets[item.picture.asset]?.bound ? item.picture.asset : ''}` : ''}`;
    })
    .join(';');
  return `${shape}${'#'.repeat(shownListPages(site, query, page).length)}`;
}

const reading = new WeakMap<Section, boolean>();

/** Returns true if a block lists the items of a collection. */
export const listsItems = (block: Block): block is Extract<Block, { kind: 'items' }> => 'collection' in block;

function sectionReads(section: Section): boolean {
  let known = reading.get(section);
  if (known === undefined)
    reading.set(
      section,
      (known = Object.values(section.blocks).some((block) => listsItems(block) || linksItem(Block, block))),
    );
  return known;
}

/** Returns true if something leads to the page of an item: its address is the item's. */
function linksItem(schema: v.GenericSchema, value: unknown): boolean {
  let found = false;
  walk(schema, value, (meaning, entry) => {
    if (
      meaning.means === 'link' &&
      (entry as Partial<Record<string, unknown>> | null | undefined)?.['item'] !== undefined
    )
      found = true;
  });
  return found;
}

const readingHeaders = new WeakMap<Header, boolean>();

function headerReads(header: Header): boolean {
  let known = readingHeaders.get(header);
  if (known === undefined) readingHeaders.set(header, (known = linksItem(Header, header)));
  return known;
}

/** Returns true if what a page shows hangs on items: it lists some, or is the page that they have one like each. */
export function readsItems(site: Site, page: Page): boolean {
  if (site.collectionOrder.length === 0) return false;
  return (
    Object.values(site.collections).some((collection) => collection.page === originOf(page).id) ||
    headerReads(site.shared.header) ||
    sectionsOn(site, page).some(sectionReads)
  );
}
