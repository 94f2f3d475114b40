import { and, eq, inArray, sql } from 'drizzle-orm';
import { touchedDocuments, type Site } from '@yohaku/core';
import { schema, type Querier } from '../db/index.ts';
import { idTaken } from './site-refused.ts';

const { sites, pages, items } = schema;

/** The site's own row of a document: all of it but its pages and items. */
const withoutPages = ({ pages: _pages, items: _items, ...rest }: Site): Omit<Site, 'pages' | 'items'> => rest;

/**
 * Adds a new site at sequence 0.
 * @throws SiteRefused when another has its id: of two that come at the same moment, one
 */
export async function insertSite(db: Querier, site: Site): Promise<void> {
  const made = await db
    .insert(sites)
    .values({ id: site.id, name: site.name, document: withoutPages(site) })
    .onConflictDoNothing()
    .returning({ id: sites.id });
  if (made.length === 0) throw idTaken(site.id);
  // A few hundred at a time: a statement takes 65,535 values at most.
  const rows = Object.values(site.pages).map((page) => ({ siteId: site.id, id: page.id, document: page }));
  for (let at = 0; at < rows.length; at += 500) await db.insert(pages).values(rows.slice(at, at + 500));
  await insertItems(db, site.id, Object.values(site.items));
}

async function insertItems(db: Querier, siteId: string, list: readonly Site['items'][string][]): Promise<void> {
  const rows = list.map((item) => ({ siteId, id: item.id, document: item }));
  for (let at = 0; at < rows.length; at += 500)
    await db
      .insert(items)
      .values(rows.slice(at, at + 500))
      .onConflictDoUpdate({ target: [items.siteId, items.id], set: { document: sql`excluded.document` } });
}

/**
 * The document as it is stored, unread; undefined when there is no such site. Pages and sequence are of one moment only
 * within a transaction that holds the row.
 */
export async function rawSite(
  db: Querier,
  id: string,
): Promise<{ document: Record<string, unknown>; sequence: number } | undefined> {
  const [row] = await db
    .select({ document: sites.document, sequence: sites.sequence })
    .from(sites)
    .where(eq(sites.id, id));
  if (!row) return undefined;
  const pageRows = await db.select({ id: pages.id, document: pages.document }).from(pages).where(eq(pages.siteId, id));
  const itemRows = await db.select({ id: items.id, document: items.document }).from(items).where(eq(items.siteId, id));
  const byId = (rows: readonly { readonly id: string; readonly document: unknown }[]) =>
    Object.fromEntries(rows.map((entry) => [entry.id, entry.document]));
  return {
    document: { ...(row.document as object), pages: byId(pageRows), items: byId(itemRows) },
    sequence: row.sequence,
  };
}

/** Writes every row of a site anew, at the sequence it has. */
export async function writeAll(tx: Querier, site: Site): Promise<void> {
  await tx
    .update(sites)
    .set({ name: site.name, document: withoutPages(site) })
    .where(eq(sites.id, site.id));
  for (const page of Object.values(site.pages))
    await tx
      .update(pages)
      .set({ document: page })
      .where(and(eq(pages.siteId, site.id), eq(pages.id, page.id)));
  await insertItems(tx, site.id, Object.values(site.items));
}

/** Writes the rows that differ between two states of a site, and its new sequence. */
export async function writeTouched(
  tx: Querier,
  siteId: string,
  before: Site,
  after: Site,
  sequence: number,
): Promise<void> {
  const touched = touchedDocuments(before, after);
  await tx
    .update(sites)
    .set({ sequence, ...(touched.site ? { name: after.name, document: withoutPages(after) } : {}) })
    .where(eq(sites.id, siteId));
  await insertItems(
    tx,
    siteId,
    touched.items.flatMap((id) => after.items[id] ?? []),
  );
  const gone = touched.items.filter((id) => !Object.hasOwn(after.items, id));
  for (let at = 0; at < gone.length; at += 5000)
    await tx.delete(items).where(and(eq(items.siteId, siteId), inArray(items.id, gone.slice(at, at + 5000))));
  for (const id of touched.pages) {
    const page = after.pages[id];
    if (page)
      await tx
        .insert(pages)
        .values({ siteId, id, document: page })
        .onConflictDoUpdate({ target: [pages.siteId, pages.id], set: { document: page } });
    else await tx.delete(pages).where(and(eq(pages.siteId, siteId), eq(pages.id, id)));
  }
}
