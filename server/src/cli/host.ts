import { parseArgs, type ParseArgsConfig } from 'node:util';
import { join, resolve } from 'node:path';
import { Isolated } from '../isolated/index.ts';
import { awaitDatabase, checkDatabaseAddress, migrateDatabase, openDatabase, type Database } from '../db/index.ts';
import { SiteUnreadable, loadSite, listSites, type StoredSite } from '../sites/index.ts';

/** The services of the outer script: the path of the checkout, and a database for as long as a verb needs it. */
export interface CliHost {
  readonly root: string;
  openCluster(data: string): Promise<{ url: string; release(): Promise<void> }>;
}

/** Bad use or bad input: one clear line, exit code 2. */
export class UseError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'UseError';
  }
}

export interface Verb {
  run(args: readonly string[], host: CliHost): Promise<number>;
}

type Options = NonNullable<ParseArgsConfig['options']>;

/** Reads options and positionals. @throws UseError for unknown or malformed ones */
export function readArgs<const O extends Options>(args: readonly string[], options: O) {
  try {
    return parseArgs({ args: [...args], options, allowPositionals: true, strict: true });
  } catch (error) {
    throw new UseError(`${(error as Error).message.split('. ')[0]}. Try --help.`);
  }
}

/** One JSON document or plain lines on standard output. */
export function print(json: boolean | undefined, value: unknown, lines: () => string): void {
  process.stdout.write(json ? `${JSON.stringify(value, null, 2)}\n` : `${lines()}\n`);
}

/** Opens the database of a data folder (or `DATABASE_URL`) for the time of `work`. */
export async function withDatabase<T>(
  data: string | undefined,
  host: CliHost,
  work: (database: Database) => Promise<T>,
): Promise<T> {
  const given = process.env['DATABASE_URL'];
  if (given) checkDatabaseAddress(given);
  const cluster = given ? undefined : await host.openCluster(resolve(data ?? join(host.root, '.data')));
  const database = openDatabase(given ?? cluster!.url);
  try {
    await awaitDatabase(database, 20_000, (why) => process.stderr.write(`yohaku: waiting for the database: ${why}\n`));
    await migrateDatabase(database, join(host.root, 'server', 'migrations'));
    return await work(database);
  } finally {
    await database.close().catch(() => {});
    await cluster?.release();
  }
}

/** Lends processes in which files are taken apart, for the time of `work`. */
export async function withIsolated<T>(work: (apart: Isolated) => Promise<T>): Promise<T> {
  const apart = new Isolated();
  try {
    return await work(apart);
  } finally {
    apart.close();
  }
}

/** A site by id. @throws UseError naming the sites there are */
export async function siteById(database: Database, id: string): Promise<StoredSite> {
  const stored = await loadSite(database, id).catch((error: unknown) => {
    throw error instanceof SiteUnreadable ? new UseError(error.message) : error;
  });
  for (const words of stored?.told ?? []) process.stderr.write(`yohaku: ${words}\n`);
  if (stored) return stored;
  const known = (await listSites(database.db)).map((site) => site.id);
  throw new UseError(
    `there is no site “${id}”; ${known.length > 0 ? `there is ${known.join(', ')}` : 'the database is empty. Run ./yohaku start once'}.`,
  );
}
