import { and, asc, eq, sql } from 'drizzle-orm';
import type { Evidence } from '@yohaku/core';
import type { Apart } from '../apart/index.ts';
import { contentHash, storeFile } from '../assets/index.ts';
import { schema, type Database, type Querier } from '../db/index.ts';
import { EVIDENCE_FILES, EvidenceRefused } from './limits.ts';
import type { ReadEvidence } from './read.ts';

const { evidence } = schema;
type Row = typeof evidence.$inferSelect;

const asEvidence = (row: Row): Evidence => ({ ...row.found, id: row.id, name: row.name });

/** The evidence of a site in the order it came; what was put away is left out. */
export async function listEvidence({ db }: Database, site: string): Promise<Evidence[]> {
  const rows = await db.select().from(evidence).where(and(eq(evidence.siteId, site), eq(evidence.putAway, false))).orderBy(asc(evidence.position));
  return rows.map(asEvidence);
}

const LIMITS = { seconds: 20, megabytes: 1500 };
const TOLD = {
  tooLong: `The file could not be read within ${LIMITS.seconds} seconds: something in it has no end, or there is far too much of it. Simplify it and drop it again.`,
  tooMuch: 'To read the file takes more memory than any logo, picture or sheet does. Make it smaller or simpler and drop it again.',
};

/**
 * Reads a piece of evidence and keeps it with what it gave. An id sent again with
 * the same content is answered as the first time; the same file under the same name
 * is the piece that hangs already.
 * @throws EvidenceRefused when it cannot be read, when its id is taken by another file, or when the site has no room left
 */
export async function addEvidence(database: Database, apart: Apart, site: string, id: string, name: string, bytes: Buffer): Promise<Evidence> {
  const answer = await apart.run<ReadEvidence>('evidence', { name, bytes }, LIMITS, TOLD);
  if ('refused' in answer) throw new EvidenceRefused(answer.refused);
  const { type, plate = null, kept, ...read } = answer.given;
  const content = kept ? Buffer.from(kept) : bytes;
  return database.db.transaction(async (tx) => {
    await tx.execute(sql`select id from sites where id = ${site} for update`);
    const hash = contentHash(content);
    const [taken] = await tx.select().from(evidence).where(and(eq(evidence.siteId, site), eq(evidence.id, id)));
    if (taken) {
      if (taken.file !== hash) throw new EvidenceRefused(`Another source has the id ${id} already (${taken.name}). Nothing was kept; send this one under an id of its own.`);
      return asEvidence(taken);
    }
    const same = and(eq(evidence.siteId, site), eq(evidence.file, hash), eq(evidence.name, name), eq(evidence.putAway, false));
    const [hanging] = await tx.select().from(evidence).where(same).limit(1);
    if (hanging) return asEvidence(hanging);
    await refuseWithoutRoom(tx, site, content.length);
    const file = await storeFile(tx, content, type ?? 'text/plain');
    const found = type === null ? read : { ...read, picture: { hash: file, type, plate } };
    const position = sql`(SELECT COALESCE(MAX(position), 0) + 1 FROM evidence WHERE site_id = ${site})`;
    const [row] = await tx.insert(evidence).values({ siteId: site, id, name, position, file, picture: type !== null, found }).returning();
    return asEvidence(row!);
  });
}

/** A site keeps so many pieces, and so many bytes of them, put away or not. */
async function refuseWithoutRoom(tx: Querier, site: string, bytes: number): Promise<void> {
  const { rows } = await tx.execute(sql`select count(*)::int as pieces, coalesce(sum(f.size), 0)::bigint as bytes from evidence e join files f on f.hash = e.file where e.site_id = ${site}`);
  const { pieces, bytes: kept } = rows[0] as { pieces: number; bytes: string };
  if (pieces >= EVIDENCE_FILES.pieces || Number(kept) + bytes > EVIDENCE_FILES.bytesOfSite)
    throw new EvidenceRefused(`A site keeps at most ${EVIDENCE_FILES.pieces} sources and ${EVIDENCE_FILES.bytesOfSite / 1024 / 1024 / 1024} GB of them; this one was not kept.`);
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
