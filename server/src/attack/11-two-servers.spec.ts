import { SCHEMA_VERSION, type Site } from '@yohaku/core';
import { startClient } from '../testing/client.ts';

describe('Item 11: two servers, and a restore during edits', () => {
  it('does not confuse a deleted site with a site imported later under the same id', async () => {
    const client = await startClient();
    const other = await startClient(client.databaseUrl);
    try {
      const { site } = (await (await client.get('/api/sites/ternhaven')).json()) as { site: Site };
      // Both servers remember the first site.
      await other.get('/api/sites/ternhaven');
      await other.get('/api/sites/ternhaven/standing');
      const others = { ...site, name: 'Another of that name' };
      expect((await client.send('DELETE', `/api/sites/ternhaven?name=${encodeURIComponent(site.name)}`)).status).toBe(
        204,
      );
      expect(
        (
          await client.send('POST', '/api/sites?id=ternhaven', Buffer.from(JSON.stringify(others)), {
            'content-type': 'application/octet-stream',
          })
        ).status,
      ).toBe(201);
      const seen = (await (await other.get('/api/sites/ternhaven')).json()) as { site: Site };
      expect(seen.site.name).toBe('Another of that name');
      await other.send('POST', '/api/sites/ternhaven/changes', {
        window: 'w-two',
        changes: [
          {
            id: 'two-0001',
            schemaVersion: SCHEMA_VERSION,
            label: 'Corner',
            ops: [{ op: 'set', at: ['brand', 'corners', 'card'], value: 9 }],
          },
        ],
      });
      expect(((await (await client.get('/api/sites/ternhaven')).json()) as { site: Site }).site.name).toBe(
        'Another of that name',
      );
    } finally {
      await other.close();
      await client.close();
    }
  });
});
