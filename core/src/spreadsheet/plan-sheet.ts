import { uniqueName, uniquePath } from '../palette/index.ts';
import { itemName, itemsOf, namingField, takenSlugs } from '../collections/index.ts';
import { LIMITS } from '../fields/index.ts';
import type { CollectionField, FieldKind, Item, Site } from '../site/index.ts';
import { setOp, type Edit, type Op } from '../change/index.ts';
import { namingColumn, type Sheet } from './csv.ts';

/** The effect of importing a spreadsheet into a collection, before it is imported. */
export interface SheetPlan {
  readonly columns: readonly {
    readonly head: string;
    /** The field it goes to; of a new one the kind it will have; null: it has no name and is left. */ readonly field:
      string | null;
    readonly fresh: FieldKind | null;
  }[];
  readonly added: number;
  readonly changed: number;
  readonly same: number;
  readonly left: readonly { readonly line: number; readonly why: string }[];
  readonly edit: Edit | null;
}

/**
 * Plans bringing a sheet in: columns go to fields of the same name, others become
 * fields; a row whose name an item has already changes that item, others are added,
 * in the order of the sheet. What the collection has and the sheet lacks stays.
 *
 * @param fresh makes an id
 * @returns the plan, or in a sentence why nothing of it can be brought in
 */
export function planSheet(site: Site, id: string, sheet: Sheet, fresh: () => string): SheetPlan | string {
  const collection = site.collections[id]!;
  const known = new Map(Object.values(collection.fields).map((field) => [field.label.toLowerCase(), field]));
  const naming = namingColumn(sheet, collection);
  const ops: Op[] = [];
  const labels = Object.values(collection.fields).map(({ label }) => label);
  let last = collection.fieldOrder.at(-1) ?? null;
  const targets = sheet.head.map((head, column): CollectionField | undefined => {
    if (head === '') return undefined;
    const field =
      known.get(head.toLowerCase()) ?? (column === naming ? collection.fields[namingField(collection)] : undefined);
    if (field) return field;
    const made: CollectionField = {
      id: fresh(),
      label: uniqueName(head.slice(0, 80), labels),
      kind: kindOfColumn(sheet.rows.map(({ cells }) => cells[column] ?? '')),
    };
    labels.push(made.label);
    ops.push({
      op: 'insert',
      record: ['collections', id, 'fields'],
      order: ['collections', id, 'fieldOrder'],
      id: made.id,
      value: made,
      after: last,
    });
    last = made.id;
    return made;
  });
  const downloads = new Map(
    Object.values(site.downloads).map((download) => [download.name.toLowerCase(), download.id]),
  );
  const pictures = new Map(Object.values(site.assets).map((asset) => [asset.name.toLowerCase(), asset.id]));
  const byName = new Map(itemsOf(site, collection).map((item) => [itemName(collection, item).toLowerCase(), item]));
  const slugs = new Set(takenSlugs(site, collection));
  const left = [...sheet.left];
  const inserts: Op[] = [];
  let [added, changed, same] = [0, 0, 0];
  let after = collection.itemOrder.at(-1) ?? null;
  const seen = new Set<string>();
  sheet.rows.forEach(({ line, cells: row }) => {
    const name = (row[naming] ?? '').trim();
    if (name === '')
      return void left.push({ line, why: `has no value in “${sheet.head[naming]}”, which names the items` });
    if (seen.has(name.toLowerCase())) return void left.push({ line, why: `“${name.slice(0, 60)}” appears twice` });
    seen.add(name.toLowerCase());
    const values: Record<string, string> = {};
    const shown: Record<string, string> = {};
    const handed: Record<string, string> = {};
    targets.forEach((field, column) => {
      const cell = (row[column] ?? '').trim();
      if (!field || cell === '') return;
      if (field.kind === 'download') {
        if (downloads.has(cell.toLowerCase())) handed[field.id] = downloads.get(cell.toLowerCase())!;
        else
          left.push({
            line,
            why: `no download of the site is called “${cell.slice(0, 60)}”; the other cells are imported`,
          });
      } else if (field.kind !== 'picture') values[field.id] = cell;
      else if (pictures.has(cell.toLowerCase())) shown[field.id] = pictures.get(cell.toLowerCase())!;
      else
        left.push({ line, why: `no image of the site is called “${cell.slice(0, 60)}”; the other cells are imported` });
    });
    const item = byName.get(name.toLowerCase());
    if (item) {
      const differing = Object.entries(values).filter(([field, value]) => item.values[field] !== value);
      for (const [field, value] of differing) ops.push(setOp(site, ['items', item.id, 'values', field], value));
      const others = Object.entries(shown).filter(([field, asset]) => item.pictures?.[field]?.asset !== asset);
      if (others.length > 0)
        ops.push(
          setOp(site, ['items', item.id, 'pictures'], {
            ...item.pictures,
            ...Object.fromEntries(
              others.map(([field, asset]) => [field, { asset, alt: item.pictures?.[field]?.alt ?? '' }]),
            ),
          }),
        );
      const given = Object.entries(handed).filter(([field, download]) => item.downloads?.[field] !== download);
      if (given.length > 0)
        ops.push(setOp(site, ['items', item.id, 'downloads'], { ...item.downloads, ...Object.fromEntries(given) }));
      if (differing.length + others.length + given.length > 0) changed++;
      else same++;
      return;
    }
    const key = fresh();
    const slug = uniquePathIn(name, slugs);
    const made: Item = {
      id: key,
      collection: id,
      slug,
      values,
      ...(Object.keys(shown).length > 0
        ? { pictures: Object.fromEntries(Object.entries(shown).map(([field, asset]) => [field, { asset, alt: '' }])) }
        : {}),
      ...(Object.keys(handed).length > 0 ? { downloads: handed } : {}),
    };
    inserts.push({
      op: 'insert',
      record: ['items'],
      order: ['collections', id, 'itemOrder'],
      id: key,
      value: made,
      after,
    });
    after = key;
    added++;
  });
  if (collection.itemOrder.length + added > LIMITS.items)
    return `The collection would have ${(collection.itemOrder.length + added).toLocaleString('en-GB')} items; at most ${LIMITS.items.toLocaleString('en-GB')} are allowed. Nothing was imported.`;
  const all = [...ops, ...inserts];
  return {
    columns: sheet.head.map((head, i) => ({
      head,
      field: targets[i]?.id ?? null,
      fresh: targets[i] && !Object.hasOwn(collection.fields, targets[i]!.id) ? targets[i]!.kind : null,
    })),
    added,
    changed,
    same,
    left: left.sort((entry, other) => entry.line - other.line),
    edit: all.length === 0 ? null : { label: `${collection.label} from a sheet`, ops: all },
  };
}

/**
 * An address that none has yet, told apart by a number where it must be; with a set, ten thousand of them take no
 * longer than they must.
 */
function uniquePathIn(name: string, taken: Set<string>): string {
  const base = uniquePath(name, [], 'item');
  let slug = base;
  for (let n = 2; taken.has(slug); n++) slug = `${base.slice(0, 54)}-${n}`;
  taken.add(slug);
  return slug;
}

/** Returns the type of a column by its cells. */
function kindOfColumn(cells: readonly string[]): FieldKind {
  const said = cells.map((cell) => cell.trim()).filter((cell) => cell !== '');
  const all = (test: (cell: string) => boolean) => said.length > 0 && said.every(test);
  if (all((cell) => /^-?\d+([.]\d+)?$/.test(cell))) return 'number';
  if (all((cell) => /^\d{4}-\d{2}-\d{2}$/.test(cell))) return 'date';
  if (all((cell) => /^(https?:\/\/|mailto:|tel:)\S+$/i.test(cell))) return 'link';
  return said.some((cell) => cell.length > 120 || cell.includes('\n')) ? 'text' : 'line';
}
