import { createHash } from 'node:crypto';
import { and, eq, like } from 'drizzle-orm';
import { schema, type Querier } from '../db/index.ts';

const { files } = schema;

/** SHA-256 of bytes, in hex: the name under which they are kept. */
export function contentHash(bytes: Uint8Array | string): string {
  return createHash('sha256').update(bytes).digest('hex');
}

/** Keeps bytes by content; the same content is kept once. */
export async function storeFile(db: Querier, bytes: Buffer, type: string): Promise<string> {
  const hash = contentHash(bytes);
  await db.insert(files).values({ hash, type, size: bytes.length, bytes }).onConflictDoNothing();
  return hash;
}

/** Bytes by content hash; undefined when they are not kept. */
export async function readFile(db: Querier, hash: string): Promise<{ bytes: Buffer; type: string } | undefined> {
  const [row] = await db.select({ bytes: files.bytes, type: files.type }).from(files).where(eq(files.hash, hash));
  return row;
}

/** Bytes of the file of a type whose hash begins so; undefined when there is none. */
export async function findFile(db: Querier, start: string, type: string): Promise<Buffer | undefined> {
  const [row] = await db
    .select({ bytes: files.bytes })
    .from(files)
    .where(and(like(files.hash, `${start}%`), eq(files.type, type)))
    .limit(1);
  return row?.bytes;
}
