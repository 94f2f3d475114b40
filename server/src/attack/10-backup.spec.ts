import { createHash } from 'node:crypto';
import {
  copyFileSync,
  createWriteStream,
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { createGzip, gunzipSync, gzipSync } from 'node:zlib';
import { pack } from 'tar-stream';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Site } from '@yohaku/core';
import { BackupRefused, checkBackup, restoreBackup, writeBackup } from '../backup/index.ts';
import { readEntries } from '../backup/read-entries.ts';
import { openDatabase, type Database } from '../db/index.ts';
import { startClient, type Client } from '../testing/client.ts';

type Row = Record<string, unknown>;

/** Writes a backup again with other rows or files, and with the sums and counts that fit them. */
async function tampered(
  from: string,
  to: string,
  tamper: (tables: Map<string, Row[]>, files: Map<string, Buffer>) => void,
): Promise<void> {
  const tables = new Map<string, Row[]>();
  const files = new Map<string, Buffer>();
  let manifest: { tables: Record<string, { rows: number }>; sums: Record<string, string> } | undefined;
  for await (const { name, content } of readEntries(from)) {
    const table = /^tables\/([a-z_]+)\./.exec(name)?.[1];
    if (name === 'backup.json') manifest = JSON.parse(content.toString()) as typeof manifest;
    else if (table)
      tables.set(table, [
        ...(tables.get(table) ?? []),
        ...content
          .toString()
          .split('\n')
          .filter((line) => line !== '')
          .map((line) => JSON.parse(line) as Row),
      ]);
    else files.set(name, content);
  }
  tamper(tables, files);
  const archive = pack();
  const sums: Record<string, string> = {};
  const add = (name: string, content: Buffer) => {
    sums[name] = createHash('sha256').update(content).digest('hex');
    archive.entry({ name }, content);
  };
  for (const [name, content] of files) add(name, content);
  for (const [table, described] of Object.entries(manifest!.tables)) {
    const rows = tables.get(table) ?? [];
    described.rows = rows.length;
    if (rows.length > 0)
      add(`tables/${table}.00001.ndjson`, Buffer.from(`${rows.map((row) => JSON.stringify(row)).join('\n')}\n`));
  }
  archive.entry({ name: 'backup.json' }, Buffer.from(JSON.stringify({ ...manifest!, sums })));
  archive.finalize();
  await pipeline(archive, createGzip(), createWriteStream(to));
}

describe('Item 10: backup and restore, while it runs', () => {
  let client: Client;
  let database: Database;
  const folder = mkdtempSync(join(tmpdir(), 'yohaku-backup-'));
  const file = join(folder, 'kept.tar.gz');
  const edit = (id: string, value: number) =>
    client.send('POST', '/api/sites/ternhaven/changes', {
      window: 'wwww',
      changes: [
        { id, schemaVersion: 1, label: 'Corner', ops: [{ op: 'set', at: ['brand', 'corners', 'card'], value }] },
      ],
    });
  const stored = async () =>
    (await (await client.get('/api/sites/ternhaven')).json()) as { site: Site; sequence: number };
  beforeAll(async () => {
    client = await startClient();
    database = openDatabase(client.databaseUrl);
    await edit('before-001', 31);
    const { sequence } = await stored();
    await client.send('POST', '/api/sites/ternhaven/publications', { sequence });
    await client.send(
      'POST',
      '/api/sites/ternhaven/sources?id=e-1&name=list.txt',
      new TextEncoder().encode('Tern #0e3b43 and Sand #f2d8a0'),
      { 'content-type': 'application/octet-stream' },
    );
    await writeBackup(database, file);
  });
  afterAll(async () => {
    await database.close();
    await client.close();
    rmSync(folder, { recursive: true });
  });

  it('writes all of one moment amid edits, reads it back, and is its owner’s alone', async () => {
    const editing = (async () => {
      for (let i = 0; i < 20; i++) await edit(`amid-${String(i).padStart(4, '0')}`, i);
    })();
    const amid = join(folder, 'amid.tar.gz');
    const summary = await writeBackup(database, amid);
    await editing;
    expect(summary.sites.find(({ id }) => id === 'ternhaven')!.pages).toBe(9);
    // Every edit has its number: as many edits as the numbers say, whichever sites there are.
    expect(summary.changes).toBe(summary.sites.reduce((sum, { sequence }) => sum + sequence, 0));
    expect(statSync(amid).mode & 0o777).toBe(0o600);
    expect(existsSync(`${amid}.part`)).toBeFalse();
    expect((await checkBackup(amid)).manifest.sums).toEqual(summary.manifest.sums);
    const text = gunzipSync(readFileSync(amid)).toString('latin1');
    expect(text).not.toContain('sign_in_tokens');
    const { rows } = await client.databasePool.query<{ hash: string }>('select hash from sessions');
    expect(rows.some(({ hash }) => text.includes(hash))).toBeFalse();
  });

  it('loses no edit acknowledged during a restore: each is in the site or in the safety backup', async () => {
    const keep = join(folder, 'before-restore.tar.gz');
    let going = true;
    const acknowledged: string[] = [];
    const editing = (async () => {
      for (let i = 0; going; i++) {
        const id = `meanwhile-${String(i).padStart(4, '0')}`;
        const { results } = (await (await edit(id, i % 40)).json()) as { results?: { sequence?: number }[] };
        if (results?.[0]?.sequence !== undefined) acknowledged.push(id);
      }
    })();
    await new Promise((resolve) => setTimeout(resolve, 300));
    await restoreBackup(database, file, keep);
    await new Promise((resolve) => setTimeout(resolve, 300));
    going = false;
    await editing;
    expect(acknowledged.length).toBeGreaterThan(5);
    const { rows } = await client.databasePool.query<{ id: string }>('select id from changes');
    const kept = gunzipSync(readFileSync(keep)).toString('latin1');
    for (const id of acknowledged)
      expect(rows.some((row) => row.id === id) || kept.includes(`"${id}"`))
        .withContext(id)
        .toBeTrue();
  }, 60_000);

  it('puts it in place of what is there, tells open windows, and keeps everybody signed in', async () => {
    await writeBackup(database, join(folder, 'now.tar.gz'));
    const before = await stored();
    const live = await (await client.get('/live/ternhaven/index.html')).text();
    const sources = await (await client.get('/api/sites/ternhaven/sources')).text();
    await edit('after-0001', 77);
    await client.databasePool.query("delete from pages where id = 'about'");
    await client.databasePool.query('delete from publishes');
    const reader = (await client.get('/api/sites/ternhaven/events'))
      .body!.pipeThrough(new TextDecoderStream())
      .getReader();
    await restoreBackup(database, join(folder, 'now.tar.gz'));
    let heard = '';
    while (!heard.includes('event: restored')) heard += (await reader.read()).value;
    await reader.cancel();
    expect(await stored()).toEqual(before);
    expect(await (await client.get('/live/ternhaven/index.html')).text()).toBe(live);
    expect(await (await client.get('/api/sites/ternhaven/sources')).text()).toBe(sources);
    const { results } = (await (await edit('after-0002', 12)).json()) as { results: { sequence: number }[] };
    expect(results[0]!.sequence).toBe(before.sequence + 1);
  });

  it('what is cut off, damaged, foreign or newer is refused in one line, and nothing is changed', async () => {
    const before = await stored();
    const tar = gunzipSync(readFileSync(file));
    const bad: [string, (path: string) => void, RegExp][] = [
      [
        'cut.tar.gz',
        (path) => {
          copyFileSync(file, path);
          truncateSync(path, Math.floor(statSync(file).size / 2));
        },
        /damaged or cut off/,
      ],
      [
        'tail.tar.gz',
        (path) => writeFileSync(path, gzipSync(tar.subarray(0, tar.indexOf('backup.json')))),
        /cut off|damaged/,
      ],
      [
        'flipped.tar.gz',
        (path) => {
          const other = Buffer.from(tar);
          const at = other.indexOf('"Ternhaven Ferries"');
          other.write('"Ternhaven Berries"', at);
          writeFileSync(path, gzipSync(other));
        },
        /damaged: tables\/.* is not what was written/,
      ],
      ['foreign.tar.gz', (path) => writeFileSync(path, gzipSync(Buffer.alloc(2048))), /is cut off|not a backup/],
      ['text.tar.gz', (path) => writeFileSync(path, 'hello'), /not a backup of Yohaku/],
      ['empty.tar.gz', (path) => writeFileSync(path, ''), /not a backup of Yohaku/],
      [
        'newer.tar.gz',
        (path) => {
          const other = Buffer.from(tar);
          const at = other.indexOf('"version": 1');
          other.write('"version": 7', at);
          writeFileSync(path, gzipSync(other));
        },
        /newer Yohaku/,
      ],
    ];
    for (const [name, make, words] of bad) {
      make(join(folder, name));
      await expectAsync(restoreBackup(database, join(folder, name)))
        .withContext(name)
        .toBeRejectedWithError(words);
    }
    await expectAsync(restoreBackup(database, join(folder, 'none'))).toBeRejectedWithError(/there is no file/);
    expect(await stored()).toEqual(before);
  });

  it('a backup changed by hand, with sums that fit, is refused with what is wrong in it, and nothing is changed', async () => {
    await restoreBackup(database, file);
    for (const id of ['hand-0001', 'hand-0002']) await edit(id, 21);
    const before = await stored();
    const good = join(folder, 'good.tar.gz');
    await writeBackup(database, good);
    const first = (rows: Row[] | undefined) => rows![0]!;
    const cases: [string, (tables: Map<string, Row[]>, files: Map<string, Buffer>) => void, RegExp][] = [
      [
        'the site is older than its edits',
        (tables) => {
          first(tables.get('sites'))['sequence'] = 0;
        },
        /the site “ternhaven” is at edit 0, and its last edit is \d+/,
      ],
      [
        'an edit is missing',
        (tables) => {
          tables.get('changes')!.splice(1, 1);
        },
        /edits of the site “ternhaven” are missing or there twice after edit 1/,
      ],
      [
        'an edit appears twice',
        (tables) => {
          tables.get('changes')!.push(first(tables.get('changes')));
        },
        /missing or there twice after edit 1/,
      ],
      [
        'an edit has no operations',
        (tables) => {
          first(tables.get('changes'))['change'] = { id: 'before-001' };
        },
        /edit 1 of the site “ternhaven” cannot be read/,
      ],
      [
        'a publication has no files',
        (tables) => {
          first(tables.get('publishes'))['manifest'] = { 'index.html': 5 };
        },
        /publication 1 of the site “ternhaven” cannot be read/,
      ],
      [
        'a file is missing',
        (_tables, files) => {
          files.delete([...files.keys()][0]!);
        },
        /the file [0-9a-f]{64} is missing/,
      ],
      [
        'a row is no row',
        (tables) => {
          tables.get('pages')!.push(null as never);
        },
        /line \d+ of tables\/pages\.00001\.ndjson cannot be read/,
      ],
      [
        'a page has a reserved name',
        (tables) => {
          tables.get('pages')!.push(JSON.parse('{"site_id":"ternhaven","id":"__proto__","document":{}}') as Row);
        },
        /pages\.__proto__/,
      ],
      [
        'a page appears twice',
        (tables) => {
          tables.get('pages')!.push(first(tables.get('pages')));
        },
        /a row in it does not fit/,
      ],
      [
        'a text has a character that no text may have',
        (tables) => {
          (first(tables.get('sites'))['document'] as Row)['name'] = 'a\0b';
        },
        /name .*|does not fit/,
      ],
    ];
    for (const [what, tamper, words] of cases) {
      const path = join(folder, 'tampered.tar.gz');
      await tampered(good, path, tamper);
      await expectAsync(restoreBackup(database, path)).withContext(what).toBeRejectedWithError(BackupRefused, words);
      expect(await stored())
        .withContext(what)
        .toEqual(before);
    }
    // Written again with nothing changed, it is restored: so each refusal above came from the change.
    await tampered(good, join(folder, 'same.tar.gz'), () => {});
    await restoreBackup(database, join(folder, 'same.tar.gz'));
    expect(await stored()).toEqual(before);
  });

  it('an exported site comes in as a site of its own, from its zip or its site.json; what is wrong in it is named', async () => {
    const zip = Buffer.from(await (await client.get('/api/sites/ternhaven/zip')).arrayBuffer());
    const bring = async (id: string, body: Uint8Array, more = '') => {
      const answer = await client.send('POST', `/api/sites?id=${id}${more}`, body, {
        'content-type': 'application/octet-stream',
      });
      return [answer.status, (await answer.json()) as { detail: string; pages: number; name: string }] as const;
    };
    // A database that has never seen these pictures.
    await client.databasePool.query(
      "delete from sources; delete from publishes; delete from files where type <> 'font/woff2'",
    );
    const json = Buffer.from(JSON.stringify((await stored()).site));
    expect(await bring('alone', json)).toEqual([
      422,
      jasmine.objectContaining({
        detail: jasmine.stringMatching(/images .* neither on this server nor in the import. Import the whole export/),
      }),
    ]);
    expect(await bring('second', zip, '&name=Second')).toEqual([
      201,
      jasmine.objectContaining({ name: 'Second', pages: 9 }),
    ]);
    expect(((await (await client.get('/api/sites/second')).json()) as { site: Site }).site.id).toBe('second');
    expect((await client.get('/api/sites/second/zip')).status).toBe(200);
    expect((await bring('second', zip))[1].detail).toMatch(/A site already has the id “second”/);
    const { site } = (await (await client.get('/api/sites/second')).json()) as { site: Site };
    expect((await bring('third', Buffer.from(JSON.stringify(site))))[0]).toBe(201);
    for (const [body, words] of [
      ['{"a":', /not JSON/],
      ['[]', /not JSON/],
      [JSON.stringify({ ...site, schemaVersion: 12 }), /Update Yohaku/],
      [JSON.stringify({ ...site, colour: 1 }), /site\.json: colour/],
      [JSON.stringify({ ...site, brand: { ...site.brand, scale: 3 } }), /brand\.scale/],
    ] as const)
      expect((await bring('bad', Buffer.from(body)))[1].detail)
        .withContext(body.slice(0, 20))
        .toMatch(words);
    expect((await bring('bad', zip.subarray(0, 3000)))[0]).toBe(422);
    expect((await bring('Bad', zip))[0]).toBe(422);
  });
});
