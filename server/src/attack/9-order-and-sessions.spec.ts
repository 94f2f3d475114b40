import { existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { doorOf } from '../http/door.ts';
import { startClient, type Client } from '../testing/client.ts';
import { freshUrl } from '../testing/database.ts';

describe('Item 9: sessions and the log', () => {
  let client: Client;
  const signIn = (server: Client['server'], token: string, agent = 'Spec/1') =>
    fetch(`${server.address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'user-agent': agent },
      body: JSON.stringify({ token }),
    });
  const cookieOf = (response: Response) => response.headers.get('set-cookie')!.split(';')[0]!;
  const token = async () => (await client.server.link()).split('#')[1]!;
  beforeEach(async () => {
    client = await startClient();
  });
  afterEach(() => client.close());

  it('are listed, and ended singly; with a session its streams end', async () => {
    const other = cookieOf(await signIn(client.server, await token(), 'Other/2'));
    const listed = (
      (await (await client.get('/api/sessions')).json()) as {
        sessions: { id: string; agent: string; current: boolean }[];
      }
    ).sessions;
    expect(listed.map((entry) => [entry.agent, entry.current]).sort()).toEqual([
      ['Other/2', false],
      [jasmine.any(String), true],
    ] as never);
    const stream = await fetch(`${client.server.address}/api/sites/ternhaven/events`, { headers: { cookie: other } });
    const reader = stream.body!.getReader();
    await reader.read();
    expect((await client.send('DELETE', `/api/sessions/${listed.find((entry) => !entry.current)!.id}`)).status).toBe(
      204,
    );
    for (;;) if ((await reader.read()).done) break;
    expect((await fetch(`${client.server.address}/api/sites`, { headers: { cookie: other } })).status).toBe(401);
    expect((await client.get('/api/sites')).status).toBe(200);
    expect((await client.send('DELETE', '/api/sessions/nobody')).status).toBe(404);
  });

  it('end when they were not used for three days, and what is over is cleared away', async () => {
    await client.databasePool.query("update sessions set seen_at = now() - interval '73 hours'");
    expect((await client.get('/api/sites')).status).toBe(401);
    await signIn(client.server, await token());
    expect((await client.databasePool.query('select count(*)::int as n from sessions')).rows[0]).toEqual({ n: 1 });
  });

  it('wrong tokens are counted and told when to come back; the right one is let in all the same', async () => {
    const right = await token();
    const wrong = await Promise.all(Array.from({ length: 60 }, () => signIn(client.server, 'x'.repeat(43))));
    const last = wrong.filter((response) => response.status === 429);
    expect(last.length).toBeGreaterThanOrEqual(29);
    expect(wrong.every((response) => response.status === 401 || response.status === 429)).toBeTrue();
    expect(Number(last[0]!.headers.get('retry-after'))).toBeGreaterThan(0);
    expect((await signIn(client.server, right)).status).toBe(204);
  });

  it('behind https the cookie is bound to its host and goes over nothing else', async () => {
    const behind = await startClient(await freshUrl(), { publicAddress: 'https://desk.example' });
    try {
      const link = await behind.server.link();
      expect(link).toMatch(/^https:\/\/desk\.example\/sign-in#/);
      const made = (await signIn(behind.server, link.split('#')[1]!)).headers.get('set-cookie')!;
      expect(made).toMatch(/^__Host-yohaku=/);
      for (const part of [/; secure/i, /; httponly/i, /; samesite=strict/i, /; path=\//i]) expect(made).toMatch(part);
      expect(made).not.toMatch(/domain=/i);
    } finally {
      await behind.close();
    }
    expect(() => doorOf(1, 'desk.example')).toThrowError(/YOHAKU_ADDRESS must be the address browsers use/);
    for (const bad of ['https://desk.example/x', 'ftp://desk.example', 'https://a:b@desk.example', 'nonsense'])
      expect(() => doorOf(1, bad))
        .withContext(bad)
        .toThrow();
  });

  it('the log is its owner’s alone, is begun anew before it grows large, and holds nothing of any document', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'yohaku-log-'));
    const file = join(folder, 'yohaku.log');
    writeFileSync(file, 'x'.repeat(6 * 1024 * 1024), { mode: 0o644 });
    process.env['YOHAKU_LOG'] = 'debug';
    const logged = await startClient(await freshUrl(), { logFile: file });
    try {
      process.env['YOHAKU_LOG'] = 'debug';
      const secret = 'words-that-nobody-may-read';
      const edit = {
        window: 'wwww',
        changes: [
          {
            id: 'log-00001',
            schemaVersion: 1,
            label: secret,
            ops: [{ op: 'set', at: ['pages', 'home', 'title'], value: secret }],
          },
        ],
      };
      await logged.send('POST', '/api/sites/ternhaven/changes', edit);
      // The database fails in the middle of a save: what it was given must not be told.
      await logged.databasePool.query("alter table changes add constraint no_more check (id !~ '^log-0000[2-9]')");
      await logged.send('POST', '/api/sites/ternhaven/changes', {
        ...edit,
        changes: [{ ...edit.changes[0], id: 'log-00002' }],
      });
      await logged.databasePool.query('alter table pages rename to pages_gone');
      await logged.send('POST', '/api/sites/ternhaven/changes', {
        ...edit,
        changes: [{ ...edit.changes[0], id: 'other-0003' }],
      });
      await logged.get('/api/sites/ternhaven');
      await logged.databasePool.query('alter table pages_gone rename to pages');
      const written = () => (existsSync(file) ? readFileSync(file, 'utf8') : '');
      while (!written().includes('unexpected error') && !written().includes('could not be saved'))
        await new Promise((resolve) => setTimeout(resolve, 50));
      expect(written()).not.toContain(secret);
      expect(written()).not.toContain(logged.cookie.split('=')[1]!);
      expect(statSync(file).mode & 0o777).toBe(0o600);
      expect(statSync(file).size).toBeLessThan(1024 * 1024);
    } finally {
      process.env['YOHAKU_LOG'] = 'silent';
      await logged.close();
      rmSync(folder, { recursive: true });
    }
  });
});
