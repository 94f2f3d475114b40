import { createHash } from 'node:crypto';
import { readEntries } from './read-entries.ts';
import * as v from 'valibot';
import { Change, SiteIssues, readStored } from '@yohaku/core';
import { BACKUP, BackupRefused, LATER, TABLES, tableNow, tableOf, type Manifest } from './format.ts';

/** The content of a backup. */
export interface BackupSummary {
  readonly made: string;
  readonly migrations: number;
  readonly manifest: Manifest;
  readonly sites: readonly {
    readonly id: string;
    readonly name: string;
    readonly sequence: number;
    readonly pages: number;
  }[];
  readonly changes: number;
  readonly files: number;
}

/**
 * Reads everything in a backup back: every entry against its sum, every file
 * against its hash, every row as JSON, every count, and every site as the desk
 * would open it.
 * @throws BackupRefused with what is wrong and where
 */
export async function checkBackup(file: string): Promise<BackupSummary> {
  const sums = new Map<string, string>();
  const counts = new Map<string, number>();
  const sites = new Map<string, { document: Record<string, unknown>; sequence: number }>();
  const pages = new Map<string, Map<string, unknown>>();
  const items = new Map<string, Map<string, unknown>>();
  const logs = new Map<string, number[]>();
  const bytes = new Set<string>();
  let manifest: Manifest | undefined;
  for await (const { name, content } of readEntries(file)) {
    if (name === 'backup.json') {
      manifest = readManifest(content, file);
      continue;
    }
    const sum = createHash('sha256').update(content).digest('hex');
    sums.set(name, sum);
    if (name.startsWith('files/')) {
      if (name !== `files/${sum}`) throw new BackupRefused(`${file} is damaged: the content of ${name} is wrong.`);
      bytes.add(sum);
      continue;
    }
    const table = tableOf(name);
    if (!table) throw new BackupRefused(`${file} is not a backup of Yohaku: it holds ${name.slice(0, 60)}.`);
    for (const row of rowsOf(content, file, name)) {
      counts.set(table, (counts.get(table) ?? 0) + 1);
      if (table === 'sites')
        sites.set(String(row['id']), {
          document: row['document'] as Record<string, unknown>,
          sequence: Number(row['sequence']),
        });
      if (table === 'items') put(items, row);
      if (table === 'pages') put(pages, row);
      if (table === 'files' && !bytes.has(String(row['hash'])))
        throw new BackupRefused(`${file} is damaged: the file ${String(row['hash']).slice(0, 64)} is missing.`);
      if (table === 'changes') {
        if (!v.is(StoredChange, row))
          throw new BackupRefused(
            `${file} is damaged: edit ${shown(row['sequence'])} of the site “${shown(row['site_id'])}” cannot be read.`,
          );
        const log = logs.get(row.site_id) ?? [];
        logs.set(row.site_id, log);
        log.push(row.sequence);
      }
      if (table === 'publishes' && !v.is(StoredPublication, row))
        throw new BackupRefused(
          `${file} is damaged: publication ${shown(row['number'])} of the site “${shown(row['site_id'])}” cannot be read.`,
        );
    }
  }
  if (!manifest) throw new BackupRefused(`${file} is cut off: its last part is missing. Use another backup.`);
  for (const [name, sum] of Object.entries(manifest.sums))
    if (sums.get(name) !== sum)
      throw new BackupRefused(
        `${file} is damaged: ${name} ${sums.has(name) ? 'is not what was written' : 'is missing'}. Use another backup.`,
      );
  for (const name of sums.keys())
    if (!Object.hasOwn(manifest.sums, name))
      throw new BackupRefused(`${file} holds ${name}, which was not written with it. Use another backup.`);
  for (const table of TABLES)
    if ((counts.get(table) ?? 0) !== manifest.tables[table].rows)
      throw new BackupRefused(
        `${file} is damaged: it holds ${counts.get(table) ?? 0} rows of ${table}, not ${manifest.tables[table].rows}.`,
      );
  const opened = [...sites].map(([id, { document, sequence }]) => {
    const { site } = open(file, id, {
      ...document,
      pages: Object.fromEntries(pages.get(id) ?? []),
      items: Object.fromEntries(items.get(id) ?? []),
    });
    checkLog(file, id, sequence, logs.get(id) ?? []);
    return { id, name: site.name, sequence, pages: site.pageOrder.length };
  });
  return {
    made: manifest.made,
    migrations: manifest.migrations,
    manifest,
    sites: opened,
    changes: manifest.tables.changes.rows,
    files: manifest.tables.files.rows,
  };
}

/**
 * An edit as the table keeps it. Older edits have operations that no site takes any more, so only their form is
 * checked.
 */
const StoredChange = v.looseObject({
  site_id: v.string(),
  sequence: v.pipe(v.number(), v.integer()),
  change: v.looseObject({ id: Change.entries.id, ops: v.array(v.looseObject({ op: v.string() })) }),
  inverse: v.array(v.looseObject({ op: v.string() })),
});
/** A publication as the table keeps it. */
const StoredPublication = v.looseObject({
  number: v.number(),
  manifest: v.record(v.string(), v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/))),
  verdict: v.looseObject({ places: v.number(), passed: v.number(), failed: v.number() }),
  site: v.looseObject({}),
});

/** A value of a damaged row, short enough for a sentence. */
const shown = (value: unknown): string =>
  String(typeof value === 'object' ? JSON.stringify(value) : value).slice(0, 60);

/** Notes the document of a row under its site and its own id. */
function put(records: Map<string, Map<string, unknown>>, row: Record<string, unknown>): void {
  const site = String(row['site_id']);
  const ofSite = records.get(site) ?? new Map<string, unknown>();
  records.set(site, ofSite);
  ofSite.set(String(row['id']), row['document']);
}

/**
 * @throws BackupRefused when edits of a site are missing, or are newer than the site: no further edit could be saved
 * then
 */
function checkLog(file: string, id: string, sequence: number, log: number[]): void {
  if (log.length === 0) return;
  log.sort((a, b) => a - b);
  const broken = log.findIndex((number, i) => i > 0 && number !== log[i - 1]! + 1);
  if (broken > 0)
    throw new BackupRefused(
      `${file} is damaged: edits of the site “${id}” are missing or there twice after edit ${log[broken - 1]}.`,
    );
  if (log.at(-1) !== sequence)
    throw new BackupRefused(
      `${file} is damaged: the site “${id}” is at edit ${sequence}, and its last edit is ${log.at(-1)}.`,
    );
}

function readManifest(content: Buffer, file: string): Manifest {
  let found: Partial<Manifest>;
  try {
    found = JSON.parse(content.toString('utf8')) as Partial<Manifest>;
  } catch {
    throw new BackupRefused(`${file} is damaged: its list of what it holds cannot be read.`);
  }
  if (found.format !== BACKUP.format || typeof found.version !== 'number' || typeof found.migrations !== 'number')
    throw new BackupRefused(`${file} is not a backup of Yohaku.`);
  if (found.version > BACKUP.version)
    throw new BackupRefused(
      `${file} was made by a newer Yohaku (backups of version ${found.version}; this one reads up to ${BACKUP.version}). Update this Yohaku.`,
    );
  const tables = {
    ...Object.fromEntries(LATER.map((table) => [table, { columns: [], rows: 0 }])),
    ...Object.fromEntries(Object.entries(found.tables ?? {}).map(([name, entry]) => [tableNow(name), entry])),
  } as Manifest['tables'];
  if (
    typeof found.sums !== 'object' ||
    found.sums === null ||
    !found.tables ||
    TABLES.some((table) => !isColumns(tables[table]?.columns)) ||
    typeof found.made !== 'string' ||
    !Number.isFinite(Date.parse(found.made))
  )
    throw new BackupRefused(`${file} is damaged: its list of what it holds lacks a part.`);
  return { ...found, tables } as Manifest;
}

const isColumns = (columns: unknown): boolean =>
  Array.isArray(columns) &&
  columns.every((column) => typeof column === 'string') &&
  new Set(columns).size === columns.length;

const isRow = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The rows of an entry. @throws BackupRefused naming entry and line */
export function rowsOf(content: Buffer, file: string, name: string): Record<string, unknown>[] {
  return content
    .toString('utf8')
    .split('\n')
    .filter((line) => line !== '')
    .map((line, i) => {
      try {
        const row = JSON.parse(line) as unknown;
        if (isRow(row)) return row;
      } catch {
        // Said below, as for a value that is no row.
      }
      throw new BackupRefused(`${file} is damaged: line ${i + 1} of ${name} cannot be read.`);
    });
}

function open(file: string, id: string, document: unknown) {
  try {
    return readStored(document);
  } catch (error) {
    if (!(error instanceof SiteIssues)) throw error;
    throw new BackupRefused(
      `the site “${id}” in ${file} cannot be read: ${error.issues[0]!.path} ${error.issues[0]!.message}.`,
    );
  }
}
