import { and, eq, gt, isNull, lt, sql } from 'drizzle-orm';
import { schema, type Querier } from '../db/index.ts';
import { hashSecret, newSecret } from './secret.ts';
import { openSession, type OpenedSession } from './sessions.ts';

export const OWNER = 'owner';
const TOKEN_MINUTES = 30;

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
  await db.insert(schema.signInTokens).values({
    hash: hashSecret(token),
    userId: OWNER,
    expiresAt: sql`now() + make_interval(mins => ${TOKEN_MINUTES})`,
  });
  return token;
}

/**
 * Uses a token up and opens a session; undefined when it is unknown, used or too
 * old. One statement decides, so it works once.
 *
 * @param agent what the browser calls itself, for the list of sessions
 */
export async function useSignInToken(db: Querier, token: string, agent = ''): Promise<OpenedSession | undefined> {
  const { signInTokens } = schema;
  const used = await db
    .update(signInTokens)
    .set({ usedAt: sql`now()` })
    .where(
      and(
        eq(signInTokens.hash, hashSecret(token)),
        isNull(signInTokens.usedAt),
        gt(signInTokens.expiresAt, sql`now()`),
      ),
    )
    .returning({ userId: signInTokens.userId });
  return used[0] && openSession(db, used[0].userId, agent);
}
