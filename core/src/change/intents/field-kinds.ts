import { itemsOf } from '../../collections/index.ts';
import type { FieldKind, Site } from '../../site/index.ts';
import type { Op } from '../change.ts';
import { listsOf } from './collections.ts';
import { setOp, type Edit } from './edit.ts';

/** The effect of a change of a field's kind on the items, shown before the change. */
export interface FieldKindPlan {
  readonly edit: Edit;
  /** The number of items with a value, and the number of those whose value fits the new kind. */
  readonly said: number;
  readonly matched: number;
  /** Values that match nothing of the new kind. Items keep them as text, and show them again under the old kind. */
  readonly without: readonly string[];
}

const MOST_OPTIONS = 100;
const plainName = (name: string): string =>
  name
    .trim()
    .toLowerCase()
    .replace(/\.[a-z0-9]{2,5}$/, '');

/**
 * Plans a change of a field's kind. Texts that become pictures or downloads match
 * those of the site by name, without regard to case and file extension. Pictures and
 * downloads that become text turn into their names. Texts that become a choice turn
 * into its options. No value is dropped.
 */
export function planFieldKind(site: Site, collection: string, field: string, kind: FieldKind): FieldKindPlan {
  const of = site.collections[collection]!;
  const now = of.fields[field]!;
  const at = ['collections', collection, 'fields', field];
  const ops: Op[] = [setOp(site, [...at, 'kind'], kind)];
  const items = itemsOf(site, of);
  const without: string[] = [];
  let [said, matched] = [0, 0];
  const named = new Map(
    kind === 'picture'
      ? Object.values(site.assets).map(({ id, name }) => [plainName(name), id])
      : kind === 'download'
        ? Object.values(site.downloads).map(({ id, name }) => [plainName(name), id])
        : [],
  );
  const options = new Set(now.options ?? []);
  for (const item of items) {
    const value = item.values[field] ?? '';
    const shown =
      now.kind === 'picture'
        ? site.assets[item.pictures?.[field]?.asset ?? '']?.name
        : now.kind === 'download'
          ? site.downloads[item.downloads?.[field] ?? '']?.name
          : value;
    if (!shown) continue;
    said++;
    if (kind === 'picture' || kind === 'download') {
      const id = named.get(plainName(shown));
      if (id === undefined) {
        without.push(shown);
        continue;
      }
      matched++;
      const key = kind === 'picture' ? 'pictures' : 'downloads';
      const entry = kind === 'picture' ? { asset: id, alt: item.pictures?.[field]?.alt ?? '' } : id;
      ops.push(
        item[key]
          ? setOp(site, ['items', item.id, key, field], entry)
          : setOp(site, ['items', item.id, key], { [field]: entry }),
      );
      continue;
    }
    matched++;
    // A picture or download that becomes text turns into its name, unless the item still has an earlier text.
    if (value === '') ops.push(setOp(site, ['items', item.id, 'values', field], shown));
    if (kind === 'choice' && options.size < MOST_OPTIONS) options.add(shown.trim().slice(0, 80));
  }
  if (kind === 'choice' && options.size > 0) ops.push(setOp(site, [...at, 'options'], [...options].filter(Boolean)));
  return { edit: { label: `Kind of field ${now.label}`, ops }, said, matched, without: [...new Set(without)] };
}

/**
 * Sets the choices of a field. A new choice in the position of a missing one is that
 * choice renamed: items and lists that use the old name get the new name.
 */
export function setOptions(site: Site, collection: string, field: string, given: readonly string[]): Edit {
  const of = site.collections[collection]!;
  const { label, options: before = [] } = of.fields[field]!;
  const options = [...new Set(given.map((entry) => entry.trim()).filter(Boolean))];
  const renamed = new Map(
    before.length === options.length
      ? before.flatMap((was, i) =>
          was !== options[i] && !options.includes(was) && !before.includes(options[i]!)
            ? [[was, options[i]!] as const]
            : [],
        )
      : [],
  );
  const ops: Op[] = [setOp(site, ['collections', collection, 'fields', field, 'options'], options)];
  for (const item of renamed.size > 0 ? itemsOf(site, of) : []) {
    const now = renamed.get(item.values[field] ?? '');
    if (now !== undefined) ops.push(setOp(site, ['items', item.id, 'values', field], now));
  }
  for (const { at, block } of renamed.size > 0 ? listsOf(site, collection) : []) {
    const now = block.only === field ? renamed.get(block.value ?? '') : undefined;
    if (now !== undefined) ops.push(setOp(site, [...at, 'value'], now));
  }
  return { label: `Choices of ${label}`, ops };
}
