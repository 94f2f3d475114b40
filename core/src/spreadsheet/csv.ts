import Papa from 'papaparse';
import { LIMITS } from '../fields/index.ts';
import type { Collection, Site } from '../site/index.ts';
import { itemsOf, namingField } from '../collections/index.ts';

/** A row of a sheet, with its line there, from 1: empty lines are not counted. */
export interface SheetRow {
  readonly line: number;
  readonly cells: readonly string[];
}

/** A sheet as it was read: names of columns, and rows with what was left out of them. */
export interface Sheet {
  readonly head: readonly string[];
  readonly rows: readonly SheetRow[];
  /** Lines that could not be read, from 1, and why. */ readonly left: readonly {
    readonly line: number;
    readonly why: string;
  }[];
}

/** Returns a cell without the apostrophe that `writeSheet` puts before what a program would run as a formula. */
const plain = (cell: string): string => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

/**
 * Reads a sheet: lines of cells with commas, semicolons or tabs between, found by
 * themselves; the first line names the columns.
 *
 * @returns the sheet, or in a sentence why it is none
 */
export function readSheet(text: string): Sheet | string {
  // One more than may come: of a million rows none is read but those.
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    preview: LIMITS.items + 2,
  });
  const [head, ...rows] = data;
  if (!head) return 'The file is empty. The first line names the columns; each further line is an item.';
  if (rows.length > LIMITS.items)
    return `It has more than ${LIMITS.items.toLocaleString('en-GB')} rows, the limit of a collection. Nothing was imported. Split the file first.`;
  const names = head.map((name) => plain(name.trim()));
  const twice = names.find(
    (name, i) => name !== '' && names.findIndex((other) => other.toLowerCase() === name.toLowerCase()) !== i,
  );
  if (twice !== undefined) return `Two columns are called “${twice}”. Nothing was imported. Rename one of them.`;
  if (rows.length === 0)
    return `It has a header row (${names.slice(0, 4).join(', ')}) and no rows below it. Nothing was imported.`;
  const broken = new Map(
    errors
      .filter(({ type, row }) => type === 'Quotes' && row !== undefined)
      .map(({ row }) => [row!, 'a quotation mark is not closed']),
  );
  const left: { line: number; why: string }[] = [];
  const whole = rows
    .map((cells, i): SheetRow => ({ line: i + 2, cells: cells.map(plain) }))
    .filter(({ line, cells }) => {
      const why =
        broken.get(line - 1) ??
        (cells.length > names.length
          ? `has ${cells.length} cells, and there are ${names.length} columns`
          : cells.some((cell) => cell.length > 4000)
            ? 'has a cell of over 4,000 characters'
            : undefined);
      if (why !== undefined) left.push({ line, why });
      return why === undefined;
    });
  return { head: names, rows: whole, left };
}

/**
 * The items of a collection as a sheet, in the order of its table: every field a column, pictures and downloads by
 * their names.
 */
export function writeSheet(site: Site, collection: Collection): string {
  const fields = collection.fieldOrder.map((id) => collection.fields[id]!);
  const cell = (item: Site['items'][string], field: (typeof fields)[number]): string =>
    field.kind === 'download'
      ? (site.downloads[item.downloads?.[field.id] ?? '']?.name ?? '')
      : field.kind === 'picture'
        ? (site.assets[item.pictures?.[field.id]?.asset ?? '']?.name ?? '')
        : (item.values[field.id] ?? '');
  return `${Papa.unparse({ fields: fields.map(({ label }) => label), data: itemsOf(site, collection).map((item) => fields.map((field) => cell(item, field))) }, { newline: '\n', escapeFormulae: true })}\n`;
}

/** The column of a sheet that names its items: the one called like the naming field, else the first. */
export function namingColumn({ head }: Sheet, collection: Collection): number {
  const label = collection.fields[namingField(collection)]!.label.toLowerCase();
  return Math.max(
    0,
    head.findIndex((name) => name.toLowerCase() === label),
  );
}
