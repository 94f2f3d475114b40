import { API, type Measured } from '@yohaku/core';
import { startClient, type Client } from '../testing/client.ts';

describe('what was measured of a site', () => {
  let client: Client;
  beforeEach(async () => (client = await startClient()));
  afterEach(() => client.close());
  const at = (site = 'ternhaven') => API.measured.load.path.replace(':site', site);
  const measured = (found: number): Measured => ({
    pages: { home: 'a'.repeat(64), 'contact~sent': 'b'.repeat(64) },
    layout: [{ page: 'home', place: 'header/surface', width: 390, rule: 'covered', found }],
    pixels: [{ page: 'home', place: 'home-opener-b1/text', width: 1280, area: 'lines', problem: '', rgb: 'AAAA' }],
  });
  const kept = async () => ((await (await client.get(at())).json()) as { measured: Measured | null }).measured;

  it('is kept for the next opening, the last one in place of the one before', async () => {
    expect(await kept()).toBeNull();
    for (const found of [96, 106]) {
      expect((await client.send('PUT', at(), measured(found))).status).toBe(204);
      expect(await kept()).toEqual(measured(found));
    }
  });
  it('is refused with a reason where it is none, and for a site that is not there', async () => {
    const wrong: unknown[] = [
      { ...measured(1), pages: { home: 'short' } },
      { ...measured(1), layout: [{ page: 'home', place: 'header/surface', width: 390, rule: 'guess', found: 1 }] },
      { pages: {} },
      [],
      null,
    ];
    for (const body of wrong) {
      const answer = await client.send('PUT', at(), body);
      expect(answer.status).withContext(JSON.stringify(body)).toBe(422);
      expect(((await answer.json()) as { detail: string }).detail.length).toBeGreaterThan(10);
    }
    expect((await client.send('PUT', at('nowhere'), measured(1))).status).toBe(404);
    expect(await kept()).toBeNull();
  });
  it('is shown to nobody who is not signed in, and is gone with the site', async () => {
    expect((await fetch(`${client.server.address}${at()}`)).status).toBe(401);
    expect((await client.send('PUT', at(), measured(96))).status).toBe(204);
    expect(
      (
        await client.send(
          'DELETE',
          `${API.sites.remove.path.replace(':site', 'ternhaven')}?name=${encodeURIComponent('Ternhaven Ferries')}`,
        )
      ).status,
    ).toBeLessThan(300);
    expect((await client.databasePool.query('select count(*)::int as n from measured')).rows[0]).toEqual({ n: 0 });
  });
});
