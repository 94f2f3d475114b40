import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import type { Site } from '@yohaku/core';
import * as schema from './schema.ts';

export type Db = NodePgDatabase<typeof schema>;
/** The database or a transaction in it. */
export type Querier = Db | Parameters<Parameters<Db['transaction']>[0]>[0];

export interface Database {
  readonly db: Db;
  readonly pool: pg.Pool;
  readonly url: string;
  /** Things read last, each with the sequence that tells whether it is still right. */
  readonly remembered: Map<string, { readonly site: Site; readonly sequence: number }>;
  close(): Promise<void>;
}

/** Opens a pool on a PostgreSQL address. A lost connection is reported to `onError` and does not end the process. */
export function openDatabase(url: string, onError: (error: Error) => void = () => {}): Database {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 30_000, idleTimeoutMillis: 30_000 });
  pool.on('error', onError);
  return { db: drizzle(pool, { schema, casing: undefined }), pool, url, remembered: new Map(), close: () => pool.end() };
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
