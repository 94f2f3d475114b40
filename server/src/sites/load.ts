import { asc, eq, sql } from 'drizzle-orm';
import { SCHEMA_VERSION, SiteIssues, readStored, type Site } from '@yohaku/core';
import { ensureOwner } from '../auth/index.ts';
import { schema, type Database, type Querier } from '../db/index.ts';
import { openAtLastGood } from './last-good.ts';
import { rawSite, writeAll } from './rows.ts';
import { SiteUnreadable } from './unreadable.ts';

const { sites } = schema;

/** A site at a sequence; `told` are sentences about what had to be done to open it. */
export interface StoredSite {
  readonly site: Site;
  readonly sequence: number;
  readonly incarnation: string;
  readonly told?: readonly string[];
}

/** Names and sequences of all sites. */
export async function listSites(db: Querier): Promise<{ id: string; name: string; sequence: number }[]> {
  return db.select({ id: sites.id, name: sites.name, sequence: sites.sequence }).from(sites).orderBy(asc(sites.name));
}

export async function hasSite(db: Querier, id: string): Promise<boolean> {
  return (await db.select({ id: sites.id }).from(sites).where(eq(sites.id, id))).length > 0;
}

/** Sequence of a site's last change; 0 when there is no such site. */
export async function sequenceOf(db: Querier, id: string): Promise<number> {
  const [row] = await db.select({ sequence: sites.sequence }).from(sites).where(eq(sites.id, id));
  return row?.sequence ?? 0;
}

/**
 * A site with all its pages; undefined when there is none of that id. What was
 * read last is given again only while the sequence in the database is the same.
 * One that cannot be read is taken back to its last good state.
 * @throws SiteUnreadable when there is no such state, or a newer version made it
 */
export async function loadSite(
  database: Database,
  id: string,
  db: Querier = database.db,
): Promise<StoredSite | undefined> {
  const { remembered } = database;
  const [row] = await db
    .select({ sequence: sites.sequence, incarnation: sites.incarnation })
    .from(sites)
    .where(eq(sites.id, id));
  if (!row) return undefined;
  const { incarnation } = row;
  const known = remembered.get(id);
  if (known?.sequence === row.sequence && known.incarnation === incarnation) {
    if ('site' in known) return known;
    throw known.unreadable;
  }
  const raw = await rawSite(db, id);
  const [again] = await db
    .select({ sequence: sites.sequence, incarnation: sites.incarnation })
    .from(sites)
    .where(eq(sites.id, id));
  // Somebody saved between the reads: pages and sequence must be of the same moment.
  if (!raw || again?.sequence !== row.sequence || again.incarnation !== incarnation || raw.sequence !== row.sequence)
    return loadSite(database, id, db);
  try {
    // Values that no longer paint anything are dropped silently: an earlier version left them behind.
    const stored: StoredSite = { site: readStored(raw.document).site, sequence: raw.sequence, incarnation };
    // Rows of two versions must never stand side by side: all are written before the first edit writes some.
    if (raw.document['schemaVersion'] !== SCHEMA_VERSION) await writeAnew(db, stored);
    remembered.set(id, stored);
    return stored;
  } catch (error) {
    // Within a transaction that holds the row nothing can be taken back: that takes one of its own.
    if (db !== database.db) throw error instanceof SiteIssues ? new SiteUnreadable(id, error, '') : error;
    return openUnreadable(database, id, raw.sequence, incarnation, error);
  }
}

/**
 * Writes a site that an older version stored as this one stores it, unless somebody has saved meanwhile: then whoever
 * did has written it.
 */
async function writeAnew(db: Querier, { site, sequence }: StoredSite): Promise<void> {
  await db.transaction(async (tx) => {
    const locked = await tx.execute(sql`select sequence from sites where id = ${site.id} for update`);
    if (Number(locked.rows[0]?.['sequence']) === sequence) await writeAll(tx, site);
  });
}

async function openUnreadable(
  database: Database,
  id: string,
  sequence: number,
  incarnation: string,
  error: unknown,
): Promise<StoredSite> {
  try {
    const back = { ...(await openAtLastGood(database, id, await ensureOwner(database.db))), incarnation };
    database.remembered.set(id, back);
    return back;
  } catch (failed) {
    const unreadable =
      failed instanceof SiteUnreadable
        ? failed
        : error instanceof SiteIssues && error.newer
          ? new SiteUnreadable(id, error, '')
          : undefined;
    if (!unreadable) throw failed;
    // Remembered as well: asking again would walk the whole log again.
    database.remembered.set(id, { unreadable, sequence, incarnation });
    throw unreadable;
  }
}
