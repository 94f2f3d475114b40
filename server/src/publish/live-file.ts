import { Readable } from 'node:stream';
import { and, eq, sql } from 'drizzle-orm';
import { schema, type Querier } from '../db/index.ts';

const { publishes, files } = schema;

/** A live file without its bytes: enough for freshness, HEAD and ranges. */
export interface LiveFile {
  readonly hash: string;
  readonly type: string;
  readonly size: number;
}

/** The number of bytes that one query reads. */
const PIECE = 256 * 1024;

/**
 * Returns a live file by its name; undefined when the live site has no such file. Reads one entry of the manifest and
 * no bytes.
 */
export async function liveFile(db: Querier, siteId: string, name: string): Promise<LiveFile | undefined> {
  const [row] = await db
    .select({ hash: files.hash, type: files.type, size: files.size })
    .from(publishes)
    .innerJoin(files, sql`${files.hash} = ${publishes.manifest} ->> ${name}`)
    .where(and(eq(publishes.siteId, siteId), eq(publishes.live, true)));
  return row;
}

/**
 * Returns the bytes of a kept file from one position to another, read in pieces
 * as they are sent: a reader that does not read holds one piece in memory.
 *
 * @param from first byte
 * @param to last byte, included
 */
export function bytesOfFile(db: Querier, hash: string, from: number, to: number): Readable {
  return Readable.from(pieces(db, hash, from, to), { objectMode: false, highWaterMark: PIECE });
}

async function* pieces(db: Querier, hash: string, from: number, to: number): AsyncGenerator<Buffer> {
  for (let at = from; at <= to; at += PIECE) {
    const length = Math.min(PIECE, to - at + 1);
    const [row] = await db
      .select({ bytes: sql<Buffer>`substring(${files.bytes} from ${at + 1}::int for ${length}::int)` })
      .from(files)
      .where(eq(files.hash, hash));
    if (!row || row.bytes.length !== length) throw new Error(`The bytes of the file ${hash.slice(0, 12)} end early`);
    yield row.bytes;
  }
}
