import { and, asc, desc, eq, gt, inArray, sql } from 'drizzle-orm';
import { applyChange, checkTouched, readSite, touchedDocuments, type Change, type Op, type Site } from '@yohaku/core';
import { schema, type Database, type Querier } from '../db/index.ts';

const { sites, pages, changes } = schema;

/** Channel on which other processes hear that a site has a new sequence. */
export const CHANGES_CHANNEL = 'yohaku_changes';

export interface StoredSite { readonly site: Site; readonly sequence: number }
export interface StoredChange { readonly sequence: number; readonly id: string; readonly change: Change; readonly windowId: string; readonly at: string }
/** What saving a change came to. `overtook` lists addresses whose value was no longer the expected one. */
export interface Saved { readonly sequence: number; readonly repeated: boolean; readonly overtook: readonly (readonly string[])[] }

/** Names and sequences of all sites. */
export async function listSites(db: Querier): Promise<{ id: string; name: string; sequence: number }[]> {
  return db.select({ id: sites.id, name: sites.name, sequence: sites.sequence }).from(sites).orderBy(asc(sites.name));
}

/**
 * A site with all its pages; undefined when there is none of that id. What was
 * read last is given again only while the sequence in the database is the same.
 */
export async function loadSite(database: Database, id: string, db: Querier = database.db): Promise<StoredSite | undefined> {
  const { remembered } = database;
  const [row] = await db.select({ document: sites.document, sequence: sites.sequence }).from(sites).where(eq(sites.id, id));
  if (!row) return undefined;
  const known = remembered.get(id);
  if (known?.sequence === row.sequence) return known;
  const pageRows = await db.select({ id: pages.id, document: pages.document }).from(pages).where(eq(pages.siteId, id));
  const [again] = await db.select({ sequence: sites.sequence }).from(sites).where(eq(sites.id, id));
  // Somebody saved between the two reads: pages and sequence must be of the same moment.
  if (again?.sequence !== row.sequence) return loadSite(database, id, db);
  const site = readSite({ ...(row.document as object), pages: Object.fromEntries(pageRows.map((page) => [page.id, page.document])) });
  const stored = { site, sequence: row.sequence };
  remembered.set(id, stored);
  return stored;
}

const withoutPages = ({ pages: _pages, ...rest }: Site): Omit<Site, 'pages'> => rest;

/** Adds a new site at sequence 0. */
export async function insertSite(db: Querier, site: Site): Promise<void> {
  await db.insert(sites).values({ id: site.id, name: site.name, document: withoutPages(site) });
  await db.insert(pages).values(Object.values(site.pages).map((page) => ({ siteId: site.id, id: page.id, document: page })));
}

/**
 * Saves one change: takes the site's row lock, applies it to what is there now
 * (rebasing a stale one), checks the result, and in one transaction appends to
 * `changes` and writes the documents touched. A change id is taken once: a
 * repeated one answers with the sequence it got the first time.
 * @throws ChangeRefused when its target is gone or the result would not be right
 */
export async function saveChange(database: Database, siteId: string, change: Change, author: string, windowId: string): Promise<Saved | undefined> {
  const done = await database.db.transaction(async (tx) => {
    const locked = await tx.execute(sql`select sequence from sites where id = ${siteId} for update`);
    if (locked.rows.length === 0) return undefined;
    const known = await tx.select({ sequence: changes.sequence }).from(changes).where(and(eq(changes.siteId, siteId), eq(changes.id, change.id)));
    if (known[0]) return { saved: { sequence: known[0].sequence, repeated: true, overtook: [] } };
    const { site, sequence } = (await loadSite(database, siteId, tx))!;
    const applied = applyChange(site, change);
    checkTouched(site, applied.site);
    const next = sequence + 1;
    await tx.insert(changes).values({ siteId, sequence: next, id: change.id, change, inverse: applied.inverse, author, windowId });
    await writeTouched(tx, siteId, applied.site, change, applied.inverse, next);
    await tx.execute(sql`select pg_notify(${CHANGES_CHANNEL}, ${JSON.stringify({ site: siteId, sequence: next })})`);
    return { saved: { sequence: next, repeated: false, overtook: applied.overtook }, stored: { site: applied.site, sequence: next } };
  });
  // Only after the commit: what a rolled back transaction made must not be remembered.
  if (done?.stored) database.remembered.set(siteId, done.stored);
  return done?.saved;
}

async function writeTouched(tx: Querier, siteId: string, site: Site, change: Change, inverse: readonly Op[], sequence: number): Promise<void> {
  const touched = touchedDocuments({ ops: [...change.ops, ...inverse] });
  await tx.update(sites).set({ sequence, ...(touched.site ? { name: site.name, document: withoutPages(site) } : {}) }).where(eq(sites.id, siteId));
  for (const id of touched.pages) {
    const page = site.pages[id];
    if (page) await tx.insert(pages).values({ siteId, id, document: page }).onConflictDoUpdate({ target: [pages.siteId, pages.id], set: { document: page } });
    else await tx.delete(pages).where(and(eq(pages.siteId, siteId), eq(pages.id, id)));
  }
}

/** Changes after a sequence, in order; at most a thousand at once. */
export async function changesAfter(db: Querier, siteId: string, after: number): Promise<StoredChange[]> {
  const rows = await db.select().from(changes).where(and(eq(changes.siteId, siteId), gt(changes.sequence, after))).orderBy(asc(changes.sequence)).limit(1000);
  return rows.map((row) => ({ sequence: row.sequence, id: row.id, change: row.change as Change, windowId: row.windowId, at: row.at.toISOString() }));
}

/** The inverses of the given changes, by change id, for undo. */
export async function inversesOf(db: Querier, siteId: string, ids: readonly string[]): Promise<Record<string, Op[]>> {
  if (ids.length === 0) return {};
  const rows = await db.select({ id: changes.id, inverse: changes.inverse }).from(changes).where(and(eq(changes.siteId, siteId), inArray(changes.id, [...ids]))).orderBy(desc(changes.sequence));
  return Object.fromEntries(rows.map((row) => [row.id, row.inverse as Op[]]));
}
