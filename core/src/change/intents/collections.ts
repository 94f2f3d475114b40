import { uniqueName, uniquePath } from '../../palette/index.ts';
import type { BlockOf } from '../../kinds/index.ts';
import { itemName, itemsOf, namingField, takenSlugs } from '../../collections/index.ts';
import {
  sectionsOf,
  type Collection,
  type CollectionField,
  type FieldKind,
  type Item,
  type Site,
} from '../../site/index.ts';
import { layIn, SECTION_KINDS } from '../../sections/index.ts';
import { stylesByRole } from '../../style/index.ts';
import type { Op } from '../change.ts';
import { ChangeRefused } from '../refused.ts';
import { insertOp, removeOp, setOp, type Edit } from './edit.ts';

const RECORD = ['collections'];
const ORDER = ['collectionOrder'];
const itemOrder = (collection: string): string[] => ['collections', collection, 'itemOrder'];

/** A collection with a first field for the names of its items. */
export function addCollection(site: Site, id: string, label: string): Edit {
  const others = Object.values(site.collections);
  const made: Collection = {
    id,
    label: uniqueName(
      label,
      others.map((other) => other.label),
    ),
    path: uniquePath(
      label,
      [
        ...others.map((other) => other.path),
        ...Object.values(site.pages).map((page) => page.file.replace(/\.html$/, '')),
      ],
      'items',
    ),
    fields: { name: { id: 'name', label: 'Name', kind: 'line' }, text: { id: 'text', label: 'Text', kind: 'text' } },
    fieldOrder: ['name', 'text'],
    itemOrder: [],
  };
  return { label: `Add collection ${made.label}`, ops: [insertOp(site, RECORD, ORDER, id, made)] };
}

/** Deletes a collection with its items. @throws ChangeRefused while a list shows it */
export function removeCollection(site: Site, id: string): Edit {
  const { label, itemOrder: order } = site.collections[id]!;
  const lists = listsOf(site, id);
  if (lists.length > 0)
    throw new ChangeRefused(
      'in-use',
      `${label} is shown by ${lists.length === 1 ? 'a list' : `${lists.length} lists`}. Delete ${lists.length === 1 ? 'it' : 'them'} first, or let ${lists.length === 1 ? 'it' : 'them'} show another collection.`,
    );
  return {
    label: `Delete collection ${label}`,
    ops: [
      ...[...order].reverse().map((item) => removeOp(site, ['items'], itemOrder(id), item)),
      removeOp(site, RECORD, ORDER, id),
    ],
  };
}

/** A field more, last. */
export function addField(site: Site, collection: string, id: string, label: string, kind: FieldKind): Edit {
  const { fields } = site.collections[collection]!;
  const field: CollectionField = {
    id,
    kind,
    label: uniqueName(
      label,
      Object.values(fields).map((entry) => entry.label),
    ),
  };
  return {
    label: `Add field ${field.label}`,
    ops: [insertOp(site, [...RECORD, collection, 'fields'], [...RECORD, collection, 'fieldOrder'], id, field)],
  };
}

/**
 * Deletes a field with what the items say of it; lists that show it do not any more.
 * @throws ChangeRefused for the last one
 */
export function removeField(site: Site, collection: string, id: string): Edit {
  const of = site.collections[collection]!;
  if (of.fieldOrder.length === 1)
    throw new ChangeRefused('in-use', `${of.label} needs at least one field: items would have no name.`);
  const ops: Op[] = [];
  for (const { at, block } of listsOf(site, collection))
    for (const key of ['heading', 'text', 'further', 'picture', 'by', 'only', 'group'] as const)
      if (block[key] === id) ops.push(setOp(site, [...at, key], undefined));
  for (const item of itemsOf(site, of)) {
    if (Object.hasOwn(item.values, id)) ops.push(setOp(site, ['items', item.id, 'values', id], undefined));
    if (item.downloads && Object.hasOwn(item.downloads, id))
      ops.push(setOp(site, ['items', item.id, 'downloads', id], undefined));
    if (item.pictures && Object.hasOwn(item.pictures, id))
      ops.push(setOp(site, ['items', item.id, 'pictures', id], undefined));
  }
  ops.push(removeOp(site, [...RECORD, collection, 'fields'], [...RECORD, collection, 'fieldOrder'], id));
  return { label: `Delete field ${of.fields[id]!.label}`, ops };
}

/** Lists of a collection, with their addresses. */
export function listsOf(
  site: Site,
  collection: string,
): { readonly at: readonly string[]; readonly block: BlockOf<'items'> }[] {
  return sectionsOf(site).flatMap(({ section, at }) =>
    Object.values(section.blocks).flatMap((block) =>
      block.kind === 'items' && block.collection === collection ? [{ at: [...at, 'blocks', block.id], block }] : [],
    ),
  );
}

/** An item, behind another or last. Its address is made from its name. */
export function addItem(site: Site, collection: string, id: string, values: Item['values'] = {}, after?: string): Edit {
  const of = site.collections[collection]!;
  const name = values[namingField(of)]?.trim() || `New in ${of.label}`;
  const item: Item = {
    id,
    collection,
    slug: slugFor(site, of, name),
    values: values[namingField(of)]?.trim() ? values : { ...values, [namingField(of)]: name },
  };
  return { label: `Add ${name}`, ops: [insertOp(site, ['items'], itemOrder(collection), id, item, after)] };
}

const slugFor = (site: Site, of: Collection, name: string): string => uniquePath(name, takenSlugs(site, of), 'item');

/**
 * Sets the value of an item in a field; an empty value removes the entry. The item's
 * address follows its name until the address is published or edited by hand.
 *
 * @param live the published site; null or absent when nothing is published
 */
export function setField(site: Site, id: string, field: string, value: string, live?: Site | null): Edit {
  const item = site.items[id]!;
  const of = site.collections[item.collection]!;
  const ops = [setOp(site, ['items', id, 'values', field], value === '' ? undefined : value)];
  const follows =
    field === namingField(of) &&
    value.trim() !== '' &&
    live?.items[id]?.slug !== item.slug &&
    !item.former &&
    isMade(item.slug, itemName(of, item), `New in ${of.label}`);
  if (follows) {
    const slug = uniquePath(
      value,
      takenSlugs(site, of).filter((name) => name !== item.slug),
      'item',
    );
    if (slug !== item.slug) ops.push(setOp(site, ['items', id, 'slug'], slug));
  }
  return { label: `${of.fields[field]!.label} of ${itemName(of, item)}`, ops };
}

/** Returns true if an address was made from one of the names, with or without a number at its end. */
const isMade = (slug: string, ...names: readonly string[]): boolean =>
  names.some((name) => slug.replace(/-\d+$/, '') === uniquePath(name, [], 'item').replace(/-\d+$/, ''));

/**
 * Gives an item another address. A former address that was published redirects to the new one.
 *
 * @throws ChangeRefused when another item or a page has the address
 */
export function addressItem(site: Site, id: string, wanted: string, live?: Site | null): Edit {
  const item = site.items[id]!;
  const of = site.collections[item.collection]!;
  const slug = uniquePath(wanted, [], 'item');
  const label = `Address of ${itemName(of, item)}`;
  if (slug === item.slug) return { label, ops: [] };
  if (takenSlugs(site, of).includes(slug))
    throw new ChangeRefused(
      'in-use',
      `${of.path}-${slug}.html is the address of another item or page. Nothing was changed; choose another.`,
    );
  const wasLive = live?.items[id]?.slug === item.slug;
  // An item that takes a former address again needs no redirect from it.
  const former = [...new Set([...(item.former ?? []), ...(wasLive ? [item.slug] : [])])].filter(
    (name) => name !== slug,
  );
  return {
    label,
    ops: [
      setOp(site, ['items', id, 'slug'], slug),
      ...(former.length > 0 || item.former
        ? [setOp(site, ['items', id, 'former'], former.length > 0 ? former : undefined)]
        : []),
    ],
  };
}

/** The picture that an item has in a field; null for none. What it says in words stays when another is chosen. */
export function setItemPicture(site: Site, id: string, field: string, asset: string | null): Edit {
  const item = site.items[id]!;
  const of = site.collections[item.collection]!;
  const value = asset === null ? undefined : { asset, alt: item.pictures?.[field]?.alt ?? '' };
  const op = item.pictures
    ? setOp(site, ['items', id, 'pictures', field], value)
    : setOp(site, ['items', id, 'pictures'], value && { [field]: value });
  return { label: `${of.fields[field]!.label} of ${itemName(of, item)}`, ops: [op] };
}

/** The download that an item has in a field; null for none. */
export function setItemDownload(site: Site, id: string, field: string, download: string | null): Edit {
  const item = site.items[id]!;
  const of = site.collections[item.collection]!;
  const op = item.downloads
    ? setOp(site, ['items', id, 'downloads', field], download ?? undefined)
    : setOp(site, ['items', id, 'downloads'], download === null ? undefined : { [field]: download });
  return { label: `${of.fields[field]!.label} of ${itemName(of, item)}`, ops: [op] };
}

/** Says the same in a field of several items; undefined where all of them say it already. */
export function fillIn(site: Site, field: string, value: string, ids: readonly string[]): Edit | undefined {
  const others = ids.filter((id) => (site.items[id]?.values[field] ?? '') !== value);
  const of = others.length > 0 ? site.collections[site.items[others[0]!]!.collection]! : undefined;
  return (
    of && {
      label: `${of.fields[field]!.label} of ${others.length} items`,
      ops: others.map((id) => setOp(site, ['items', id, 'values', field], value === '' ? undefined : value)),
    }
  );
}

export function duplicateItem(site: Site, id: string, copy: string): Edit {
  const item = site.items[id]!;
  const of = site.collections[item.collection]!;
  const name = itemName(of, item);
  return {
    label: `Duplicate ${name}`,
    ops: [
      insertOp(
        site,
        ['items'],
        itemOrder(of.id),
        copy,
        { ...item, id: copy, slug: slugFor(site, of, `${name} copy`) },
        id,
      ),
    ],
  };
}

export function removeItems(site: Site, ids: readonly string[]): Edit {
  const first = site.items[ids[0]!]!;
  const name = itemName(site.collections[first.collection]!, first);
  const wanted = new Set(ids);
  const last = site.collections[first.collection]!.itemOrder.filter((id) => wanted.has(id)).reverse();
  return {
    label: ids.length === 1 ? `Delete ${name}` : `Delete ${ids.length} items`,
    ops: last.map((id) => removeOp(site, ['items'], itemOrder(first.collection), id)),
  };
}

/**
 * Makes a page the one that each item has one like, or (null) none. @throws ChangeRefused for the home page, and for
 * one that is another collection's
 */
export function pageOfItems(site: Site, collection: string, page: string | null): Edit {
  const of = site.collections[collection]!;
  if (page !== null && site.pages[page]!.file === 'index.html')
    throw new ChangeRefused('in-use', 'The home page cannot be the page of items: it is what visitors see first.');
  const other =
    page === null
      ? undefined
      : Object.values(site.collections).find((entry) => entry.page === page && entry.id !== collection);
  if (other)
    throw new ChangeRefused(
      'in-use',
      `${site.pages[page!]!.title} is the page of the items of ${other.label} already.`,
    );
  return { label: `Page of ${of.label}`, ops: [setOp(site, [...RECORD, collection, 'page'], page ?? undefined)] };
}

/**
 * Lays a section in that lists a collection: a heading, and its items with their
 * name, first text and first picture, the latest first where they have a date.
 *
 * @param id of the new section; it goes behind `after`, or last
 */
export function addListSection(site: Site, page: string, collection: string, id: string, after?: string): Edit {
  const of = site.collections[collection]!;
  const first = (kind: FieldKind) => of.fieldOrder.find((field) => of.fields[field]!.kind === kind);
  const [text, picture, date] = [first('text'), first('picture'), first('date')];
  const { minor, running } = stylesByRole(site.brand);
  const { groundOrder } = site.brand;
  const laid = layIn(site, SECTION_KINDS.text, id, { headed: true, title: of.label });
  const list: BlockOf<'items'> = {
    kind: 'items',
    id: `${id}-list`,
    collection,
    look: 'cards',
    heading: namingField(of),
    ...(text === undefined ? {} : { text }),
    ...(picture === undefined ? {} : { picture }),
    ...(date === undefined ? {} : { by: date, down: true as const }),
    limit: 12,
    ground: groundOrder[1] ?? groundOrder[0]!,
    headingStyle: minor,
    headingLevel: 3,
    textStyle: running,
  };
  const [column] = laid.columnOrder;
  const [title] = laid.columns[column!]!.order;
  const heading = laid.blocks[title!]!;
  const own = {
    ...laid,
    label: of.label,
    columns: { [column!]: { id: column!, order: [heading.id, list.id] } },
    blocks: {
      [heading.id]: heading.kind === 'text' ? { ...heading, content: [{ text: of.label }] } : heading,
      [list.id]: list,
    },
  };
  return {
    label: `List of ${of.label} on ${site.pages[page]!.title}`,
    ops: [insertOp(site, ['pages', page, 'sections'], ['pages', page, 'sectionOrder'], id, { id, own }, after)],
  };
}
