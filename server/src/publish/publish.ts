import { and, desc, eq, sql } from 'drizzle-orm';
import { readStored, SiteIssues, type AuditCounts, type LayoutReading, type PixelSets, type Site } from '@yohaku/core';
import type { Isolated } from '../isolated/index.ts';
import { countsOf } from '../audits/index.ts';
import { schema, type Database, type Querier } from '../db/index.ts';
import { storeFile } from '../assets/index.ts';
import { SiteUnreadable } from '../sites/index.ts';
import { exportSite } from './export-site.ts';

const { publishes } = schema;

export interface Publication {
  readonly number: number;
  readonly sequence: number;
  readonly at: string;
  readonly live: boolean;
  readonly verdict: AuditCounts;
  readonly files: number;
}

/** Publications of a site, newest first. */
export async function listPublications(db: Querier, siteId: string): Promise<Publication[]> {
  const rows = await db.select().from(publishes).where(eq(publishes.siteId, siteId)).orderBy(desc(publishes.number));
  return rows.map((row) => ({
    number: row.number,
    sequence: row.sequence,
    at: row.at.toISOString(),
    live: row.live,
    verdict: row.verdict,
    files: Object.keys(row.manifest).length,
  }));
}

/**
 * Makes the site as it is saved now live. Files are made and judged first; manifest and switch are one short
 * transaction.
 */
export async function publishSite(
  database: Database,
  apart: Isolated,
  site: Site,
  sequence: number,
  author: string,
  root: string,
  pixels?: PixelSets,
  layout?: readonly LayoutReading[],
): Promise<number> {
  const files = await exportSite(database.db, apart, site, root);
  const verdict = await countsOf(apart, { site, pixels, layout });
  // Files are stored by content: the files of a failed publication are unused and harmless.
  const manifest: Record<string, string> = {};
  for (const [name, file] of files) manifest[name] = await storeFile(database.db, file.bytes, file.type);
  return database.db.transaction(async (tx) => {
    await tx.execute(sql`select id from sites where id = ${site.id} for update`);
    const [last] = await tx
      .select({ number: publishes.number })
      .from(publishes)
      .where(eq(publishes.siteId, site.id))
      .orderBy(desc(publishes.number))
      .limit(1);
    const number = (last?.number ?? 0) + 1;
    await tx
      .update(publishes)
      .set({ live: false })
      .where(and(eq(publishes.siteId, site.id), eq(publishes.live, true)));
    await tx
      .insert(publishes)
      .values({ siteId: site.id, number, sequence, manifest, verdict, site, live: true, author });
    return number;
  });
}

/** Makes an earlier publication live again; false when there is none of that number. */
export async function makeLive(database: Database, siteId: string, number: number): Promise<boolean> {
  return database.db.transaction(async (tx) => {
    await tx.execute(sql`select id from sites where id = ${siteId} for update`);
    const [wanted] = await tx
      .select({ number: publishes.number })
      .from(publishes)
      .where(and(eq(publishes.siteId, siteId), eq(publishes.number, number)));
    if (!wanted) return false;
    await tx
      .update(publishes)
      .set({ live: false })
      .where(and(eq(publishes.siteId, siteId), eq(publishes.live, true)));
    await tx
      .update(publishes)
      .set({ live: true })
      .where(and(eq(publishes.siteId, siteId), eq(publishes.number, number)));
    return true;
  });
}

/** Returns the live site: the document of its publication; undefined before the first publication. */
export async function liveSite(
  db: Querier,
  siteId: string,
): Promise<{ site: Site; sequence: number; number: number } | undefined> {
  const [row] = await db
    .select()
    .from(publishes)
    .where(and(eq(publishes.siteId, siteId), eq(publishes.live, true)));
  if (!row) return undefined;
  try {
    return { site: readStored(row.site).site, sequence: row.sequence, number: row.number };
  } catch (error) {
    throw error instanceof SiteIssues
      ? new SiteUnreadable(siteId, error, 'This is the live version; publishing again replaces it.')
      : error;
  }
}
