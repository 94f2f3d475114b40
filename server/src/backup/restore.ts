import type { PoolClient } from 'pg';
import { isLocked, isRefusedByDatabase, type Database } from '../db/index.ts';
import { checkBackup, rowsOf, type BackupSummary } from './check-backup.ts';
import { BackupRefused, EMPTIED, TABLES, migrationsOf, tableOf, type TableName } from './format.ts';
import { readEntries } from './read-entries.ts';
import { writeBackup } from './write-backup.ts';

/** Channel on which servers hear that all sites are others now. */
export const RESTORED_CHANNEL = 'yohaku_restored';

/**
 * Puts what a backup holds in place of what a database has, all of it or nothing,
 * while servers run: they are told, and so are their windows. Sessions stay.
 * The backup is read whole and checked before the restore changes anything. Edits wait
 * until the restore ends, so that every acknowledged edit is in the safety backup or
 * in the restored database.
 *
 * @param keep file for the safety backup of the present state
 * @throws BackupRefused
 */
export async function restoreBackup(database: Database, file: string, keep?: string): Promise<BackupSummary> {
  const summary = await checkBackup(file);
  const here = await migrationsOf(database);
  if (summary.migrations > here)
    throw new BackupRefused(
      `${file} was made by a newer Yohaku. Update this one, then restore it. Nothing was changed.`,
    );
  for (let tries = 1; ; tries++) {
    try {
      await inPlace(database, file, summary, keep);
      database.remembered.clear();
      return summary;
    } catch (error) {
      // The restore and a writer waited for each other. Nothing was changed; the restore starts again.
      if (isLocked(error) && tries < TRIES) continue;
      if (error instanceof BackupRefused) throw error;
      if (isRefusedByDatabase(error))
        throw new BackupRefused(
          `${file} is damaged: a row in it does not fit (${(error as Error).message.split('\n')[0]}). Nothing was changed; use another backup.`,
          { cause: error },
        );
      throw new BackupRefused(
        `${file} could not be restored: ${(error as Error).message.split('\n')[0]}. Nothing was changed.`,
        { cause: error },
      );
    }
  }
}

const TRIES = 10;

async function inPlace(
  database: Database,
  file: string,
  summary: BackupSummary,
  keep: string | undefined,
): Promise<void> {
  const client = await database.pool.connect();
  try {
    await client.query('begin');
    // Running edits and publications end first; new ones wait. Reads continue.
    // The sites come before the other tables, because every edit locks its site's row until it ends.
    // Only the measurements come earlier: keeping them locks the row of the site last.
    await client.query(
      `lock table ${EMPTIED.join(', ')}, sites, ${TABLES.filter((table) => table !== 'sites')
        .map((table) => `"${table}"`)
        .join(', ')} in exclusive mode`,
    );
    if (keep !== undefined) await writeBackup(database, keep);
    await client.query(
      `truncate ${[...EMPTIED, ...TABLES.filter((table) => table !== 'users')].map((table) => `"${table}"`).join(', ')}`,
    );
    const columns = await columnsOf(client, summary);
    // The bytes of files come before the rows that say what they are.
    const bytes = new Map<string, Buffer>();
    for await (const { name, content } of readEntries(file)) {
      if (name.startsWith('files/')) bytes.set(name.slice(6), content);
      const table = tableOf(name) as TableName | undefined;
      if (!table) continue;
      const rows = rowsOf(content, file, name);
      if (table === 'files') {
        for (const row of rows)
          await client.query('insert into files (hash, type, size, bytes) values ($1, $2, $3, $4)', [
            row['hash'],
            row['type'],
            row['size'],
            bytes.get(String(row['hash'])),
          ]);
        bytes.clear();
      } else await insertRows(client, table, columns[table], rows);
    }
    // A new incarnation: servers may remember another site under this id.
    await client.query('update sites set incarnation = gen_random_uuid()');
    await client.query('select pg_notify($1, $2)', [RESTORED_CHANNEL, summary.made]);
    await client.query('commit');
  } catch (error) {
    await client.query('rollback').catch(() => {});
    throw error;
  } finally {
    client.release();
  }
}

/** The columns that both the backup and this database have; a newer one takes its default. */
async function columnsOf(client: PoolClient, { manifest }: BackupSummary): Promise<Record<TableName, string[]>> {
  const { rows } = await client.query<{ table_name: TableName; column_name: string }>(
    "select table_name, column_name from information_schema.columns where table_schema = 'public'",
  );
  const here = new Map<string, Set<string>>();
  for (const { table_name, column_name } of rows)
    here.set(table_name, (here.get(table_name) ?? new Set()).add(column_name));
  return Object.fromEntries(
    TABLES.map((table) => [table, manifest.tables[table].columns.filter((column) => here.get(table)?.has(column))]),
  ) as Record<TableName, string[]>;
}

async function insertRows(
  client: PoolClient,
  table: TableName,
  columns: readonly string[],
  rows: readonly unknown[],
): Promise<void> {
  const list = columns.map((column) => `"${column}"`).join(', ');
  for (let at = 0; at < rows.length; at += 100)
    await client.query(
      `insert into "${table}" (${list}) select ${list} from jsonb_populate_recordset(null::"${table}", $1::jsonb)${table === 'users' ? ' on conflict do nothing' : ''}`,
      [JSON.stringify(rows.slice(at, at + 100))],
    );
}
