import { itemFile, itemName, listedItems, type Query } from '../collections/index.ts';
import type { ListedItem } from '../kinds/index.ts';
import type { Block } from '../kinds/index.ts';
import { sectionOf, type Page, type Section, type Site } from '../site/index.ts';

/** What a list of a collection shows, in its order: of each item the fields it asks for, as far as the item says something. */
export function shownItems(site: Site, query: Query): ListedItem[] {
  return listedItems(site, query).map((item): ListedItem => {
    const collection = site.collections[item.collection]!;
    const words = (field: string | undefined) => {
      const text = field === undefined ? '' : (item.values[field] ?? '').trim();
      return text === '' ? undefined : { text, at: ['items', item.id, 'values', field!] };
    };
    const picture = query.picture === undefined ? undefined : item.pictures?.[query.picture];
    const [heading, text, href] = [words(query.heading), words(query.text), itemFile(site, item)];
    return {
      id: item.id, name: itemName(collection, item), ...(href === undefined ? {} : { href }), ...(heading ? { heading } : {}), ...(text ? { text } : {}),
      ...(picture ? { picture: { ...picture, at: ['items', item.id, 'pictures', query.picture!] } } : {}),
    };
  });
}

/** What of the items decides how the places of a list look: which of them there are. */
export function shapeOfItems(site: Site, query: Query): string {
  return shownItems(site, query).map((item) => `${item.heading ? 'h' : ''}${item.text ? 't' : ''}${item.href === undefined ? '' : '>'}${item.picture ? `p${site.assets[item.picture.asset]?.bound ? item.picture.asset : ''}` : ''}`).join(';');
}

const reading = new WeakMap<Section, boolean>();

/** Whether a block lists the items of a collection. */
export const listsItems = (block: Block): block is Extract<Block, { kind: 'items' }> => 'collection' in block;

function sectionReads(section: Section): boolean {
  let known = reading.get(section);
  if (known === undefined) reading.set(section, (known = Object.values(section.blocks).some(listsItems)));
  return known;
}

/** Whether what a page shows hangs on items: it lists some, or is the page that they have one like each. */
export function readsItems(site: Site, page: Page): boolean {
  if (site.collectionOrder.length === 0) return false;
  return Object.values(site.collections).some((one) => one.page === page.id) || sectionReads(site.shared.footer) || page.sectionOrder.some((id) => {
    const section = sectionOf(site, page.sections[id]!);
    return section !== undefined && sectionReads(section);
  });
}
