import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { SCHEMA_VERSION, applyChange, opsOf, pageTree, type Change, type Op, type Site } from '@yohaku/core';
import { restoreBackup } from '../backup/index.ts';
import { openDatabase } from '../db/index.ts';
import { startClient, type Client } from '../testing/client.ts';
import { ROOT } from '../testing/database.ts';

/**
 * The demo as version 1 kept it: eight edits, among them values set on a shared
 * text on one page and everywhere, on the header of one page, on the footer, and
 * on a page's own text in the shared record; a publication after the sixth.
 */
const FIXTURE = join(ROOT, 'server/src/testing/fixtures/version-1.tar.gz');

describe('a site of version 1', () => {
  let client: Client;
  const site = async () =>
    (await (await client.get('/api/sites/ternhaven')).json()) as { site: Site; sequence: number };
  const save = async (change: Omit<Change, 'schemaVersion'> & { schemaVersion: number }) =>
    (
      (await (
        await client.send('POST', '/api/sites/ternhaven/changes', { window: 'w-now', changes: [change] })
      ).json()) as { results: { sequence?: number; settled?: true; refused?: string }[] }
    ).results[0]!;
  beforeEach(async () => {
    client = await startClient();
    const database = openDatabase(client.databaseUrl);
    await restoreBackup(database, FIXTURE);
    await database.close();
  });
  afterEach(() => client.close());

  it('is opened with every value where it painted, and all of its rows are of this version from then on', async () => {
    const { site: now, sequence } = await site();
    expect([now.schemaVersion, sequence]).toEqual([SCHEMA_VERSION, 8]);
    expect(now.pages['contact']!.title).toBe('Reach us');
    const { home } = now.pages;
    expect(home!.overrides['v-page']).toEqual(
      jasmine.objectContaining({ place: 'home-promise:promise-b1/text', value: { kind: 'literal', css: '#654321' } }),
    );
    expect(home!.overrides['v-name']!.place).toBe('header/name');
    expect(home!.overrides['v-own']!.place).toBe('home-know-b1/text');
    expect(
      Object.values(now.shared.overrides)
        .map((override) => override.place)
        .sort(),
    ).toEqual(['footer/surface', 'promise:promise-b1/text']);
    const set = new Set(pageTree(now, 'home').places.flatMap((place) => [place.id, place.usedId]));
    for (const override of [...Object.values(home!.overrides), ...Object.values(now.shared.overrides)])
      expect(set).toContain(override.place);
    const { rows } = await client.databasePool.query<{ version: number }>(
      "select (document->>'schemaVersion')::int as version from sites",
    );
    expect(rows).toEqual([{ version: SCHEMA_VERSION }]);
    const stored = await client.databasePool.query<{ document: { overrides: unknown } }>(
      "select document from pages where id = 'home'",
    );
    expect(stored.rows[0]!.document.overrides).toEqual(home!.overrides);
  });

  it('has its edits undone, in its own words and by its own log', async () => {
    const before = (await site()).site;
    const { inverses } = (await (
      await client.get('/api/sites/ternhaven/inverses?ids=v1-edit-0008,v1-edit-0002')
    ).json()) as { inverses: Record<string, Op[]> };
    const last = opsOf(before, { ops: inverses['v1-edit-0008']!, schemaVersion: 1 });
    expect(
      (await save({ id: 'undo-0008', schemaVersion: SCHEMA_VERSION, label: 'Undo', ops: [...last] })).sequence,
    ).toBe(9);
    expect((await site()).site.pages['home']!.overrides['v-page']!.value).toEqual({ kind: 'literal', css: '#123456' });
    // As a window sends it that kept the step from before.
    expect(
      (await save({ id: 'undo-0002', schemaVersion: 1, label: 'Undo', ops: inverses['v1-edit-0002']! })).sequence,
    ).toBe(10);
    expect((await site()).site.pages['home']!.overrides['v-page']).toBeUndefined();
    const { changes } = (await (await client.get('/api/sites/ternhaven/changes?after=8')).json()) as {
      changes: { change: Change }[];
    };
    expect(changes.reduce((now, { change }) => applyChange(now, change).site, before)).toEqual((await site()).site);
  });

  it('takes an edit that waited in a browser, as what it meant', async () => {
    const value = {
      id: 'late',
      place: 'questions-b1/text',
      property: 'color',
      band: null,
      origin: 'set',
      value: { kind: 'literal', css: '#102030' },
      reason: null,
    };
    const answer = await save({
      id: 'waited-0001',
      schemaVersion: 1,
      label: 'Late',
      ops: [{ op: 'insert', record: ['pages', 'fares', 'overrides'], order: null, id: 'late', value, after: null }],
    });
    expect(answer).toEqual(jasmine.objectContaining({ settled: true }));
    expect((await site()).site.pages['fares']!.overrides['late']!.place).toBe('fares-questions:questions-b1/text');
    expect(
      (
        await save({
          id: 'newer-0001',
          schemaVersion: 99,
          label: 'Newer',
          ops: [{ op: 'set', at: ['name'], value: 'x' }],
        })
      ).refused,
    ).toMatch(/newer Yohaku/);
  });

  it('goes on being live, is published again, and goes back', async () => {
    const live = async () =>
      (await (await client.get('/api/sites/ternhaven/publications')).json()) as {
        publications: unknown[];
        live: { site: Site; number: number };
      };
    const first = await live();
    expect([first.live.number, first.live.site.schemaVersion]).toEqual([1, SCHEMA_VERSION]);
    const page = await (await client.get('/live/ternhaven/index.html')).text();
    expect(page).toContain('data-place="promise-b1/text"');
    expect(
      (await client.send('POST', '/api/sites/ternhaven/publications', { sequence: (await site()).sequence })).status,
    ).toBe(201);
    expect(await (await client.get('/live/ternhaven/index.html')).text()).toContain(
      'data-place="home-promise:promise-b1/text"',
    );
    expect((await client.send('POST', '/api/sites/ternhaven/live', { number: 1 })).status).toBe(204);
    expect(await (await client.get('/live/ternhaven/index.html')).text()).toBe(page);
  });

  it('goes out whole', async () => {
    const files = unzipSync(new Uint8Array(await (await client.get('/api/sites/ternhaven/zip')).arrayBuffer()));
    expect(JSON.parse(new TextDecoder().decode(files['site.json']))).toEqual((await site()).site);
  });
});
