import { copyFileSync, existsSync, mkdtempSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { gunzipSync, gzipSync } from 'node:zlib';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Site } from '@yohaku/core';
import { checkBackup, restoreBackup, writeBackup } from '../backup/index.ts';
import { openDatabase, type Database } from '../db/index.ts';
import { startClient, type Client } from '../testing/client.ts';

describe('Item 10: backup and restore, while it runs', () => {
  let client: Client;
  let database: Database;
  const folder = mkdtempSync(join(tmpdir(), 'yohaku-backup-'));
  const file = join(folder, 'kept.tar.gz');
  const edit = (id: string, value: number) => client.send('POST', '/api/sites/ternhaven/changes', { window: 'wwww', changes: [{ id, schemaVersion: 1, label: 'Corner', ops: [{ op: 'set', at: ['brand', 'corners', 'card'], value }] }] });
  const stored = async () => (await (await client.get('/api/sites/ternhaven')).json()) as { site: Site; sequence: number };
  beforeAll(async () => {
    client = await startClient();
    database = openDatabase(client.databaseUrl);
    await edit('before-001', 31);
    const { sequence } = await stored();
    await client.send('POST', '/api/sites/ternhaven/publications', { sequence });
    await client.send('POST', '/api/sites/ternhaven/sources?id=e-1&name=list.txt', new TextEncoder().encode('Tern #0e3b43 and Sand #f2d8a0'), { 'content-type': 'application/octet-stream' });
    await writeBackup(database, file);
  });
  afterAll(async () => {
    await database.close();
    await client.close();
    rmSync(folder, { recursive: true });
  });

  it('writes all of one moment amid edits, reads it back, and is its owner’s alone', async () => {
    const editing = (async () => { for (let i = 0; i < 20; i++) await edit(`amid-${String(i).padStart(4, '0')}`, i); })();
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
    for (const id of acknowledged) expect(rows.some((row) => row.id === id) || kept.includes(`"${id}"`)).withContext(id).toBeTrue();
  }, 60_000);

  it('puts it in place of what is there, tells open windows, and keeps everybody signed in', async () => {
    await writeBackup(database, join(folder, 'now.tar.gz'));
    const before = await stored();
    const live = await (await client.get('/live/ternhaven/index.html')).text();
    const sources = await (await client.get('/api/sites/ternhaven/sources')).text();
    await edit('after-0001', 77);
    await client.databasePool.query("delete from pages where id = 'about'");
    await client.databasePool.query('delete from publishes');
    const reader = (await client.get('/api/sites/ternhaven/events')).body!.pipeThrough(new TextDecoderStream()).getReader();
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
      ['cut.tar.gz', (path) => { copyFileSync(file, path); truncateSync(path, Math.floor(statSync(file).size / 2)); }, /damaged or cut off/],
      ['tail.tar.gz', (path) => writeFileSync(path, gzipSync(tar.subarray(0, tar.indexOf('backup.json')))), /cut off|damaged/],
      ['flipped.tar.gz', (path) => { const other = Buffer.from(tar); const at = other.indexOf('"Ternhaven Ferries"'); other.write('"Ternhaven Berries"', at); writeFileSync(path, gzipSync(other)); }, /damaged: tables\/.* is not what was written/],
      ['foreign.tar.gz', (path) => writeFileSync(path, gzipSync(Buffer.alloc(2048))), /is cut off|no backup/], ['text.tar.gz', (path) => writeFileSync(path, 'hello'), /no backup of Yohaku/], ['empty.tar.gz', (path) => writeFileSync(path, ''), /no backup of Yohaku/],
      ['newer.tar.gz', (path) => { const other = Buffer.from(tar); const at = other.indexOf('"version": 1'); other.write('"version": 7', at); writeFileSync(path, gzipSync(other)); }, /newer Yohaku/],
    ];
    for (const [name, make, words] of bad) {
      make(join(folder, name));
      await expectAsync(restoreBackup(database, join(folder, name))).withContext(name).toBeRejectedWithError(words);
    }
    await expectAsync(restoreBackup(database, join(folder, 'none'))).toBeRejectedWithError(/there is no file/);
    expect(await stored()).toEqual(before);
  });

  it('an exported site comes in as a site of its own, from its zip or its site.json; what is wrong in it is named', async () => {
    const zip = Buffer.from(await (await client.get('/api/sites/ternhaven/zip')).arrayBuffer());
    const bring = async (id: string, body: Uint8Array, more = '') => {
      const answer = await client.send('POST', `/api/sites?id=${id}${more}`, body, { 'content-type': 'application/octet-stream' });
      return [answer.status, (await answer.json()) as { detail: string; pages: number; name: string }] as const;
    };
    // A database that has never seen these pictures.
    await client.databasePool.query("delete from sources; delete from publishes; delete from files where type <> 'font/woff2'");
    const json = Buffer.from(JSON.stringify((await stored()).site));
    expect(await bring('alone', json)).toEqual([422, jasmine.objectContaining({ detail: jasmine.stringMatching(/pictures .* neither here nor in what was sent. Bring in the whole export/) })]);
    expect(await bring('second', zip, '&name=Second')).toEqual([201, jasmine.objectContaining({ name: 'Second', pages: 9 })]);
    expect((await (await client.get('/api/sites/second')).json() as { site: Site }).site.id).toBe('second');
    expect((await client.get('/api/sites/second/zip')).status).toBe(200);
    expect((await bring('second', zip))[1].detail).toMatch(/There is a site “second” already/);
    const { site } = (await (await client.get('/api/sites/second')).json()) as { site: Site };
    expect((await bring('third', Buffer.from(JSON.stringify(site))))[0]).toBe(201);
    for (const [body, words] of [
      ['{"a":', /not JSON/], ['[]', /not JSON/], [JSON.stringify({ ...site, schemaVersion: 12 }), /Update Yohaku/], [JSON.stringify({ ...site, colour: 1 }), /site\.json: colour/], [JSON.stringify({ ...site, brand: { ...site.brand, scale: 3 } }), /brand\.scale/],
    ] as const) expect((await bring('bad', Buffer.from(body)))[1].detail).withContext(body.slice(0, 20)).toMatch(words);
    expect((await bring('bad', zip.subarray(0, 3000)))[0]).toBe(422);
    expect((await bring('Bad', zip))[0]).toBe(422);
  });
});
