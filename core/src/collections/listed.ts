import type { ItemQuery } from '../kinds/index.ts';
import type { Collection, Item, Site } from '../site/index.ts';

export type Query = ItemQuery;

/** Items of a collection in the order of its table. */
export function itemsOf(site: Pick<Site, 'items'>, collection: Collection): Item[] {
  return collection.itemOrder.map((id) => site.items[id]!);
}

/** The items a list shows, in its order. Figures are ordered as figures, dates as dates, all else by the language; what says nothing comes last. */
export function listedItems(site: Site, query: Query): Item[] {
  const collection = Object.hasOwn(site.collections, query.collection) ? site.collections[query.collection]! : undefined;
  if (!collection) return [];
  const wanted = query.value?.trim().toLowerCase();
  const all = itemsOf(site, collection).filter((item) => query.only === undefined || !wanted || (item.values[query.only] ?? '').trim().toLowerCase() === wanted);
  const field = query.by === undefined ? undefined : collection.fields[query.by];
  if (!field) return (query.down ? all.reverse() : all).slice(0, query.limit);
  const compare = comparing(field.kind, site.language);
  const turn = query.down ? -1 : 1;
  return all.map((item, i) => ({ item, i, value: (item.values[field.id] ?? '').trim() }))
    .sort((one, other) => (one.value === '' || other.value === '' ? Number(one.value === '') - Number(other.value === '') : turn * compare(one.value, other.value)) || one.i - other.i)
    .slice(0, query.limit).map(({ item }) => item);
}

/** How two values of a field that are both there are ordered. */
export function comparing(kind: string, language: string): (one: string, other: string) => number {
  if (kind === 'number') return (one, other) => Number(one) - Number(other) || (one < other ? -1 : one > other ? 1 : 0);
  if (kind === 'date') return (one, other) => (one < other ? -1 : one > other ? 1 : 0);
  const { compare } = new Intl.Collator(language, { numeric: true });
  return compare;
}

/** The field that names an item: the first line, else the first field. */
export function namingField(collection: Collection): string {
  return collection.fieldOrder.find((id) => collection.fields[id]!.kind === 'line') ?? collection.fieldOrder[0]!;
}

/** What an item is called. */
export const itemName = (collection: Collection, item: Item): string => item.values[namingField(collection)]?.trim() || item.slug;

/** File of an item's own page; undefined where its collection has none like it. */
export function itemFile(site: Site, item: Item): string | undefined {
  const collection = site.collections[item.collection];
  return collection?.page === undefined ? undefined : `${collection.path}-${item.slug}.html`;
}
