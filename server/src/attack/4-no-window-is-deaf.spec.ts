import { connect } from 'node:net';
import { createServer } from 'node:net';
import { startClient, type Client } from '../testing/client.ts';
import { freshUrl } from '../testing/database.ts';

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });

/** Asks for the health of whatever listens on a port, from the first moment that anything does. */
async function askFromTheFirst(port: number): Promise<string> {
  for (;;) {
    const answer = await new Promise<string | undefined>((resolve) => {
      const socket = connect(port, '127.0.0.1', () =>
        socket.write(`GET /api/health HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nConnection: close\r\n\r\n`),
      );
      let heard = '';
      socket.on('data', (chunk) => (heard += chunk.toString()));
      socket.on('error', () => resolve(undefined));
      socket.on('close', () => resolve(heard === '' ? undefined : heard));
    });
    if (answer !== undefined) return answer;
    await new Promise((resolve) => setTimeout(resolve, 2));
  }
}

describe('Item 4: no window is deaf', () => {
  it('a request that comes before the server is ready is answered, in 12 starts of 12', async () => {
    for (let i = 0; i < 12; i++) {
      const port = await freePort();
      const asked = askFromTheFirst(port);
      const client = await startClient(await freshUrl(), { port });
      expect(await asked)
        .withContext(`start ${i + 1}`)
        .toMatch(/^HTTP\/1\.1 200 /);
      await client.close();
    }
  });

  describe('a window that was away', () => {
    let client: Client;
    const EDITS = 2500;
    beforeEach(async () => {
      client = await startClient();
      await client.databasePool.query(
        `insert into changes (site_id, sequence, id, change, inverse, author, window_id) select 'ternhaven', i, 'far-' || lpad(i::text, 6, '0'), jsonb_build_object('id', 'far-' || lpad(i::text, 6, '0'), 'schemaVersion', 1, 'label', 'Space', 'ops', jsonb_build_array(jsonb_build_object('op', 'set', 'at', '["brand","corners","card"]'::jsonb, 'value', i % 50))), '[]', 'owner', 'far' from generate_series(1, ${EDITS}) i`,
      );
      await client.databasePool.query(
        `update sites set sequence = ${EDITS}, document = jsonb_set(document, '{brand,corners,card}', to_jsonb(${EDITS} % 50)) where id = 'ternhaven'`,
      );
    });
    afterEach(() => client.close());

    it('is told how far it is behind, and gets all of it in order, however much that is', async () => {
      const got: number[] = [];
      for (let rounds = 0; ; rounds++) {
        const { changes, sequence } = (await (
          await client.get(`/api/sites/ternhaven/changes?after=${got.length}`)
        ).json()) as { changes: { sequence: number }[]; sequence: number };
        expect(sequence).toBe(EDITS);
        if (changes.length === 0) break;
        got.push(...changes.map((change) => change.sequence));
        expect(rounds).toBeLessThan(10);
      }
      expect(got).toEqual(Array.from({ length: EDITS }, (_, i) => i + 1));
    });

    it('hears the sequence there is as soon as it listens, and again when the server’s own connection was cut', async () => {
      const response = await client.get('/api/sites/ternhaven/events');
      const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
      let heard = '';
      while (!heard.includes(`data: ${EDITS}`)) heard += (await reader.read()).value;
      await client.databasePool.query(
        "select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid() and query ilike 'listen%'",
      );
      // Saved while nobody listened: only the gap tells.
      await client.databasePool.query("update sites set sequence = sequence + 1 where id = 'ternhaven'");
      while (!heard.includes(`data: ${EDITS + 1}`)) heard += (await reader.read()).value;
      await reader.cancel();
      expect(heard).toContain('event: sequence');
    });
  });
});
