import type { ItemQuery } from '../kinds/index.ts';
import type { Collection, Item, Site } from '../site/index.ts';

export type Query = ItemQuery;

/** Items of a collection in the order of its table. */
export function itemsOf(site: Pick<Site, 'items'>, collection: Collection): Item[] {
  return collection.itemOrder.map((id) => site.items[id]!);
}

/** The items that each list showed, by collection and query, as long as the items are the same. */
const shown = new WeakMap<
  Site['items'],
  Map<string, { readonly collection: Collection; readonly items: readonly Item[] }>
>();

/**
 * The items a list shows, in its order. Figures are ordered as figures, dates as dates, all else by the language; what
 * says nothing comes last.
 */
export function listedItems(site: Site, query: Query): readonly Item[] {
  const collection = Object.hasOwn(site.collections, query.collection)
    ? site.collections[query.collection]!
    : undefined;
  if (!collection) return [];
  const { by, down, only, value, limit, from = 0, group } = query;
  const key = JSON.stringify([collection.id, site.language, by, down, only, value, limit, from, group]);
  let known = shown.get(site.items);
  if (!known) shown.set(site.items, (known = new Map()));
  const before = known.get(key);
  if (before?.collection === collection) return before.items;
  const items = listed(site, collection, query);
  known.set(key, { collection, items });
  return items;
}

/** Items that a list is of, all of them, in the order of the table. */
function wantedItems(site: Site, collection: Collection, { only, value }: Pick<Query, 'only' | 'value'>): Item[] {
  const wanted = value?.trim().toLowerCase();
  return itemsOf(site, collection).filter(
    (item) => only === undefined || !wanted || (item.values[only] ?? '').trim().toLowerCase() === wanted,
  );
}

/** How many items a list is of, without its limit. */
export function listedCount(site: Site, query: Pick<Query, 'collection' | 'only' | 'value'>): number {
  const collection = Object.hasOwn(site.collections, query.collection)
    ? site.collections[query.collection]!
    : undefined;
  if (!collection) return 0;
  return query.only === undefined || !query.value?.trim()
    ? collection.itemOrder.length
    : wantedItems(site, collection, query).length;
}

/** Returns the groups of a list in their order, with the number of items in each; items without a value come last. */
export function groupsOfList(site: Site, query: Query): ReadonlyMap<string, number> {
  const collection = Object.hasOwn(site.collections, query.collection)
    ? site.collections[query.collection]!
    : undefined;
  const field = query.group === undefined ? undefined : collection?.fields[query.group];
  if (!collection || !field) return new Map();
  const counts = new Map<string, number>();
  for (const item of wantedItems(site, collection, query)) {
    const said = (item.values[field.id] ?? '').trim();
    counts.set(said, (counts.get(said) ?? 0) + 1);
  }
  const compare = comparing(field.kind, site.language);
  const place = (said: string) =>
    said === '' ? Infinity : (field.options?.indexOf(said) ?? -1) < 0 ? 1e6 : field.options!.indexOf(said);
  return new Map([...counts].sort(([name], [other]) => place(name) - place(other) || compare(name, other)));
}

function listed(site: Site, collection: Collection, query: Query): readonly Item[] {
  const { by, down, limit, from = 0, group } = query;
  if (group !== undefined && Object.hasOwn(collection.fields, group)) {
    const order = [...groupsOfList(site, query).keys()];
    const each = new Map<string, Item[]>(order.map((said) => [said, []]));
    for (const item of listed(site, collection, { ...query, group: undefined, from: 0, limit: Infinity }))
      each.get((item.values[group] ?? '').trim())!.push(item);
    return [...each.values()].flat().slice(from, from + limit);
  }
  return inOrder(site, collection, wantedItems(site, collection, query), by, down ?? false, from + limit).slice(from);
}

/** The first so many of some items, in the order of a field. */
function inOrder(
  site: Site,
  collection: Collection,
  all: Item[],
  by: string | undefined,
  down: boolean,
  limit: number,
): readonly Item[] {
  const field = by === undefined ? undefined : collection.fields[by];
  if (!field) return (down ? all.reverse() : all).slice(0, limit);
  const compare = comparing(field.kind, site.language);
  const turn = down ? -1 : 1;
  const said = (item: Item) => (item.values[field.id] ?? '').trim();
  const comesBefore = (name: string, other: string) =>
    name === '' || other === '' ? name !== '' && other === '' : turn * compare(name, other) < 0;
  if (limit * 4 > all.length) {
    const valued = all.map((item) => ({ item, value: said(item) }));
    return valued
      .sort((entry, other) =>
        comesBefore(entry.value, other.value) ? -1 : comesBefore(other.value, entry.value) ? 1 : 0,
      )
      .slice(0, limit)
      .map(({ item }) => item);
  }
  // Of ten thousand a few are shown: those that come first so far are kept in order, and most of the others are behind
  // the last of them.
  const first: { readonly item: Item; readonly value: string }[] = [];
  for (const item of all) {
    const entry = { item, value: said(item) };
    if (first.length >= limit && !comesBefore(entry.value, first[first.length - 1]!.value)) continue;
    let [low, high] = [0, first.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (comesBefore(entry.value, first[middle]!.value)) high = middle;
      else low = middle + 1;
    }
    first.splice(low, 0, entry);
    if (first.length > limit) first.pop();
  }
  return first.map(({ item }) => item);
}

/** How two values of a field that are both there are ordered. */
export function comparing(kind: string, language: string): (name: string, other: string) => number {
  if (kind === 'number')
    return (name, other) => Number(name) - Number(other) || (name < other ? -1 : name > other ? 1 : 0);
  if (kind === 'date') return (name, other) => (name < other ? -1 : name > other ? 1 : 0);
  const { compare } = new Intl.Collator(language, { numeric: true });
  return compare;
}

/** The field that names an item: the first line, else the first field. */
export function namingField(collection: Collection): string {
  return collection.fieldOrder.find((id) => collection.fields[id]!.kind === 'line') ?? collection.fieldOrder[0]!;
}

/** Returns the name of an item. */
export const itemName = (collection: Collection, item: Item): string =>
  item.values[namingField(collection)]?.trim() || item.slug;

/** File of an item's own page; undefined where its collection has none like it. */
export function itemFile(site: Site, item: Item): string | undefined {
  const collection = site.collections[item.collection];
  return collection?.page === undefined ? undefined : itemFileOf(collection, item);
}

/** Returns the file name of an item's page; its collection must have item pages. */
export const itemFileOf = ({ path }: Collection, { slug }: Item): string => `${path}-${slug}.html`;
