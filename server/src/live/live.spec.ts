import type { Database } from '../db/index.ts';
import { CHANGES_CHANNEL } from '../sites/index.ts';
import { freshDatabase } from '../testing/database.ts';
import { ChangeHub } from './index.ts';

describe('hearing of changes', () => {
  let database: Database;
  let hub: ChangeHub;
  beforeEach(async () => {
    database = await freshDatabase();
    hub = new ChangeHub(database.url);
    await hub.start();
  });
  afterEach(async () => {
    await hub.close();
    await database.close();
  });
  const notify = (payload: string) => database.pool.query('select pg_notify($1, $2)', [CHANGES_CHANNEL, payload]);
  const next = (site: string) =>
    new Promise<number>((resolve) => {
      const leave = hub.subscribe(site, 'session', {
        sequence: (sequence) => {
          leave();
          resolve(sequence);
        },
        end: () => {},
        restored: () => {},
      });
    });

  it('tells the sequence to those who listen to that site', async () => {
    const mine = next('ternhaven');
    const others: number[] = [];
    hub.subscribe('other', 'session', {
      sequence: (sequence) => others.push(sequence),
      end: () => {},
      restored: () => {},
    });
    await notify(JSON.stringify({ site: 'ternhaven', sequence: 7 }));
    expect(await mine).toBe(7);
    expect(others).toEqual([]);
  });
  it('passes over what it cannot read', async () => {
    const mine = next('ternhaven');
    await notify('no JSON');
    await notify(JSON.stringify({ site: 'ternhaven', sequence: 8 }));
    expect(await mine).toBe(8);
  });
  it('comes back by itself when its connection is cut, and tells everybody to catch up', async () => {
    const mine = next('ternhaven');
    await database.pool.query(
      "select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and query like 'listen%'",
    );
    expect(await mine).toBe(0);
    const again = next('ternhaven');
    await notify(JSON.stringify({ site: 'ternhaven', sequence: 9 }));
    expect(await again).toBe(9);
  });
});
