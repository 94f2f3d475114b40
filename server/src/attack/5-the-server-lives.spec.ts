import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type pg from 'pg';
import { sql } from 'drizzle-orm';
import { openDatabase } from '../db/index.ts';
import { freshUrl } from '../testing/database.ts';
import { OwnServer } from '../testing/own-server.ts';
import { startClient } from '../testing/client.ts';

/** As users have it: what is acknowledged is on the disk. */
const SAFE = { YOHAKU_TEST_FAST: '0' };
const soon = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const change = (id: string, value: number) => ({
  id,
  schemaVersion: 1,
  label: 'Space',
  ops: [{ op: 'set', at: ['brand', 'spaces', 'even', 'values', 'desktop'], value }],
});

/** Sends an edit as a window does: again, with the same id, until it is answered. Returns its sequence. */
async function persist(post: (body: string) => Promise<Response>, id: string, value: number): Promise<number> {
  for (;;) {
    try {
      const response = await post(JSON.stringify({ window: 'live', changes: [change(id, value)] }));
      if (response.status === 200) {
        const { results } = (await response.json()) as { results: { sequence?: number; refused?: string }[] };
        if (results[0]!.sequence === undefined) throw new TypeError(results[0]!.refused);
        return results[0]!.sequence;
      }
      if (response.status !== 503) throw new TypeError(`answered ${response.status}: ${await response.text()}`);
      await response.body?.cancel();
    } catch (error) {
      if (error instanceof TypeError && !/fetch failed|terminated/.test(error.message)) throw error;
    }
    await soon(100);
  }
}

async function signIn(link: string): Promise<string> {
  const [address, token] = link.split('/sign-in#');
  const response = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ token }),
  });
  return response.headers.get('set-cookie')!.split(';')[0]!;
}

/** The ids of the log, in order; none there twice, no sequence left out. */
async function logOf(get: (path: string) => Promise<Response>): Promise<string[]> {
  const { changes } = (await (await get('/api/sites/ternhaven/changes?after=0')).json()) as {
    changes: { id: string; sequence: number }[];
  };
  expect(changes.map((entry) => entry.sequence)).toEqual(changes.map((_entry, i) => i + 1));
  return changes.map((entry) => entry.id);
}

describe('Item 5: the server lives', () => {
  it('when every connection in use is cut, in 20 rounds of 20, and no edit is lost or doubled', async () => {
    const client = await startClient();
    try {
      const sent: string[] = [];
      for (let round = 0; round < 20; round++) {
        const edits = Array.from({ length: 6 }, (_, i) => {
          const id = `cut-${String(round).padStart(2, '0')}-${i}`;
          sent.push(id);
          return persist((body) => client.send('POST', '/api/sites/ternhaven/changes', body), id, 20 + i);
        });
        await soon(round % 7);
        await client.databasePool.query(
          'select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()',
        );
        await Promise.all(edits);
      }
      const log = await logOf((path) => client.get(path));
      expect([...log].sort()).toEqual([...sent].sort());
      expect((await client.get('/api/health')).status).toBe(200);
    } finally {
      await client.close();
    }
  });

  it('when connections are cut before a transaction has begun, none of them stays out of the pool', async () => {
    const database = openDatabase(await freshUrl());
    try {
      const cut = (client: pg.PoolClient) =>
        (client as unknown as { connection: { stream: Socket } }).connection.stream.destroy();
      database.pool.on('acquire', cut);
      for (let i = 0; i < 12; i++) await expectAsync(database.db.transaction(async () => {})).toBeRejected();
      database.pool.off('acquire', cut);
      expect(database.pool.totalCount - database.pool.idleCount).toBe(0);
      await expectAsync(
        database.db.transaction(async (tx) => (await tx.execute(sql`select 1 as alive`)).rows[0]),
      ).toBeResolvedTo({ alive: 1 });
    } finally {
      await database.close();
    }
  });

  describe('started as a user starts it', () => {
    let own: OwnServer;
    let cookie: string;
    const get = (path: string) => fetch(own.address + path, { headers: { cookie } });
    const post = (body: string) =>
      fetch(`${own.address}/api/sites/ternhaven/changes`, {
        method: 'POST',
        headers: { cookie, 'content-type': 'application/json' },
        body,
      });
    beforeAll(async () => {
      own = await OwnServer.create();
      await own.start(SAFE);
      cookie = await signIn(own.link);
    });
    afterAll(() => own.dispose());

    it('when PostgreSQL is killed it is brought back, and when the server itself is killed it is started again', async () => {
      for (let round = 0; round < 3; round++) {
        const before = own.serverPid;
        process.kill(own.postmaster!.pid, 'SIGKILL');
        await persist(post, `pg-dies-${round}`, 30 + round);
        expect(own.serverPid).toBe(before);
        process.kill(own.serverPid, 'SIGKILL');
        await persist(post, `dies-${round}00`, 40 + round);
        expect(own.serverPid).not.toBe(before);
      }
      expect((await logOf(get)).filter((id) => id.includes('dies'))).toEqual([
        'pg-dies-0',
        'dies-000',
        'pg-dies-1',
        'dies-100',
        'pg-dies-2',
        'dies-200',
      ]);
      expect(own.said).toMatch(/the server died \(SIGKILL\) and is started again[^]*the server is back/);
    });

    it('when start is killed the next one takes over at once', async () => {
      await own.end('SIGKILL');
      await own.start(SAFE);
      expect((await get('/api/sites')).status).toBe(200);
      await persist(post, 'after-kill', 51);
      expect((await logOf(get)).at(-1)).toBe('after-kill');
    });

    it('a server that keeps dying is given up, with a bound, and said', async () => {
      const ended = new Promise<number | null>((resolve) => own.process!.once('exit', resolve));
      for (let last = 0; own.process!.exitCode === null;) {
        const pid = own.serverPidIfAny;
        if (pid !== last && pid > 0) {
          try {
            process.kill(pid, 'SIGKILL');
          } catch {
            // It had ended by itself.
          }
          last = pid;
        }
        await soon(50);
      }
      expect(await ended).toBe(1);
      expect(own.said).toMatch(/died 6 times within a minute.*not started again/);
      await own.start(SAFE);
    });
  });

  it('when the disk is full: edits wait, nothing ends, and it goes on once there is room', async () => {
    const disk = mkdtempSync(join(tmpdir(), 'yohaku-disk-'));
    const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=140m,mode=755', 'tmpfs', disk]);
    expect(mounted.status).withContext('a small disk could be mounted').toBe(0);
    const own = await OwnServer.create();
    rmSync(own.data, { recursive: true });
    own.data = join(disk, 'data');
    mkdirSync(own.data);
    try {
      await own.start(SAFE);
      const cookie = await signIn(own.link);
      const get = (path: string) => fetch(own.address + path, { headers: { cookie } });
      const post = (body: string) =>
        fetch(`${own.address}/api/sites/ternhaven/changes`, {
          method: 'POST',
          headers: { cookie, 'content-type': 'application/json' },
          body,
        });
      await persist(post, 'room-0001', 21);
      const server = own.serverPid;
      // To the last byte, and again what is freed meanwhile.
      const fill = () => {
        try {
          for (let i = 0; ; i++) writeFileSync(join(disk, `ballast-${i}`), Buffer.alloc(4096 * 64), { flag: 'a' });
        } catch {
          /* full */
        }
      };
      fill();
      let told = 0;
      const waiting = (async () => {
        const sent: string[] = [];
        for (let i = 0; i < 40; i++) {
          const id = `full-${String(i).padStart(4, '0')}`;
          sent.push(id);
          await persist(
            async (body) => {
              const answer = await post(body);
              if (answer.status === 503) told++;
              return answer;
            },
            id,
            20 + i,
          );
        }
        return sent;
      })();
      for (let i = 0; i < 30 && told === 0; i++) {
        fill();
        await soon(300);
      }
      expect((await fetch(`${own.address}/`)).status).toBeLessThan(500);
      spawnSync('sh', ['-c', `rm -f ${disk}/ballast-*`]);
      const sent = await waiting;
      expect(told).withContext('answers while there was no room').toBeGreaterThan(0);
      const log = await logOf(get);
      expect(log.slice(0, 1)).toEqual(['room-0001']);
      expect(log.slice(1)).toEqual(sent);
      expect(own.serverPid).toBe(server);
    } finally {
      await own.dispose();
      spawnSync('umount', ['-l', disk]);
      rmSync(disk, { recursive: true, force: true });
    }
  });
});
