import type { Database } from '../db/index.ts';

/** Kind and version of the file; a reader refuses what is newer than itself. */
export const BACKUP = { format: 'yohaku-backup', version: 1 } as const;

/**
 * The tables of a backup, each after the tables that it refers to. Sessions, sign-in
 * tokens and rate limits are not included: they are temporary and secret.
 */
export const TABLES = [
  'users',
  'sites',
  'pages',
  'changes',
  'versions',
  'files',
  'sources',
  'publishes',
  'former_addresses',
  'letters',
  'items',
] as const;
/** Tables that no backup has and a restore empties: a desk fills them again. */
export const EMPTIED = ['measured'] as const;
export type TableName = (typeof TABLES)[number];
/** Tables that backups made before them lack: there they are empty. */
export const LATER: readonly TableName[] = ['former_addresses', 'letters', 'items'];
/** The names of tables in older backups. */
const FORMERLY: Readonly<Record<string, TableName>> = { evidence: 'sources', editions: 'versions' };

/** The table of a backup by the name it has there; undefined for any other entry. */
export function tableOf(entry: string): string | undefined {
  const name = /^tables\/([a-z_]+)\.\d+\.ndjson$/.exec(entry)?.[1];
  return name === undefined ? undefined : tableNow(name);
}

/** Returns the present name of a table of a backup. */
export const tableNow = (name: string): string => (Object.hasOwn(FORMERLY, name) ? FORMERLY[name]! : name);

/** The last entry of a backup, which describes all others. */
export interface Manifest {
  readonly format: typeof BACKUP.format;
  readonly version: number;
  /** When, ISO 8601. */
  readonly made: string;
  /** How many migrations the database had. */
  readonly migrations: number;
  readonly tables: Readonly<Record<TableName, { readonly columns: readonly string[]; readonly rows: number }>>;
  /** SHA-256 of every entry before this one, by name. */
  readonly sums: Readonly<Record<string, string>>;
}

/** Why a backup cannot be made or brought back. */
export class BackupRefused extends Error {
  constructor(message: string, options?: ErrorOptions) {
    super(message, options);
    this.name = 'UseError';
  }
}

/** How many migrations a database has. */
export async function migrationsOf({ pool }: Database): Promise<number> {
  const { rows } = await pool.query<{ n: number }>('select count(*)::int as n from drizzle.__drizzle_migrations');
  return rows[0]!.n;
}
