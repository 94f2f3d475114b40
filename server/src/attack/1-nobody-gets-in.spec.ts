import { request } from 'node:http';
import { allRoutes } from '../http/app.ts';
import { openDatabase } from '../db/index.ts';
import type { Services } from '../http/context.ts';
import { doorOf } from '../http/door.ts';
import { startClient, type Client } from '../testing/client.ts';

interface Answer {
  readonly status: number;
  readonly type: string;
  readonly policy: string;
  readonly body: string;
}

/** Sends a request target exactly as it is written: `fetch` would tidy it up first. */
function ask(
  port: number,
  method: string,
  target: string,
  headers: Record<string, string> = {},
  body = '',
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const sent = request(
      {
        host: '127.0.0.1',
        port,
        method,
        path: target,
        headers: { ...headers, ...(body ? { 'content-length': String(Buffer.byteLength(body)) } : {}) },
        insecureHTTPParser: true,
      },
      (response) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => {
          chunks.push(chunk);
          // A stream of events has no end.
          if (response.headers['content-type']?.includes('event-stream')) response.destroy();
        });
        const done = () =>
          resolve({
            status: response.statusCode!,
            type: response.headers['content-type'] ?? '',
            policy: String(response.headers['content-security-policy'] ?? ''),
            body: Buffer.concat(chunks).toString('utf8'),
          });
        response.on('end', done);
        response.on('close', done);
      },
    );
    sent.on('error', reject);
    sent.end(body);
  });
}

/** Other ways to write an address that some servers take for the same. */
function spellings(path: string): string[] {
  const first = path.indexOf('/', 1) < 0 ? path.length : path.indexOf('/', 1);
  const head = path.slice(0, first);
  const tail = path.slice(first);
  return [
    ...new Set([
      path,
      head.toUpperCase() + tail,
      head[0]! + head[1]!.toUpperCase() + head.slice(2) + tail,
      path.toUpperCase(),
      `/${path}`,
      `//x${path}`,
      `${path}/`,
      `${path}//`,
      path.replaceAll('/', '//'),
      `/.${path}`,
      `/x/..${path}`,
      `/${encodeURIComponent(path.slice(1))}`,
      `/%${head.charCodeAt(1).toString(16)}${path.slice(2)}`,
      `/%25${head.charCodeAt(1).toString(16)}${path.slice(2)}`,
      path.replace(/\/([^/]*)$/, '%2f$1'),
      path.replace(/\/([^/]*)$/, '%5c$1'),
      path.replaceAll('/', '\\'),
      `${path}%00`,
      `${path}.`,
      `${path};x=1`,
      `${path}%20`,
      `${path}?`,
      `${path}#x`,
      `${path}/.`,
      `${path}/..${tail.slice(tail.lastIndexOf('/'))}`,
      `${path}%ff`,
      `http://127.0.0.1${path}`,
    ]),
  ].filter((name) => !/[\s]/.test(name));
}

describe('Item 1: nobody gets in by spelling', () => {
  let client: Client;
  let ended: string;
  const routes = allRoutes({
    database: openDatabase('postgresql://nobody@127.0.0.1:1/none'),
    door: doorOf(1),
    root: '.',
  } as unknown as Services).map((route) => route.declared);
  const filled = (path: string) =>
    path
      .replace(':site', 'ternhaven')
      .replace(':id', 'x')
      .replace(':file', 'gelasio-latin-400-normal.woff2')
      .replace('/*path', '/index.html');

  beforeAll(async () => {
    client = await startClient();
    const token = (await client.server.link()).split('#')[1]!;
    const made = await fetch(`${client.server.address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ token }),
    });
    ended = made.headers.get('set-cookie')!.split(';')[0]!;
    expect(
      (await fetch(`${client.server.address}/api/session`, { method: 'DELETE', headers: { cookie: ended } })).status,
    ).toBe(204);
    const { sequence } = (await (await client.get('/api/sites/ternhaven')).json()) as { sequence: number };
    await client.send('POST', '/api/sites/ternhaven/publications', { sequence });
  });
  afterAll(() => client.close());

  it('every declared route in every spelling is closed without a session and with an ended one, but those that say they are open', async () => {
    expect(routes.length).toBeGreaterThan(25);
    const open = routes.filter((route) => route.open).map((route) => `${route.method} ${route.path}`);
    expect(open).toEqual([
      'get /api/health',
      'get /api/openapi.json',
      'post /api/session',
      'get /live/:site',
      'get /live/:site/',
      'get /live/:site/*path',
      'post /live/:site/:file',
      'get /fonts/:file',
    ]);
    let asked = 0;
    for (const route of routes) {
      if (route.open) continue;
      for (const target of spellings(filled(route.path)))
        for (const method of [route.method.toUpperCase(), 'GET', 'HEAD', 'get', 'POST'])
          for (const cookie of ['', ended]) {
            const answer = await ask(client.server.port, method, target, cookie ? { cookie } : {});
            asked++;
            const where = `${method} ${target} ${cookie ? 'with an ended session' : 'without one'}: ${answer.status}`;
            // The answer is a refusal, or the desk itself, which contains no data.
            expect(answer.status < 200 || answer.status >= 300 || answer.body === '' || answer.body.includes('<yo-app'))
              .withContext(where)
              .toBeTrue();
            expect(answer.status).withContext(where).not.toBe(500);
            expect(answer.body)
              .withContext(where)
              .not.toMatch(/Ternhaven|swatches|PK\u0003/);
            if (target === filled(route.path) && method === route.method.toUpperCase())
              expect(answer.status).withContext(where).toBe(401);
          }
    }
    expect(asked).toBeGreaterThan(4000);
  });

  it('no spelling makes anything live, saves anything, or signs anybody out', async () => {
    const change = JSON.stringify({
      window: 'wwww',
      changes: [{ id: 'c-closed', schemaVersion: 1, label: 'x', ops: [{ op: 'set', at: ['name'], value: 'Taken' }] }],
    });
    for (const [path, body] of [
      ['/api/sites/ternhaven/live', '{"number":1}'],
      ['/api/sites/ternhaven/changes', change],
      ['/api/sites/ternhaven/publications', '{"sequence":0}'],
      ['/api/fonts?name=x', 'x'],
      ['/api/sites?id=taken', '{}'],
    ] as const)
      for (const target of spellings(path))
        for (const method of ['POST', 'PUT', 'DELETE', 'PATCH', 'post']) {
          const answer = await ask(client.server.port, method, target, { 'content-type': 'application/json' }, body);
          expect(answer.status).withContext(`${method} ${target}`).toBeGreaterThanOrEqual(400);
          expect(answer.status).withContext(`${method} ${target}`).toBeLessThan(500);
        }
    const { site } = (await (await client.get('/api/sites/ternhaven')).json()) as { site: { name: string } };
    expect(site.name).toBe('Ternhaven Ferries');
    expect(((await (await client.get('/api/sites')).json()) as { sites: unknown[] }).sites.length).toBe(1);
  });

  it('a page of another origin is answered nothing, though its requests carry the cookie', async () => {
    const strangers: Record<string, string>[] = [
      { origin: 'http://evil.example' },
      { origin: 'null' },
      { origin: `https://127.0.0.1:${client.server.port}` },
      { origin: `http://127.0.0.1:${client.server.port}.evil.example` },
      { origin: 'http://127.0.0.1:1' },
      { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' },
      { 'sec-fetch-site': 'same-site', 'sec-fetch-mode': 'cors' },
      { host: 'evil.example' },
      { host: `127.0.0.1:${client.server.port}@evil.example` },
    ];
    for (const route of routes.filter((entry) => !entry.open))
      for (const from of strangers) {
        const answer = await ask(
          client.server.port,
          route.method.toUpperCase(),
          filled(route.path),
          { cookie: client.cookie, ...from },
          route.method === 'get' ? '' : '{}',
        );
        expect([400, 403])
          .withContext(`${route.method} ${route.path} ${JSON.stringify(from)}: ${answer.status}`)
          .toContain(answer.status);
      }
    // Somebody who follows a link to the desk's own address gets it: what navigates is the reader.
    expect(
      (
        await ask(client.server.port, 'GET', '/frame/ternhaven/', {
          cookie: client.cookie,
          'sec-fetch-site': 'cross-site',
          'sec-fetch-mode': 'navigate',
        })
      ).status,
    ).toBe(200);
  });

  it('published pages go out under their own policy, and under no other spelling', async () => {
    const policy = (await ask(client.server.port, 'GET', '/live/ternhaven/')).policy;
    expect(policy).toContain("default-src 'none'");
    for (const target of spellings('/live/ternhaven/index.html')) {
      const answer = await ask(client.server.port, 'GET', target);
      if (answer.body.includes('Ternhaven')) expect(answer.policy).withContext(target).toBe(policy);
      if (answer.status < 300 && target.toLowerCase().startsWith('/live') && !target.startsWith('/live'))
        fail(`${target} was answered`);
    }
    for (const target of ['/Live/ternhaven/', '/LIVE/ternhaven/index.html', '/live//ternhaven/', '/%6cive/ternhaven/'])
      expect((await ask(client.server.port, 'GET', target)).status)
        .withContext(target)
        .toBe(404);
  });

  it('files are served by the names they were built and published under alone', async () => {
    for (const target of [
      '/../package.json',
      '/%2e%2e/package.json',
      '/..%2fpackage.json',
      '/index.html/../../package.json',
      '/fonts/../../package.json',
      '/fonts/..%2f..%2fpackage.json',
      '/fonts/%2e%2e/%2e%2e/package.json',
      '/live/ternhaven/../../../package.json',
      '/live/ternhaven/..%2f..%2fpackage.json',
      '/frame/ternhaven/images/..%2f..%2f..%2fpackage.json',
      '/main.js.map',
      '/.git/config',
      '/%',
      '/%ff%fe',
      '/\u0000',
      '/fonts/constructor',
      '/live/constructor/',
      '/live/ternhaven/constructor',
      '/live/ternhaven/__proto__',
      '/live/ternhaven/tokens.css/',
    ]) {
      const answer = await ask(client.server.port, 'GET', encodeURI(target).replaceAll('%25', '%'), {
        cookie: client.cookie,
      });
      expect(answer.status).withContext(target).toBeGreaterThanOrEqual(400);
      expect(answer.status).withContext(target).toBeLessThan(500);
      expect(answer.body).withContext(target).not.toContain('"workspaces"');
    }
  });
});
