import { and, asc, eq, sql } from 'drizzle-orm';
import type { Source } from '@yohaku/core';
import type { Isolated } from '../isolated/index.ts';
import { contentHash, storeFile } from '../assets/index.ts';
import { schema, type Database, type Querier } from '../db/index.ts';
import { SOURCE_FILES, SourceRefused } from './limits.ts';
import type { ReadSource } from './read.ts';

const { sources } = schema;
type Row = typeof sources.$inferSelect;

const asSource = (row: Row): Source => ({ ...row.found, id: row.id, name: row.name });

/** The sources of a site in the order they came; what was put away is left out. */
export async function listSources({ db }: Database, site: string): Promise<Source[]> {
  const rows = await db
    .select()
    .from(sources)
    .where(and(eq(sources.siteId, site), eq(sources.putAway, false)))
    .orderBy(asc(sources.position));
  return rows.map(asSource);
}

const LIMITS = { seconds: 20, megabytes: 1500 };
const TOLD = {
  tooLong: `The file could not be read within ${LIMITS.seconds} seconds. Simplify it and drop it again.`,
  tooMuch: 'Reading the file takes too much memory. Make it smaller or simpler and drop it again.',
};

/**
 * Reads a source and keeps it with what it gave. An id sent again with
 * the same content is answered as the first time; the same file under the same name
 * is the piece that hangs already.
 * @throws SourceRefused when it cannot be read, when its id is taken by another file, or when the site has no room left
 */
export async function addSource(
  database: Database,
  apart: Isolated,
  site: string,
  id: string,
  name: string,
  bytes: Buffer,
): Promise<Source> {
  const answer = await apart.run<ReadSource>('sources', { name, bytes }, LIMITS, TOLD);
  if ('refused' in answer) throw new SourceRefused(answer.refused);
  const { type, plate = null, kept, ...read } = answer.given;
  const content = kept ? Buffer.from(kept) : bytes;
  return database.db.transaction(async (tx) => {
    await tx.execute(sql`select id from sites where id = ${site} for update`);
    const hash = contentHash(content);
    const [taken] = await tx
      .select()
      .from(sources)
      .where(and(eq(sources.siteId, site), eq(sources.id, id)));
    if (taken) {
      if (taken.file !== hash)
        throw new SourceRefused(
          `Another source has the id ${id} already (${taken.name}). Nothing was kept; send this one under an id of its own.`,
        );
      return asSource(taken);
    }
    const same = and(
      eq(sources.siteId, site),
      eq(sources.file, hash),
      eq(sources.name, name),
      eq(sources.putAway, false),
    );
    const [hanging] = await tx.select().from(sources).where(same).limit(1);
    if (hanging) return asSource(hanging);
    await refuseWithoutRoom(tx, site, content.length);
    const file = await storeFile(tx, content, type ?? 'text/plain');
    const found = type === null ? read : { ...read, picture: { hash: file, type, plate } };
    const position = sql`(SELECT COALESCE(MAX(position), 0) + 1 FROM sources WHERE site_id = ${site})`;
    const [row] = await tx
      .insert(sources)
      .values({ siteId: site, id, name, position, file, picture: type !== null, found })
      .returning();
    return asSource(row!);
  });
}

/** A site keeps so many pieces, and so many bytes of them, put away or not. */
async function refuseWithoutRoom(tx: Querier, site: string, bytes: number): Promise<void> {
  const { rows } = await tx.execute(
    sql`select count(*)::int as pieces, coalesce(sum(f.size), 0)::bigint as bytes from sources e join files f on f.hash = e.file where e.site_id = ${site}`,
  );
  const { pieces, bytes: kept } = rows[0] as { pieces: number; bytes: string };
  if (pieces >= SOURCE_FILES.pieces || Number(kept) + bytes > SOURCE_FILES.bytesOfSite)
    throw new SourceRefused(
      `A site keeps at most ${SOURCE_FILES.pieces} sources and ${SOURCE_FILES.bytesOfSite / 1024 / 1024 / 1024} GB of them; this one was not kept.`,
    );
}

/**
 * Puts a source away or back; its bytes stay, so that this can be undone. @returns false when there is no such piece
 */
export async function putAway({ db }: Database, site: string, id: string, away: boolean): Promise<boolean> {
  const rows = await db
    .update(sources)
    .set({ putAway: away })
    .where(and(eq(sources.siteId, site), eq(sources.id, id)))
    .returning({ id: sources.id });
  return rows.length > 0;
}

/**
 * Content hash of a picture among a site's sources, by the start of it: what is made a picture of the site is shown
 * before the change that says so has arrived.
 */
export async function sourceByHash({ db }: Database, site: string, start: string): Promise<string | undefined> {
  const [row] = await db
    .select({ file: sources.file })
    .from(sources)
    .where(
      and(eq(sources.siteId, site), eq(sources.picture, true), sql`left(${sources.file}, ${start.length}) = ${start}`),
    )
    .limit(1);
  return row?.file;
}

/** Content hash of the picture behind a source; undefined for texts. */
export async function sourceFile({ db }: Database, site: string, id: string): Promise<string | undefined> {
  const [row] = await db
    .select({ file: sources.file })
    .from(sources)
    .where(and(eq(sources.siteId, site), eq(sources.id, id), eq(sources.picture, true)));
  return row?.file;
}
