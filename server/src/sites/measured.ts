import { eq } from 'drizzle-orm';
import type { Measured } from '@yohaku/core';
import { schema, type Querier } from '../db/index.ts';

const { measured } = schema;

/** Returns what a desk measured of a site's pages last, or null. */
export async function loadMeasured(db: Querier, siteId: string): Promise<Measured | null> {
  const [row] = await db.select({ document: measured.document }).from(measured).where(eq(measured.siteId, siteId));
  return (row?.document as Measured | undefined) ?? null;
}

/** Keeps what a desk measured of a site's pages, in place of what was kept before. */
export async function keepMeasured(db: Querier, siteId: string, document: Measured): Promise<void> {
  await db
    .insert(measured)
    .values({ siteId, document })
    .onConflictDoUpdate({ target: measured.siteId, set: { document, at: new Date() } });
}
