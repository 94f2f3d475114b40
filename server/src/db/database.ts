import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { LRUCache } from 'lru-cache';
import pg from 'pg';
import type { Site } from '@yohaku/core';
import * as schema from './schema.ts';
import { AddressOfDatabaseRefused, databaseProblem } from './address.ts';

export type Db = NodePgDatabase<typeof schema>;
/** The database or a transaction in it. */
export type Querier = Db | Parameters<Parameters<Db['transaction']>[0]>[0];

/** A remembered site at a sequence: the site, or the reason why it could not be read. */
export type Remembered = (
  { readonly site: Site; readonly told?: readonly string[] } | { readonly unreadable: Error }
) & {
  readonly sequence: number;
  /** Tells sites apart that used one id in turn: their sequences can be equal. */
  readonly incarnation: string;
};
/** The number of sites that one process remembers. */
const MOST_REMEMBERED = 24;

export interface Database {
  readonly db: Db;
  readonly pool: pg.Pool;
  readonly url: string;
  /** Sites read last, each with the sequence that tells whether it is still right. */
  readonly remembered: LRUCache<string, Remembered>;
  /** Connections for published sites and health only, so that waiting edits do not delay readers. */
  readonly live: Db;
  close(): Promise<void>;
}

/**
 * Opens a pool on a PostgreSQL address. A connection that is lost, idle or in the
 * middle of a query, is reported to `onError` and does not end the process; the
 * query fails, and the next one gets a fresh connection.
 */
export function openDatabase(url: string, onError: (error: Error) => void = () => {}): Database {
  const pool = new pg.Pool({
    connectionString: url,
    max: 10,
    connectionTimeoutMillis: 30_000,
    idleTimeoutMillis: 30_000,
    keepAlive: true,
  });
  pool.on('error', onError);
  // The pool listens to idle ones only: an error of one in use would have no listener, and end the process.
  pool.on('connect', (client) => client.on('error', onError));
  const readers = new pg.Pool({
    connectionString: url,
    max: 4,
    connectionTimeoutMillis: 30_000,
    idleTimeoutMillis: 30_000,
    keepAlive: true,
  });
  readers.on('error', onError);
  readers.on('connect', (client) => client.on('error', onError));
  return {
    db: returning(drizzle(pool, { schema }), pool),
    live: drizzle(readers, { schema }),
    pool,
    url,
    remembered: new LRUCache({ max: MOST_REMEMBERED }),
    close: async () => {
      await Promise.all([pool.end(), readers.end()]);
    },
  };
}

/**
 * The same, with transactions that always give their connection back. Drizzle
 * takes one from the pool and begins before it looks after it: where `begin`
 * fails, the connection stays out, and after ten of those the server is deaf.
 */
function returning(db: Db, pool: pg.Pool): Db {
  db.transaction = async (work, config) => {
    const client = await pool.connect();
    try {
      return await drizzle(client, { schema }).transaction(work, config);
    } finally {
      client.release();
    }
  };
  return db;
}

/** Brings the schema up to date; several processes may start at once (an advisory lock lets one go first). */
export async function migrateDatabase(database: Database, migrationsFolder: string): Promise<void> {
  const client = await database.pool.connect();
  try {
    await client.query('select pg_advisory_lock(724001)');
    await migrate(drizzle(client, { schema }), { migrationsFolder });
  } finally {
    await client.query('select pg_advisory_unlock(724001)').catch(() => {});
    client.release();
  }
}

/** How long a database that is starting or coming back is waited for; ms. */
const PATIENCE = 60_000;

/**
 * Waits until the database answers.
 * @throws AddressOfDatabaseRefused with one line when waiting cannot help: no such host, database or user, a wrong
 *   password, too old a server
 */
export async function awaitDatabase(
  database: Database,
  patience = PATIENCE,
  onWait: (why: string) => void = () => {},
): Promise<void> {
  const until = performance.now() + patience;
  for (let told = ''; ;) {
    try {
      const { rows } = await database.pool.query<{ version: string }>(
        "select current_setting('server_version_num') as version",
      );
      if (Number(rows[0]!.version) < 130_000)
        throw new AddressOfDatabaseRefused(database.url, 'its PostgreSQL is older than 13');
      return;
    } catch (error) {
      const { words, passes } = databaseProblem(error);
      if (error instanceof AddressOfDatabaseRefused) throw error;
      if (!passes || performance.now() > until)
        throw new AddressOfDatabaseRefused(database.url, words, { cause: error });
      if (words !== told) onWait((told = words));
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
  }
}
