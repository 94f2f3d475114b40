import type { ItemQuery } from '../kinds/index.ts';
import type { Collection, Item, Site } from '../site/index.ts';

export type Query = ItemQuery;

/** Items of a collection in the order of its table. */
export function itemsOf(site: Pick<Site, 'items'>, collection: Collection): Item[] {
  return collection.itemOrder.map((id) => site.items[id]!);
}

/** What lists have shown of the items of a site: each is worked out once for the same items, collection and query. */
const shown = new WeakMap<Site['items'], Map<string, { readonly collection: Collection; readonly items: readonly Item[] }>>();

/** The items a list shows, in its order. Figures are ordered as figures, dates as dates, all else by the language; what says nothing comes last. */
export function listedItems(site: Site, query: Query): readonly Item[] {
  const collection = Object.hasOwn(site.collections, query.collection) ? site.collections[query.collection]! : undefined;
  if (!collection) return [];
  const { by, down, only, value, limit } = query;
  const key = JSON.stringify([collection.id, site.language, by, down, only, value, limit]);
  let known = shown.get(site.items);
  if (!known) shown.set(site.items, (known = new Map()));
  const before = known.get(key);
  if (before?.collection === collection) return before.items;
  const items = listed(site, collection, query);
  known.set(key, { collection, items });
  return items;
}

function listed(site: Site, collection: Collection, { by, down, only, value, limit }: Query): readonly Item[] {
  const wanted = value?.trim().toLowerCase();
  const all = itemsOf(site, collection).filter((item) => only === undefined || !wanted || (item.values[only] ?? '').trim().toLowerCase() === wanted);
  const field = by === undefined ? undefined : collection.fields[by];
  if (!field) return (down ? all.reverse() : all).slice(0, limit);
  const compare = comparing(field.kind, site.language);
  const turn = down ? -1 : 1;
  const said = (item: Item) => (item.values[field.id] ?? '').trim();
  // Of ten thousand a few are shown: those that come first so far are kept in order, and most of the others are behind the last of them.
  const first: { readonly item: Item; readonly value: string }[] = [];
  const comesBefore = (one: string, other: string) => (one === '' || other === '' ? one !== '' && other === '' : turn * compare(one, other) < 0);
  for (const item of all) {
    const one = { item, value: said(item) };
    if (first.length >= limit && !comesBefore(one.value, first[first.length - 1]!.value)) continue;
    let [low, high] = [0, first.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (comesBefore(one.value, first[middle]!.value)) high = middle;
      else low = middle + 1;
    }
    first.splice(low, 0, one);
    if (first.length > limit) first.pop();
  }
  return first.map(({ item }) => item);
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
