import { createHash } from 'node:crypto';
import { readEntries } from './read-entries.ts';
import { SiteIssues, readStored } from '@yohaku/core';
import { BACKUP, BackupRefused, LATER, TABLES, tableNow, tableOf, type Manifest } from './format.ts';

/** What a backup holds. */
export interface BackupSummary { readonly made: string; readonly migrations: number; readonly manifest: Manifest; readonly sites: readonly { readonly id: string; readonly name: string; readonly sequence: number; readonly pages: number }[]; readonly changes: number; readonly files: number }

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
  const pages = new Map<string, Record<string, unknown>>();
  const items = new Map<string, Record<string, unknown>>();
  let manifest: Manifest | undefined;
  for await (const { name, content } of readEntries(file)) {
    if (name === 'backup.json') {
      manifest = readManifest(content, file);
      continue;
    }
    const sum = createHash('sha256').update(content).digest('hex');
    sums.set(name, sum);
    if (name.startsWith('files/')) {
      if (name !== `files/${sum}`) throw new BackupRefused(`${file} is damaged: what is kept as ${name} is something else.`);
      continue;
    }
    const table = tableOf(name);
    if (!table) throw new BackupRefused(`${file} is no backup of Yohaku: it holds ${name.slice(0, 60)}.`);
    for (const row of rowsOf(content, file, name)) {
      counts.set(table, (counts.get(table) ?? 0) + 1);
      if (table === 'sites') sites.set(String(row['id']), { document: row['document'] as Record<string, unknown>, sequence: Number(row['sequence']) });
      if (table === 'items') (items.get(String(row['site_id'])) ?? items.set(String(row['site_id']), {}).get(String(row['site_id']))!)[String(row['id'])] = row['document'];
      if (table === 'pages') {
        const of = pages.get(String(row['site_id'])) ?? {};
        of[String(row['id'])] = row['document'];
        pages.set(String(row['site_id']), of);
      }
    }
  }
  if (!manifest) throw new BackupRefused(`${file} is cut off: its last part is missing. Use another backup.`);
  for (const [name, sum] of Object.entries(manifest.sums)) if (sums.get(name) !== sum) throw new BackupRefused(`${file} is damaged: ${name} ${sums.has(name) ? 'is not what was written' : 'is missing'}. Use another backup.`);
  for (const name of sums.keys()) if (!Object.hasOwn(manifest.sums, name)) throw new BackupRefused(`${file} holds ${name}, which was not written with it. Use another backup.`);
  for (const table of TABLES) if ((counts.get(table) ?? 0) !== manifest.tables[table].rows) throw new BackupRefused(`${file} is damaged: it holds ${counts.get(table) ?? 0} rows of ${table}, not ${manifest.tables[table].rows}.`);
  const opened = [...sites].map(([id, { document, sequence }]) => {
    const { site } = open(file, id, { ...document, pages: pages.get(id) ?? {}, items: items.get(id) ?? {} });
    return { id, name: site.name, sequence, pages: site.pageOrder.length };
  });
  return { made: manifest.made, migrations: manifest.migrations, manifest, sites: opened, changes: manifest.tables.changes.rows, files: manifest.tables.files.rows };
}

function readManifest(content: Buffer, file: string): Manifest {
  let found: Partial<Manifest>;
  try {
    found = JSON.parse(content.toString('utf8')) as Partial<Manifest>;
  } catch {
    throw new BackupRefused(`${file} is damaged: its list of what it holds cannot be read.`);
  }
  if (found.format !== BACKUP.format || typeof found.version !== 'number' || typeof found.migrations !== 'number') throw new BackupRefused(`${file} is no backup of Yohaku.`);
  if (found.version > BACKUP.version) throw new BackupRefused(`${file} was made by a newer Yohaku (backups of version ${found.version}; this one reads up to ${BACKUP.version}). Update this Yohaku.`);
  const tables = { ...Object.fromEntries(LATER.map((table) => [table, { columns: [], rows: 0 }])), ...Object.fromEntries(Object.entries(found.tables ?? {}).map(([name, one]) => [tableNow(name), one])) } as Manifest['tables'];
  if (typeof found.sums !== 'object' || found.sums === null || !found.tables || TABLES.some((table) => !Array.isArray(tables[table]?.columns))) throw new BackupRefused(`${file} is damaged: its list of what it holds lacks a part.`);
  return { ...found, tables } as Manifest;
}

/** The rows of an entry. @throws BackupRefused naming entry and line */
export function rowsOf(content: Buffer, file: string, name: string): Record<string, unknown>[] {
  return content.toString('utf8').split('\n').filter((line) => line !== '').map((line, i) => {
    try {
      return JSON.parse(line) as Record<string, unknown>;
    } catch {
      throw new BackupRefused(`${file} is damaged: line ${i + 1} of ${name} cannot be read.`);
    }
  });
}

function open(file: string, id: string, document: unknown) {
  try {
    return readStored(document);
  } catch (error) {
    if (!(error instanceof SiteIssues)) throw error;
    throw new BackupRefused(`the site “${id}” in ${file} cannot be read: ${error.issues[0]!.path} ${error.issues[0]!.message}.`);
  }
}

