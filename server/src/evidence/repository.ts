import { and, asc, eq, sql } from 'drizzle-orm';
import type { Evidence } from '@yohaku/core';
import { storeFile } from '../assets/index.ts';
import { schema, type Database } from '../db/index.ts';
import { readEvidence } from './read.ts';

const { evidence } = schema;
type Row = typeof evidence.$inferSelect;

const asEvidence = (row: Row): Evidence => ({ ...row.found, id: row.id, name: row.name });

/** The evidence of a site in the order it came; what was put away is left out. */
export async function listEvidence({ db }: Database, site: string): Promise<Evidence[]> {
  const rows = await db.select().from(evidence).where(and(eq(evidence.siteId, site), eq(evidence.putAway, false))).orderBy(asc(evidence.position));
  return rows.map(asEvidence);
}

/** Reads a piece of evidence and keeps it with what it gave. The same id is taken once; the same file under the same name is the piece that hangs already. */
export async function addEvidence(database: Database, site: string, id: string, name: string, bytes: Buffer): Promise<Evidence> {
  const { type, plate = null, ...read } = await readEvidence(name, bytes);
  return database.db.transaction(async (tx) => {
    const file = await storeFile(tx, bytes, type ?? 'text/plain');
    const found = type === null ? read : { ...read, picture: { hash: file, type, plate } };
    const same = and(eq(evidence.siteId, site), eq(evidence.file, file), eq(evidence.name, name), eq(evidence.putAway, false));
    const [hanging] = await tx.select().from(evidence).where(same).limit(1);
    if (hanging) return asEvidence(hanging);
    const position = sql`(SELECT COALESCE(MAX(position), 0) + 1 FROM evidence WHERE site_id = ${site})`;
    await tx.insert(evidence).values({ siteId: site, id, name, position, file, picture: type !== null, found }).onConflictDoNothing();
    const [row] = await tx.select().from(evidence).where(and(eq(evidence.siteId, site), eq(evidence.id, id)));
    return asEvidence(row!);
  });
}

/** Puts a piece of evidence away or back; its bytes stay, so that this can be undone. @returns false when there is no such piece */
export async function putAway({ db }: Database, site: string, id: string, away: boolean): Promise<boolean> {
  const rows = await db.update(evidence).set({ putAway: away }).where(and(eq(evidence.siteId, site), eq(evidence.id, id))).returning({ id: evidence.id });
  return rows.length > 0;
}

/** Content hash of a picture among a site's evidence, by the start of it: what is made a picture of the site is shown before the change that says so has arrived. */
export async function evidenceByHash({ db }: Database, site: string, start: string): Promise<string | undefined> {
  const [row] = await db.select({ file: evidence.file }).from(evidence).where(and(eq(evidence.siteId, site), eq(evidence.picture, true), sql`left(${evidence.file}, ${start.length}) = ${start}`)).limit(1);
  return row?.file;
}

/** Content hash of the picture behind a piece of evidence; undefined for texts. */
export async function evidenceFile({ db }: Database, site: string, id: string): Promise<string | undefined> {
  const [row] = await db.select({ file: evidence.file }).from(evidence).where(and(eq(evidence.siteId, site), eq(evidence.id, id), eq(evidence.picture, true)));
  return row?.file;
}
