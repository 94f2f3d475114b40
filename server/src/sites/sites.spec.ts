import {
  setSwatchColor,
  setValue,
  parseColor,
  removePage,
  addPage,
  type Change,
  type Edit,
  type Site,
} from '@yohaku/core';
import { OWNER, makeSignInToken } from '../auth/index.ts';
import type { Database } from '../db/index.ts';
import { freshDatabase } from '../testing/database.ts';
import { changesAfter, loadSite, saveChange } from './index.ts';

let count = 0;
const asChange = (edit: Edit): Change => ({
  id: `change-${++count}-x`,
  schemaVersion: 1,
  label: edit.label,
  ops: [...edit.ops],
});

describe('saving changes', () => {
  let database: Database;
  let site: Site;
  const save = (change: Change) => saveChange(database, 'ternhaven', change, OWNER, 'window');
  const stored = async () => (await loadSite(database, 'ternhaven'))!;
  beforeAll(async () => {
    database = await freshDatabase();
    await makeSignInToken(database.db);
    site = (await stored()).site;
  });
  afterAll(() => database.close());

  it('writes the change and the documents it touches in one go, and numbers it', async () => {
    const before = await stored();
    const saved = await save(asChange(setSwatchColor(site, 'funnel', parseColor('#cc0000')!)));
    const after = await stored();
    expect(saved!.sequence).toBe(before.sequence + 1);
    expect(after.sequence).toBe(saved!.sequence);
    expect(after.site.brand.swatches['funnel']!.typed).toBe('#cc0000');
    expect(
      (await changesAfter(database.db, 'ternhaven', before.sequence)).map((change) => change.change.label),
    ).toEqual(['Funnel colour']);
  });

  it('takes a change once by its id, and answers the same sequence again', async () => {
    const change = asChange(setValue(site, 'Corner', ['brand', 'corners', 'button'], 7));
    const first = await save(change);
    const again = await save(change);
    expect([again!.sequence, again!.repeated]).toEqual([first!.sequence, true]);
    expect((await changesAfter(database.db, 'ternhaven', first!.sequence - 1)).length).toBe(1);
  });

  it('gives every one of many changes at once its own sequence, none lost', async () => {
    const { sequence } = await stored();
    const saved = await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        save(
          asChange(setValue(site, 'Space', ['brand', 'spaces', 'even', 'values', i % 2 ? 'phone' : 'desktop'], 50 + i)),
        ),
      ),
    );
    expect(saved.map((entry) => entry!.sequence).sort((a, b) => a - b)).toEqual(
      Array.from({ length: 20 }, (_, i) => sequence + 1 + i),
    );
    expect((await changesAfter(database.db, 'ternhaven', sequence)).length).toBe(20);
  });

  it('writes nothing of a refused change', async () => {
    const before = await stored();
    await expectAsync(
      save(asChange(setValue(site, 'Corner', ['brand', 'corners', 'button'], -5))),
    ).toBeRejectedWithError(/corners.button/);
    await expectAsync(
      save(asChange(setValue(site, 'Gone', ['brand', 'swatches', 'nobody', 'label'], 'x'))),
    ).toBeRejectedWithError(/target of this edit was deleted/);
    const after = await stored();
    expect(after.sequence).toBe(before.sequence);
    expect(after.site).toEqual(before.site);
  });

  it('adds and deletes page rows with their change', async () => {
    await save(asChange(addPage((await stored()).site, 'extra', 'fares')));
    expect((await stored()).site.pages['extra']!.title).toBe('Fares copy');
    await save(asChange(removePage((await stored()).site, 'extra')));
    expect((await stored()).site.pages['extra']).toBeUndefined();
    const { rows } = await database.pool.query("select id from pages where site_id = 'ternhaven' and id = 'extra'");
    expect(rows).toEqual([]);
  });

  it('says what a stale change overtook', async () => {
    await save(asChange(setValue((await stored()).site, 'Corner', ['brand', 'corners', 'card'], 5)));
    const saved = await save(asChange(setValue(site, 'Corner', ['brand', 'corners', 'card'], 6)));
    expect(saved!.overtook).toEqual([['brand', 'corners', 'card']]);
    expect((await stored()).site.brand.corners.card).toBe(6);
  });

  it('keeps the rows right by constraints of the database itself', async () => {
    for (const sql of [
      "insert into changes (site_id, sequence, id, change, inverse, author, window_id) values ('ternhaven', 0, 'x', '{}', '[]', 'owner', 'w')",
      "insert into sites (id, name, document) values ('Bad Id', 'x', '{}')",
      "insert into files (hash, type, size, bytes) values ('abc', 'x', 1, 'a')",
    ])
      await expectAsync(database.pool.query(sql)).toBeRejected();
  });
});
