import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { startClient, type Client } from '../testing/client.ts';

const detailOf = async (answer: Response) =>
  [answer.status, ((await answer.json()) as { detail?: string }).detail ?? ''] as const;
const change = (id: string, value: number) => ({
  window: 'live',
  changes: [
    {
      id,
      schemaVersion: 1,
      label: 'Space',
      ops: [{ op: 'set', at: ['brand', 'spaces', 'even', 'values', 'desktop'], value }],
    },
  ],
});

describe('Item 12: the limits of the machine', () => {
  let client: Client;
  beforeAll(async () => {
    client = await startClient();
  });
  afterAll(() => client.close());
  const edit = (id: string, value: number) => client.send('POST', '/api/sites/ternhaven/changes', change(id, value));
  const sequence = async () =>
    ((await (await client.get('/api/sites/ternhaven')).json()) as { sequence: number }).sequence;
  const publish = async () => client.send('POST', '/api/sites/ternhaven/publications', { sequence: await sequence() });
  const upload = () =>
    client.send(
      'POST',
      '/api/sites/ternhaven/downloads?name=list.pdf',
      Buffer.concat([Buffer.from('%PDF-1.7\n'), Buffer.alloc(4000, 'x')]),
      { 'content-type': 'application/octet-stream' },
    );

  /** The database answers writes to a table as it does when its disk has no room for them. */
  const fillDisk = async (table: string) => {
    await client.databasePool.query(
      `create or replace function no_room() returns trigger language plpgsql as $$ begin raise exception 'could not extend file: No space left on device' using errcode = 'disk_full'; end $$`,
    );
    await client.databasePool.query(
      `create trigger no_room before insert or update on ${table} for each statement execute function no_room()`,
    );
  };
  const makeRoom = (table: string) => client.databasePool.query(`drop trigger no_room on ${table}`);
  const FULL =
    /^The disk of the server is full\. This request saved nothing\. Free some disk space, then send the request again unchanged\.$/;

  it('a full disk amid an upload, an edit and a publication is named, keeps nothing of them, and lets the same request pass later', async () => {
    await edit('room-0001', 24);
    expect((await publish()).status).toBe(201);
    const liveTokens = async () => (await client.get('/live/ternhaven/tokens.css')).text();
    const live = await liveTokens();
    expect(live).toContain('24px');
    await edit('room-0002', 36);
    const counts = async () =>
      (
        await client.databasePool.query(
          "select (select count(*) from files where type = 'application/pdf')::int as documents, (select count(*) from publishes)::int as publishes, (select count(*) from changes)::int as changes",
        )
      ).rows[0] as object;
    const before = await counts();
    for (const [table, send, done] of [
      ['files', upload, 200],
      ['publishes', publish, 201],
      ['changes', () => edit('room-0003', 40), 200],
      ['sites', () => edit('room-0004', 41), 200],
    ] as const) {
      await fillDisk(table);
      const kept = await counts();
      expect(await detailOf(await send()))
        .withContext(table)
        .toEqual([503, jasmine.stringMatching(FULL)]);
      expect(await counts())
        .withContext(table)
        .toEqual(kept);
      expect((await client.get('/api/health')).status).toBe(200);
      if (table !== 'changes' && table !== 'sites') expect(await liveTokens()).toBe(live);
      await makeRoom(table);
      expect((await send()).status)
        .withContext(table)
        .toBe(done);
    }
    expect(await counts()).not.toEqual(before);
    expect(await liveTokens()).not.toBe(live);
  });

  it('when other programs hold all connections, requests are told so, readers of live pages wait no longer than they must, and all goes on afterwards', async () => {
    const role = `r${randomUUID().replaceAll('-', '')}`;
    const name = new URL(client.databaseUrl).pathname.slice(1);
    await client.databasePool.query(`create role ${role} login password 'only-for-this' connection limit 3`);
    await client.databasePool.query(
      `grant all on database ${name} to ${role}; grant all on all tables in schema public to ${role}; grant all on all sequences in schema public to ${role}; grant all on schema public, drizzle to ${role}; grant all on all tables in schema drizzle to ${role}`,
    );
    const url = new URL(client.databaseUrl);
    url.username = role;
    url.password = 'only-for-this';
    const crowded = await startClient(url.href);
    const others: pg.Client[] = [];
    try {
      const send = (id: string) => crowded.send('POST', '/api/sites/ternhaven/changes', change(id, 20));
      expect((await send('crowd-0001')).status).toBe(200);
      // Every connection of the server is cut; other programs take all that there are.
      await client.databasePool.query('select pg_terminate_backend(pid) from pg_stat_activity where usename = $1', [
        role,
      ]);
      for (let held = 0; held < 3;) {
        const other = new pg.Client({ connectionString: url.href });
        other.on('error', () => {});
        try {
          await other.connect();
          others.push(other);
          held++;
        } catch {
          // The server was faster for one of them; that one is cut again.
          await client.databasePool.query(
            `select pg_terminate_backend(pid) from pg_stat_activity where usename = $1 and pid <> all($2::int[])`,
            [role, others.map((open) => (open as unknown as { processID: number }).processID)],
          );
        }
      }
      const held =
        /^Other programs hold all connections of the database\. This request saved nothing; send it again unchanged\.$/;
      expect(await detailOf(await send('crowd-0002'))).toEqual([503, jasmine.stringMatching(held)]);
      expect(await detailOf(await crowded.get('/api/health'))).toEqual([
        503,
        'Other programs hold all connections of the database.',
      ]);
      for (const other of others.splice(0)) await other.end();
      for (
        const until = performance.now() + 10_000;
        (await crowded.get('/api/health')).status !== 200 && performance.now() < until;
      )
        await new Promise((resolve) => setTimeout(resolve, 100));
      expect((await send('crowd-0002')).status).toBe(200);
    } finally {
      for (const other of others) await other.end();
      await crowded.close();
    }
  });
});
