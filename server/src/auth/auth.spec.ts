import type { Database } from '../db/index.ts';
import { freshDatabase } from '../testing/database.ts';
import { endSession, hashSecret, makeSignInToken, newSecret, sessionOf, useSignInToken } from './index.ts';

describe('signing in', () => {
  let database: Database;
  beforeAll(async () => {
    database = await freshDatabase();
  });
  afterAll(() => database.close());
  const sql = (text: string) => database.pool.query(text);

  it('keeps only hashes of tokens and sessions', async () => {
    const token = await makeSignInToken(database.db);
    const session = (await useSignInToken(database.db, token))!;
    const { rows } = await sql('select hash from sign_in_tokens union all select hash from sessions');
    const stored = rows.map((row: { hash: string }) => row.hash);
    expect(stored).toContain(hashSecret(token));
    expect(stored).toContain(hashSecret(session.secret));
    expect(stored).not.toContain(token);
    expect(stored).not.toContain(session.secret);
  });
  it('uses a token up once, whoever comes first', async () => {
    const token = await makeSignInToken(database.db);
    const answers = await Promise.all(Array.from({ length: 8 }, () => useSignInToken(database.db, token)));
    expect(answers.filter((answer) => answer !== undefined).length).toBe(1);
  });
  it('refuses a token that is too old, and clears it away with the next one', async () => {
    const token = await makeSignInToken(database.db);
    await sql("update sign_in_tokens set expires_at = now() - interval '1 second'");
    expect(await useSignInToken(database.db, token)).toBeUndefined();
    await makeSignInToken(database.db);
    const { rows } = await sql('select count(*)::int as n from sign_in_tokens');
    expect(rows[0].n).toBe(1);
  });
  it('ends a session by itself, by time, and on signing out', async () => {
    const session = (await useSignInToken(database.db, await makeSignInToken(database.db)))!;
    expect((await sessionOf(database.db, session.secret))?.user).toBe('owner');
    expect(await sessionOf(database.db, newSecret())).toBeUndefined();
    await sql("update sessions set expires_at = now() - interval '1 second'");
    expect(await sessionOf(database.db, session.secret)).toBeUndefined();
    const other = (await useSignInToken(database.db, await makeSignInToken(database.db)))!;
    await endSession(database.db, 'owner', other.id);
    expect(await sessionOf(database.db, other.secret)).toBeUndefined();
  });
  it('makes secrets that do not repeat', () => {
    expect(new Set(Array.from({ length: 200 }, newSecret)).size).toBe(200);
    expect(newSecret().length).toBeGreaterThanOrEqual(43);
  });
});
