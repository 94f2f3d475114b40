import { startClient, type Client } from '../testing/client.ts';

const change = (id: string, at: string[], value: unknown) => ({
  id,
  schemaVersion: 1,
  label: 'Test',
  ops: [{ op: 'set', at, value }],
});
const problem = async (response: Response) => {
  expect(response.headers.get('content-type')).toContain('application/problem+json');
  return (await response.json()) as {
    status: number;
    title: string;
    detail: string;
    issues?: { path: string; message: string }[];
  };
};

describe('HTTP', () => {
  let client: Client;
  const post = (body: unknown, headers?: Record<string, string>) =>
    client.send('POST', '/api/sites/ternhaven/changes', body, headers);
  beforeAll(async () => {
    client = await startClient();
  });
  afterAll(() => client.close());

  it('answers 401 everywhere under /api without a session, but for health, the description and signing in', async () => {
    const { paths } = (await (await client.get('/api/openapi.json')).json()) as {
      paths: Record<string, Record<string, { security?: unknown[] }>>;
    };
    expect(Object.keys(paths).length).toBeGreaterThan(10);
    for (const [path, operations] of Object.entries(paths))
      for (const [method, { security }] of Object.entries(operations)) {
        const response = await fetch(client.server.address + path.replace('{site}', 'ternhaven').replace('{id}', 'x'), {
          method: method.toUpperCase(),
        });
        await response.body?.cancel();
        if (security) expect([200, 400, 415, 422]).withContext(path).toContain(response.status);
        else expect(response.status).withContext(`${method} ${path}`).toBe(401);
      }
    expect((await fetch(`${client.server.address}/frame/ternhaven/`)).status).toBe(401);
  });

  it('takes a sign-in token once, keeps only its hash, and sets a cookie that no script or other site can use', async () => {
    const token = (await client.server.link()).split('#')[1]!;
    const signIn = () =>
      fetch(`${client.server.address}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ token }),
      });
    const [response, other] = await Promise.all([signIn(), signIn()]);
    expect([response.status, other.status].sort()).toEqual([204, 401]);
    const cookie = (response.status === 204 ? response : other).headers.get('set-cookie')!;
    expect(cookie).toMatch(/httponly/i);
    expect(cookie).toMatch(/samesite=strict/i);
    expect(cookie).toContain(`yohaku_${client.server.port}=`);
    expect((await signIn()).status).toBe(401);
  });

  it('ends a session on signing out', async () => {
    const token = (await client.server.link()).split('#')[1]!;
    const made = await fetch(`${client.server.address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ token }),
    });
    const cookie = made.headers.get('set-cookie')!.split(';')[0]!;
    const sites = () => fetch(`${client.server.address}/api/sites`, { headers: { cookie } });
    expect((await sites()).status).toBe(200);
    await fetch(`${client.server.address}/api/session`, { method: 'DELETE', headers: { cookie } });
    expect((await sites()).status).toBe(401);
  });

  it('refuses changes from another origin and requests for another host', async () => {
    expect(
      (await post({ window: 'wwww', changes: [change('c-origin', ['name'], 'x')] }, { origin: 'http://evil.example' }))
        .status,
    ).toBe(403);
    expect((await post({ window: 'wwww', changes: [] }, { origin: client.server.address })).status).toBe(422);
  });

  it('sends strict headers and lets no page of a site run a script', async () => {
    const desk = await client.get('/');
    expect(desk.headers.get('content-security-policy')).toMatch(
      /default-src 'self'.*object-src 'none'.*frame-ancestors 'none'/,
    );
    expect(desk.headers.get('content-security-policy')).not.toMatch(/script-src[^;]*unsafe/);
    expect(desk.headers.get('x-content-type-options')).toBe('nosniff');
    for (const path of ['/frame/ternhaven/', '/live/ternhaven/']) {
      const policy = (await client.get(path)).headers.get('content-security-policy')!;
      expect(policy).withContext(path).toContain("default-src 'none'");
      expect(policy).withContext(path).not.toContain('script-src');
    }
  });

  it('answers bad input with a problem that says where, never a 500', async () => {
    let deep: unknown = 'x';
    for (let i = 0; i < 200; i++) deep = [deep];
    const good = { window: 'wwww', changes: [change('c-ok0001', ['brand', 'corners', 'card'], 3)] };
    const cases: [unknown, number][] = [
      ['{"window": ', 400],
      ['nonsense', 400],
      ['[]', 422],
      ['{}', 422],
      [{ ...good, extra: 1 }, 422],
      [{ ...good, window: 3 }, 422],
      [{ window: 'wwww', changes: [change('c-deep00', ['name'], deep)] }, 400],
      [`{"window":"wwww","changes":[${'1,'.repeat(9_000_000)}1]}`, 413],
    ];
    for (const [body, status] of cases) {
      const response = await post(body);
      expect(response.status).withContext(JSON.stringify(body).slice(0, 60)).toBe(status);
      const told = await problem(response);
      expect(told.status).toBe(status);
      if (status === 422) expect(told.issues!.length).toBeGreaterThan(0);
    }
    expect((await post(good)).status).toBe(200);
  });

  it('answers a refused change beside the saved ones, each with its reason', async () => {
    const response = await post({
      window: 'wwww',
      changes: [
        change('c-proto0', ['__proto__', 'x'], 1),
        { ...change('c-op0000', ['name'], 1), ops: [{ op: 'explode' }] },
        'nonsense',
        change('c-mixed1', ['brand', 'corners', 'card'], 4),
        change('c-mixed2', ['pages', 'nowhere', 'title'], 'x'),
        change('c-mixed3', ['brand', 'corners', 'card'], 9999),
      ],
    });
    const { results } = (await response.json()) as {
      results: { id: string; sequence?: number; refused?: string; kind?: string }[];
    };
    expect(results.map((result) => [result.id, result.kind ?? 'saved'])).toEqual([
      ['c-proto0', 'invalid'],
      ['c-op0000', 'invalid'],
      [null as never, 'invalid'],
      ['c-mixed1', 'saved'],
      ['c-mixed2', 'gone'],
      ['c-mixed3', 'invalid'],
    ]);
    expect(results[5]!.refused).toContain('corners.card');
  });

  it('says 404 in words', async () => {
    expect((await problem(await client.get('/api/sites/nowhere'))).detail).toContain('nowhere');
    expect((await client.get('/api/nothing')).status).toBe(404);
    expect((await client.get('/fonts/../../package.json')).status).toBe(404);
    expect((await client.get('/fonts/gelasio-latin-400-normal.woff2')).headers.get('content-type')).toBe('font/woff2');
  });

  it('tells other windows of a change over server-sent events', async () => {
    const response = await client.get('/api/sites/ternhaven/events');
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
    const { results } = (await (
      await post({ window: 'wwww', changes: [change('c-events', ['brand', 'corners', 'picture'], 5)] })
    ).json()) as { results: { sequence: number }[] };
    let heard = '';
    while (!heard.includes(`data: ${results[0]!.sequence}`)) heard += (await reader.read()).value;
    expect(heard).toContain('event: sequence');
    await reader.cancel();
  });

  it('publishes, serves what is live without a session, goes back, and zips', async () => {
    const { sequence } = (await (await client.get('/api/sites/ternhaven')).json()) as { sequence: number };
    const live = () => fetch(`${client.server.address}/live/ternhaven/tokens.css`).then((response) => response.text());
    expect((await client.send('POST', '/api/sites/ternhaven/publications', { sequence: sequence + 5 })).status).toBe(
      409,
    );
    expect((await client.send('POST', '/api/sites/ternhaven/publications', { sequence })).status).toBe(201);
    const first = await live();
    const { results } = (await (
      await post({ window: 'wwww', changes: [change('c-live01', ['brand', 'corners', 'button'], 17)] })
    ).json()) as { results: { sequence: number }[] };
    expect(await live()).toBe(first);
    await client.send('POST', '/api/sites/ternhaven/publications', { sequence: results[0]!.sequence });
    expect(await live()).toContain('--corner-button: 17px;');
    expect((await client.send('POST', '/api/sites/ternhaven/live', { number: 1 })).status).toBe(204);
    expect(await live()).toBe(first);
    const { publications } = (await (await client.get('/api/sites/ternhaven/publications')).json()) as {
      publications: { number: number; live: boolean }[];
    };
    expect(publications.map((publication) => [publication.number, publication.live])).toEqual([
      [2, false],
      [1, true],
    ]);
    const zip = Buffer.from(await (await client.get('/api/sites/ternhaven/zip')).arrayBuffer());
    expect(zip.subarray(0, 2).toString()).toBe('PK');
    expect((await fetch(`${client.server.address}/live/ternhaven/nothing.html`)).status).toBe(404);
  });
});
