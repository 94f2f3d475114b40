import { and, desc, eq, gt, lte, or, sql } from 'drizzle-orm';
import { schema, type Querier } from '../db/index.ts';
import { hashSecret, newSecret } from './secret.ts';

const { sessions } = schema;

/** How long a session lasts at most, and unused (OWASP ASVS 4.0, 3.3.2). */
export const SESSION_LIMITS = { days: 14, idleDays: 3 } as const;

export interface OpenedSession {
  readonly secret: string;
  readonly id: string;
  readonly expiresAt: Date;
}
export interface Session {
  readonly user: string;
  readonly id: string;
}
export interface ListedSession {
  readonly id: string;
  readonly createdAt: string;
  readonly seenAt: string;
  readonly expiresAt: string;
  readonly agent: string;
}

/**
 * Still good: neither over nor left unused for too long. All times are the database's, whose clock every server shares.
 */
const good = () =>
  and(
    gt(sessions.expiresAt, sql`now()`),
    gt(sessions.seenAt, sql`now() - make_interval(days => ${SESSION_LIMITS.idleDays})`),
  );

/** Opens a session for a user, and clears those away that are over. */
export async function openSession(db: Querier, user: string, agent: string): Promise<OpenedSession> {
  await clearSessions(db);
  const secret = newSecret();
  const [row] = await db
    .insert(sessions)
    .values({
      hash: hashSecret(secret),
      userId: user,
      agent: agent.slice(0, 200),
      expiresAt: sql`now() + make_interval(days => ${SESSION_LIMITS.days})`,
    })
    .returning({ id: sessions.id, expiresAt: sessions.expiresAt });
  return { secret, id: row!.id, expiresAt: row!.expiresAt };
}

/**
 * The session behind a cookie; undefined when there is none, it is over, or it was left unused too long. Its use is
 * noted once a minute.
 */
export async function sessionOf(db: Querier, secret: string): Promise<Session | undefined> {
  const hash = hashSecret(secret);
  const [row] = await db
    .select({
      user: sessions.userId,
      id: sessions.id,
      stale: sql<boolean>`${sessions.seenAt} < now() - interval '1 minute'`,
    })
    .from(sessions)
    .where(and(eq(sessions.hash, hash), good()));
  if (!row) return undefined;
  if (row.stale)
    await db
      .update(sessions)
      .set({ seenAt: sql`now()` })
      .where(eq(sessions.hash, hash));
  return { user: row.user, id: row.id };
}

/** Returns true if a session that was good a moment ago still is. */
export async function isOpen(db: Querier, id: string): Promise<boolean> {
  return (
    (
      await db
        .select({ id: sessions.id })
        .from(sessions)
        .where(and(eq(sessions.id, id), good()))
    ).length > 0
  );
}

/** The open sessions of a user, the one used last first. */
export async function listSessions(db: Querier, user: string): Promise<ListedSession[]> {
  const rows = await db
    .select()
    .from(sessions)
    .where(and(eq(sessions.userId, user), good()))
    .orderBy(desc(sessions.seenAt));
  return rows.map(({ id, createdAt, seenAt, expiresAt, agent }) => ({
    id,
    createdAt: createdAt.toISOString(),
    seenAt: seenAt.toISOString(),
    expiresAt: expiresAt.toISOString(),
    agent,
  }));
}

/** Channel on which every server hears that a session has ended, so that its streams end as well. */
export const SESSIONS_CHANNEL = 'yohaku_sessions';

/** Ends a session of a user; false when it has none of that id. */
export async function endSession(db: Querier, user: string, id: string): Promise<boolean> {
  const ended = await db
    .delete(sessions)
    .where(and(eq(sessions.userId, user), eq(sessions.id, id)))
    .returning({ id: sessions.id });
  if (ended.length > 0) await db.execute(sql`select pg_notify(${SESSIONS_CHANNEL}, ${id})`);
  return ended.length > 0;
}

/** Clears away what is over. @returns how many */
export async function clearSessions(db: Querier): Promise<number> {
  return (
    await db
      .delete(sessions)
      .where(
        or(
          lte(sessions.expiresAt, sql`now()`),
          lte(sessions.seenAt, sql`now() - make_interval(days => ${SESSION_LIMITS.idleDays})`),
        ),
      )
      .returning({ id: sessions.id })
  ).length;
}
