import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { pack } from 'tar-stream';
import type { Database } from '../db/index.ts';
import { checkBackup, type BackupSummary } from './check-backup.ts';
import { BACKUP, BackupRefused, TABLES, migrationsOf, type Manifest, type TableName } from './format.ts';

/** Rows fetched at once, and characters of them in one entry. */
const ROWS = 200;
const CHARS = 4_000_000;

interface Client {
  query<R>(sql: string, values?: readonly unknown[]): Promise<{ rows: R[] }>;
}

/**
 * Writes everything a database keeps into one file (tar, gzip): rows as lines of
 * JSON, files as they are. All of it is of one moment, and edits go on meanwhile.
 * The file appears under its name only once all of it has been read back.
 * @throws BackupRefused when it cannot be written, or is not what was written
 */
export async function writeBackup(database: Database, file: string): Promise<BackupSummary> {
  const part = `${file}.part`;
  const client = await database.pool.connect();
  try {
    await client.query('begin isolation level repeatable read read only');
    const archive = pack();
    const sums: Record<string, string> = {};
    const add = (name: string, content: Buffer) => {
      sums[name] = createHash('sha256').update(content).digest('hex');
      return entry(archive, name, content);
    };
    const fill = async () => {
      const tables = {} as Record<TableName, { columns: string[]; rows: number }>;
      for (const table of TABLES) tables[table] = await addTable(client as Client, table, add);
      const manifest: Manifest = {
        ...BACKUP,
        made: new Date().toISOString(),
        migrations: await migrationsOf(database),
        tables,
        sums,
      };
      await entry(archive, 'backup.json', Buffer.from(JSON.stringify(manifest, null, 2)));
      archive.finalize();
    };
    await Promise.all([
      pipeline(archive, createGzip({ level: 6 }), createWriteStream(part, { mode: 0o600 })),
      fill().catch((error: unknown) => {
        archive.destroy(error as Error);
        throw error;
      }),
    ]);
    await client.query('commit');
  } catch (error) {
    await rm(part, { force: true });
    throw new BackupRefused(
      `the backup could not be written to ${file}: ${(error as Error).message}. Nothing was changed.`,
      { cause: error },
    );
  } finally {
    client.release(true);
  }
  const summary = await checkBackup(part);
  await rename(part, file);
  return summary;
}

function entry(archive: ReturnType<typeof pack>, name: string, content: Buffer): Promise<void> {
  return new Promise((resolve, reject) => {
    // Destroyed when the file cannot be written: the entry is told so as well.
    archive.entry({ name, mode: 0o600, mtime: new Date(0) }, content, (error) => (error ? reject(error) : resolve()));
  });
}

async function addTable(
  client: Client,
  table: TableName,
  add: (name: string, content: Buffer) => Promise<void>,
): Promise<{ columns: string[]; rows: number }> {
  const { rows: described } = await client.query<{ name: string }>(
    "select column_name as name from information_schema.columns where table_schema = 'public' and table_name = $1 order by ordinal_position",
    [table],
  );
  const columns = described.map((candidate) => candidate.name);
  const bytes = table === 'files';
  const kept = columns
    .filter((column) => !(bytes && column === 'bytes'))
    .map((column) => `'${column}', t."${column}"`)
    .join(', ');
  await client.query(
    `declare rows no scroll cursor for select jsonb_build_object(${kept})::text as row${bytes ? ', t.hash, t.bytes' : ''} from "${table}" t`,
  );
  let count = 0;
  let part = 0;
  let lines: string[] = [];
  let chars = 0;
  const flush = async () => {
    if (lines.length === 0) return;
    await add(`tables/${table}.${String(++part).padStart(5, '0')}.ndjson`, Buffer.from(`${lines.join('\n')}\n`));
    lines = [];
    chars = 0;
  };
  for (;;) {
    const { rows } = await client.query<{ row: string; hash?: string; bytes?: Buffer }>(
      `fetch ${bytes ? 4 : ROWS} from rows`,
    );
    if (rows.length === 0) break;
    for (const { row, hash, bytes: content } of rows) {
      if (hash !== undefined && content !== undefined) await add(`files/${hash}`, content);
      lines.push(row);
      count++;
      if ((chars += row.length) > CHARS) await flush();
    }
  }
  await flush();
  await client.query('close rows');
  return { columns, rows: count };
}
