import { and, eq } from 'drizzle-orm';
import { touchedDocuments, type Site } from '@yohaku/core';
import { schema, type Querier } from '../db/index.ts';
import { idTaken } from './site-refused.ts';

const { sites, pages } = schema;

/** The site's own row of a document: all of it but its pages. */
const withoutPages = ({ pages: _pages, ...rest }: Site): Omit<Site, 'pages'> => rest;

/**
 * Adds a new site at sequence 0.
 * @throws SiteRefused when another has its id: of two that come at the same moment, one
 */
export async function insertSite(db: Querier, site: Site): Promise<void> {
  const made = await db.insert(sites).values({ id: site.id, name: site.name, document: withoutPages(site) }).onConflictDoNothing().returning({ id: sites.id });
  if (made.length === 0) throw idTaken(site.id);
  // A few hundred at a time: a statement takes 65,535 values at most.
  const rows = Object.values(site.pages).map((page) => ({ siteId: site.id, id: page.id, document: page }));
  for (let at = 0; at < rows.length; at += 500) await db.insert(pages).values(rows.slice(at, at + 500));
}

/** The document as it is stored, unread; undefined when there is no such site. Pages and sequence are of one moment only within a transaction that holds the row. */
export async function rawSite(db: Querier, id: string): Promise<{ document: Record<string, unknown>; sequence: number } | undefined> {
  const [row] = await db.select({ document: sites.document, sequence: sites.sequence }).from(sites).where(eq(sites.id, id));
  if (!row) return undefined;
  const pageRows = await db.select({ id: pages.id, document: pages.document }).from(pages).where(eq(pages.siteId, id));
  return { document: { ...(row.document as object), pages: Object.fromEntries(pageRows.map((page) => [page.id, page.document])) }, sequence: row.sequence };
}

/** Writes every row of a site anew, at the sequence it has. */
export async function writeAll(tx: Querier, site: Site): Promise<void> {
  await tx.update(sites).set({ name: site.name, document: withoutPages(site) }).where(eq(sites.id, site.id));
  for (const page of Object.values(site.pages)) await tx.update(pages).set({ document: page }).where(and(eq(pages.siteId, site.id), eq(pages.id, page.id)));
}

/** Writes the rows that differ between two states of a site, and its new sequence. */
export async function writeTouched(tx: Querier, siteId: string, before: Site, after: Site, sequence: number): Promise<void> {
  const touched = touchedDocuments(before, after);
  await tx.update(sites).set({ sequence, ...(touched.site ? { name: after.name, document: withoutPages(after) } : {}) }).where(eq(sites.id, siteId));
  for (const id of touched.pages) {
    const page = after.pages[id];
    if (page) await tx.insert(pages).values({ siteId, id, document: page }).onConflictDoUpdate({ target: [pages.siteId, pages.id], set: { document: page } });
    else await tx.delete(pages).where(and(eq(pages.siteId, siteId), eq(pages.id, id)));
  }
}
