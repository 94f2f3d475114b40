import { and, eq, gt, isNull, lt, sql } from 'drizzle-orm';
import { schema, type Querier } from '../db/index.ts';
import { hashSecret, newSecret } from './secret.ts';

export const OWNER = 'owner';
const TOKEN_MINUTES = 30;
const SESSION_DAYS = 14;

/** Makes sure that the owner exists; edits from the command line are the owner's as well. */
export async function ensureOwner(db: Querier): Promise<string> {
  await db.insert(schema.users).values({ id: OWNER, name: 'Owner' }).onConflictDoNothing();
  return OWNER;
}

/** Makes a one-time sign-in token for the owner, good for thirty minutes. */
export async function makeSignInToken(db: Querier): Promise<string> {
  const token = newSecret();
  await ensureOwner(db);
  await db.delete(schema.signInTokens).where(lt(schema.signInTokens.expiresAt, sql`now()`));
  await db.insert(schema.signInTokens).values({ hash: hashSecret(token), userId: OWNER, expiresAt: minutesFromNow(TOKEN_MINUTES) });
  return token;
}

/** Uses a token up and opens a session; undefined when it is unknown, used or too old. One statement decides, so it works once. */
export async function useSignInToken(db: Querier, token: string): Promise<{ secret: string; expiresAt: Date } | undefined> {
  const { signInTokens, sessions } = schema;
  const used = await db.update(signInTokens).set({ usedAt: sql`now()` })
    .where(and(eq(signInTokens.hash, hashSecret(token)), isNull(signInTokens.usedAt), gt(signInTokens.expiresAt, sql`now()`)))
    .returning({ userId: signInTokens.userId });
  if (!used[0]) return undefined;
  const secret = newSecret();
  const expiresAt = minutesFromNow(SESSION_DAYS * 24 * 60);
  await db.insert(sessions).values({ hash: hashSecret(secret), userId: used[0].userId, expiresAt });
  return { secret, expiresAt };
}

/** The user behind a session cookie; undefined when there is none or it has expired. */
export async function sessionUser(db: Querier, secret: string): Promise<string | undefined> {
  const { sessions } = schema;
  const rows = await db.select({ userId: sessions.userId }).from(sessions).where(and(eq(sessions.hash, hashSecret(secret)), gt(sessions.expiresAt, sql`now()`)));
  return rows[0]?.userId;
}

/** Ends a session. */
export async function endSession(db: Querier, secret: string): Promise<void> {
  await db.delete(schema.sessions).where(eq(schema.sessions.hash, hashSecret(secret)));
}

const minutesFromNow = (minutes: number): Date => new Date(Date.now() + minutes * 60_000);
