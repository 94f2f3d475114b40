import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { spawnSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startServer } from '../main.ts';
import { freshUrl, ROOT } from '../testing/database.ts';
import { OwnServer } from '../testing/own-server.ts';

const soon = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const corner = (id: string, value: number) =>
  JSON.stringify({
    window: 'first',
    changes: [{ id, schemaVersion: 1, label: 'Corner', ops: [{ op: 'set', at: ['brand', 'corners', 'card'], value }] }],
  });

const cookies = new Map<string, string>();

/** Somebody at a server, signed in with the address it printed, which is good once. */
async function signedIn(own: OwnServer) {
  if (!cookies.has(own.link)) {
    const [address, token] = own.link.split('/sign-in#');
    const made = await fetch(`${address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ token }),
    });
    cookies.set(own.link, made.headers.get('set-cookie')!.split(';')[0]!);
  }
  const cookie = cookies.get(own.link)!;
  return {
    save: (id: string, value: number) =>
      fetch(`${own.address}/api/sites/ternhaven/changes`, {
        method: 'POST',
        headers: { cookie, 'content-type': 'application/json' },
        body: corner(id, value),
      }),
    card: async () =>
      (
        (await (await fetch(`${own.address}/api/sites/ternhaven`, { headers: { cookie } })).json()) as {
          site: { brand: { corners: { card: unknown } } };
        }
      ).site.brand.corners.card,
  };
}

/** Ends a start and all that it started, as a machine does that loses its power. */
async function cutOff(own: OwnServer): Promise<void> {
  const group = own.process!.pid!;
  const children = spawnSync('ps', ['-eo', 'pid=,ppid=,args='])
    .stdout.toString()
    .split('\n')
    .map((line) => /^\s*(\d+)\s+(\d+)\s+(.*)$/.exec(line))
    .filter((match) => match !== null);
  const own_ = new Set([group]);
  for (let grew = true; grew;) {
    grew = false;
    for (const [, pid, parent, args] of children)
      if (!own_.has(Number(pid)) && (own_.has(Number(parent)) || args!.includes(own.data))) {
        own_.add(Number(pid));
        grew = true;
      }
  }
  for (const pid of own_) {
    try {
      process.kill(pid, 'SIGKILL');
    } catch {
      // Ended by itself.
    }
  }
  await soon(50);
}

describe('Item 6: a first start that was cut off starts again', () => {
  it('20 of 20, wherever it was cut', async () => {
    const starts = Array.from({ length: 20 }, (_, i) => 60 + i * 130);
    const entry = async (after: number) => {
      const own = await OwnServer.create();
      try {
        own.process = own.spawn(['--port', String(own.port), '--data', own.data]);
        own.process.stdout!.resume();
        own.process.stderr!.resume();
        await soon(after);
        await cutOff(own);
        await own.start();
        expect(await (await signedIn(own)).card())
          .withContext(`cut after ${after} ms`)
          .toBeDefined();
      } catch (error) {
        fail(`cut after ${after} ms: ${(error as Error).message}`);
      } finally {
        await own.dispose();
      }
    };
    // Two at a time: as many as there are processors.
    const next = async (): Promise<void> => {
      for (let after = starts.shift(); after !== undefined; after = starts.shift()) await entry(after);
    };
    await Promise.all([next(), next()]);
    // Twenty first starts, each with a cluster of its own: on a slow host, beside other specs, over three minutes.
  }, 480_000);

  it('a data folder can be moved', async () => {
    const own = await OwnServer.create();
    try {
      await own.start();
      await (await signedIn(own)).save('moved-001', 41);
      await own.end('SIGTERM');
      const password = readFileSync(join(own.data, 'postgres-password'), 'utf8');
      const moved = `${own.data}-moved`;
      renameSync(own.data, moved);
      own.data = moved;
      await own.start();
      expect(await (await signedIn(own)).card()).toBe(41);
      expect(readFileSync(join(moved, 'postgres-password'), 'utf8')).toBe(password);
    } finally {
      await own.dispose();
    }
  });

  it('a copy that is started writes into its own database, while the original runs or not', async () => {
    const own = await OwnServer.create();
    const copy = await OwnServer.create();
    try {
      await own.start();
      await (await signedIn(own)).save('copy-0001', 41);
      // The last page of the log is on the disk only after a checkpoint: what a copy holds is what was there.
      await soon(300);
      rmSync(copy.data, { recursive: true });
      spawnSync('cp', ['-a', own.data, copy.data]);
      await copy.start();
      await (await signedIn(copy)).save('copy-0002', 52);
      expect([await (await signedIn(own)).card(), await (await signedIn(copy)).card()]).toEqual([41, 52]);
      expect(copy.postmaster!.pid).not.toBe(own.postmaster!.pid);
      await copy.end('SIGTERM');
      expect(await (await signedIn(own)).card()).toBe(41);
    } finally {
      await copy.dispose();
      await own.dispose();
    }
  });

  it('a database that lies elsewhere is taken along by a moved folder and copied for a copied one', async () => {
    // A folder that user postgres cannot enter, as a checkout below /root is.
    const closed = mkdtempSync(join(tmpdir(), 'yohaku-closed-'));
    const elsewhere = mkdtempSync(join(tmpdir(), 'yohaku-elsewhere-'));
    spawnSync('chmod', ['700', closed]);
    spawnSync('chmod', ['755', elsewhere]);
    const env = { YOHAKU_CLUSTERS: elsewhere };
    const own = await OwnServer.create();
    rmSync(own.data, { recursive: true });
    own.data = join(closed, 'one');
    try {
      await own.start(env);
      expect(own.clusterFolder.startsWith(elsewhere)).toBeTrue();
      await (await signedIn(own)).save('else-0001', 43);
      await own.end('SIGTERM');
      cpSync(own.data, join(closed, 'two'), { recursive: true });
      const first = own.data;
      own.data = join(closed, 'two');
      await own.start(env);
      expect(await (await signedIn(own)).card()).toBe(43);
      await (await signedIn(own)).save('else-0002', 44);
      await own.end('SIGTERM');
      own.data = first;
      await own.start(env);
      expect(await (await signedIn(own)).card()).toBe(43);
      await own.end('SIGTERM');
      renameSync(first, join(closed, 'three'));
      own.data = join(closed, 'three');
      await own.start(env);
      expect(await (await signedIn(own)).card()).toBe(43);
      expect(readdirSync(elsewhere).filter((name) => !name.includes('.')).length).toBe(2);
      await own.end('SIGTERM');
      rmSync(own.clusterFolder, { recursive: true });
      const gone = await own.refusal(['--port', String(own.port), '--data', own.data], env);
      expect([gone.code, gone.said]).toEqual([
        2,
        jasmine.stringMatching(/was kept in .* not there any more. Nothing was changed. Bring that folder back/),
      ]);
    } finally {
      await own.dispose();
      rmSync(closed, { recursive: true, force: true });
      rmSync(elsewhere, { recursive: true, force: true });
    }
  });

  it('a missing file is named, nothing is made anew over what is there, and nobody is told to empty the folder', async () => {
    const own = await OwnServer.create();
    try {
      await own.start();
      await (await signedIn(own)).save('lost-0001', 45);
      await own.end('SIGTERM');
      // The password can be set anew: the cluster is ours.
      rmSync(join(own.data, 'postgres-password'));
      await own.start();
      expect(await (await signedIn(own)).card()).toBe(45);
      await own.end('SIGTERM');
      for (const [file, words] of [
        ['PG_VERSION', /lacks its file PG_VERSION/],
        ['global/pg_control', /pg_control/],
      ] as const) {
        const at = join(own.clusterFolder, file);
        const aside = `${at}-aside`;
        renameSync(at, aside);
        const { code, said } = await own.refusal(['--port', String(own.port), '--data', own.data]);
        expect([code, said])
          .withContext(file)
          .toEqual([2, jasmine.stringMatching(words)]);
        expect(said).not.toMatch(/empty|remove the directory/i);
        renameSync(aside, at);
      }
      const folder = own.clusterFolder;
      renameSync(folder, `${folder}-aside`);
      const { said } = await own.refusal(['--port', String(own.port), '--data', own.data]);
      expect(said).toMatch(/is not there any more/);
      expect(existsSync(join(folder, 'PG_VERSION'))).toBeFalse();
      renameSync(`${folder}-aside`, folder);
      await own.start();
      expect(await (await signedIn(own)).card()).toBe(45);
    } finally {
      await own.dispose();
    }
  });

  it('locks name their process by its start as well: a number that came round again holds nothing', async () => {
    const own = await OwnServer.create();
    try {
      const lock = join(own.data, 'start.lock');
      // This process lives, but it is not the one that took the lock.
      mkdirSync(lock, { recursive: true });
      writeFileSync(join(lock, 'owner'), `${process.pid} 12\nhttp://127.0.0.1:1\n\n`);
      // Cut off before it had an owner, a good while ago.
      const other = join(own.data, 'cluster.lock');
      mkdirSync(other);
      spawnSync('touch', ['-d', '1 minute ago', other]);
      await own.start();
      expect(await (await signedIn(own)).card()).toBeDefined();
    } finally {
      await own.dispose();
    }
  });

  it('reports a data folder that was deleted while it ran, and ends by itself', async () => {
    const own = await OwnServer.create();
    try {
      await own.start();
      const { pid } = own.postmaster!;
      const folder = own.clusterFolder;
      const ended = new Promise<number | null>((resolve) => own.process!.once('exit', resolve));
      rmSync(own.data, { recursive: true, force: true });
      rmSync(folder, { recursive: true, force: true });
      const code = await Promise.race([
        ended,
        new Promise<string>((resolve) => setTimeout(() => resolve('runs on'), 13_000)),
      ]);
      expect(code).toBe(1);
      expect(own.said).toContain('was deleted while Yohaku ran');
      expect(own.said).not.toMatch(/disk full/i);
      expect(existsSync(`/proc/${pid}`)).toBeFalse();
    } finally {
      await own.dispose();
    }
  }, 60_000);

  it('a DATABASE_URL that is wrong gives one line naming it, in seven ways', async () => {
    const good = new URL(await freshUrl());
    const changed = (change: (url: URL) => void) => {
      const url = new URL(good);
      change(url);
      return url.href;
    };
    const wrong: [string, RegExp][] = [
      ['nonsense', /DATABASE_URL must look like postgresql/],
      [
        changed((url) => {
          url.pathname = '';
        }),
        /names no database/,
      ],
      [good.href.replace('postgresql:', 'mysql:'), /must begin with postgresql/],
      [
        changed((url) => {
          url.password = 'wrong';
        }),
        /user or password is wrong/,
      ],
      [
        changed((url) => {
          url.username = 'nobody';
        }),
        /user or password is wrong/,
      ],
      [
        changed((url) => {
          url.pathname = '/nowhere';
        }),
        /there is no such database/,
      ],
      [
        changed((url) => {
          url.port = '1';
        }),
        /nothing answers there/,
      ],
      [
        changed((url) => {
          url.hostname = 'no-such-host.invalid';
        }),
        /no such host|does not answer/,
      ],
    ];
    for (const [databaseUrl, words] of wrong) {
      const error = await startServer({ databaseUrl, port: 0, root: ROOT, demo: false, patience: 300 }).then(
        () => undefined,
        (entry: Error) => entry,
      );
      expect(error?.message).withContext(databaseUrl).toMatch(words);
      expect(error?.message.split('\n').length).withContext(databaseUrl).toBe(1);
      expect(error?.message).withContext(databaseUrl).not.toContain(good.password);
    }
  });
});
