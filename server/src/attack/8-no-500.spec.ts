import { Agent, request } from 'node:http';
import { deflateSync } from 'node:zlib';
import { readFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';
import { allRoutes } from '../http/app.ts';
import type { Services } from '../http/context.ts';
import { doorOf } from '../http/door.ts';
import { openDatabase } from '../db/index.ts';
import { OwnServer } from '../testing/own-server.ts';

/** Numbers that look random and are the same in each run (mulberry32, public domain). */
function dice(seed: number): () => number {
  return () => {
    seed = (seed + 0x6d2b79f5) | 0;
    let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

interface Asked {
  readonly method: string;
  readonly target: string;
  readonly headers: Record<string, string>;
  readonly body: Buffer;
}

describe('Item 8: no 500 for what a client sends, and memory comes back', () => {
  let own: OwnServer;
  let cookie: string;
  const agent = new Agent({ keepAlive: true, maxSockets: 16 });
  const ask = ({
    method,
    target,
    headers,
    body,
  }: Asked): Promise<{ status: number; type: string; text: string; retryAfter: string | undefined }> =>
    new Promise((resolve) => {
      const sent = request(
        {
          agent,
          host: '127.0.0.1',
          port: own.port,
          method,
          path: target,
          headers: { cookie, ...headers, ...(body.length > 0 ? { 'content-length': String(body.length) } : {}) },
          timeout: 60_000,
        },
        (response) => {
          const chunks: Buffer[] = [];
          const done = () =>
            resolve({
              status: response.statusCode!,
              type: response.headers['content-type'] ?? '',
              text: Buffer.concat(chunks).toString('utf8'),
              retryAfter: response.headers['retry-after'],
            });
          response.on('data', (chunk: Buffer) => {
            if (chunks.length < 4) chunks.push(chunk);
            if (response.headers['content-type']?.includes('event-stream')) {
              response.destroy();
              done();
            }
          });
          response.on('end', done);
          response.on('error', done);
        },
      );
      // Node's own parser refuses some before anybody sees them: an answer all the same, or a closed connection.
      sent.on('error', () => resolve({ status: 400, type: 'closed', text: '', retryAfter: undefined }));
      sent.on('timeout', () => {
        sent.destroy();
        resolve({ status: 599, type: '', text: 'no answer', retryAfter: undefined });
      });
      sent.end(body);
    });

  /** Asks so many at a time, and gives what came back with what was asked. */
  async function flood<T>(things: readonly T[], atOnce: number, entry: (thing: T) => Promise<void>): Promise<void> {
    let at = 0;
    await Promise.all(
      Array.from({ length: atOnce }, async () => {
        while (at < things.length) await entry(things[at++]!);
      }),
    );
  }

  beforeAll(async () => {
    own = await OwnServer.create();
    await own.start({ YOHAKU_UPLOADS: '1000000' });
    const [address, token] = own.link.split('/sign-in#');
    const made = await fetch(`${address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ token }),
    });
    cookie = made.headers.get('set-cookie')!.split(';')[0]!;
  });
  afterAll(async () => {
    agent.destroy();
    await own.dispose();
  });

  it('4,000 hostile requests are each answered with a sentence', async () => {
    const roll = dice(20261128);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(roll() * list.length)]!;
    const routes = allRoutes({
      database: openDatabase('postgresql://nobody@127.0.0.1:1/none'),
      door: doorOf(1),
      root: '.',
    } as unknown as Services)
      .map((route) => route.declared)
      .filter(
        (entry) => !entry.path.includes('/events') && !(entry.method === 'delete' && entry.path === '/api/session'),
      );
    const names = [
      'ternhaven',
      'nobody',
      'constructor',
      '__proto__',
      '%00',
      '%',
      '%ff%fe',
      '%ed%a0%80',
      'a%0d%0ab',
      '..',
      '%2e%2e%2f',
      'x'.repeat(3000),
      '-1',
      '99999999999',
      '%F0%9F%98%80',
      "'%3Bdrop",
      'home',
      'e-1',
      'index.html',
    ];
    const values: unknown[] = [
      '\u0000',
      '\ud800',
      'x\udfffy',
      '😀',
      '',
      ' ',
      'x'.repeat(100_000),
      2 ** 31,
      2 ** 53,
      -1,
      1.5,
      1e308,
      null,
      true,
      [],
      {},
      [[[[[]]]]],
      { a: { b: 1 } },
      '__proto__',
      'constructor',
      "'; drop table sites; --",
      'http://x',
      '2026-13-45',
      '\u202e',
      '%s%n',
      '../../x',
    ];
    const deep = (n: number): string => `${'['.repeat(n)}${']'.repeat(n)}`;
    const hostileOp = () =>
      pick([
        {
          op: 'set',
          at: [
            pick(['name', 'brand', 'pages', 'shared', '__proto__', 'constructor', 'x']),
            ...(roll() < 0.5 ? [String(pick(values))] : []),
          ],
          value: pick(values),
        },
        {
          op: 'insert',
          record: ['brand', 'swatches'],
          order: pick([null, ['brand', 'swatchOrder'], ['brand']]),
          id: String(pick(values)),
          value: pick(values),
          after: null,
        },
        {
          op: 'move',
          from: ['pageOrder'],
          to: pick([['pageOrder'], ['name'], ['brand']]),
          id: 'home',
          after: pick(['fares', null, 'nobody']),
          wasAfter: null,
        },
        {
          op: 'remove',
          record: pick([['pages'], ['brand'], ['brand', 'swatches']]),
          order: pick([null, ['pageOrder']]),
          id: pick(['home', 'swatches', 'nobody']),
          was: null,
          after: null,
        },
        pick(values),
      ]);
    const body = (): Buffer => {
      const kind = roll();
      if (kind < 0.2)
        return Buffer.from(
          JSON.stringify({
            window: pick(['wwww', '\u0000', 7, '']),
            changes: Array.from({ length: 1 + Math.floor(roll() * 3) }, () => ({
              id: pick(['hostile-1', '\u0000', 'x', 5, `h-${Math.floor(roll() * 1e6)}`]),
              schemaVersion: pick([1, 2, 'x']),
              label: pick(['x', ...values]),
              ops: [hostileOp()],
            })),
          }),
        );
      if (kind < 0.4)
        return Buffer.from(
          JSON.stringify({
            [pick(['token', 'number', 'sequence', 'putAway', 'window', '__proto__'])]: pick(values),
            ...(roll() < 0.3 ? { pixels: pick(values), layout: pick(values) } : {}),
          }),
        );
      if (kind < 0.5)
        return Buffer.from(
          pick([
            '{',
            'null',
            '[]',
            '"x"',
            '\u0000',
            '{"a":1e999}',
            '{"number":1e400}',
            '\ufeff{}',
            deep(30_000),
            deep(41),
            '{"a":'.repeat(5000),
            '{"token":"\\ud800"}',
            '{"token":"\\u0000xxxxxxxxxxxxxxxxxxxxxxxx"}',
          ]),
        );
      if (kind < 0.6)
        return Buffer.from(Array.from({ length: Math.floor(roll() * 300) }, () => Math.floor(roll() * 256)));
      if (kind < 0.7)
        return Buffer.from(
          `<svg xmlns="http://www.w3.org/2000/svg">${pick(['<g>'.repeat(5000), '<use href="#a" id="a"/>', '&x;', '<style>{{{{{</style>', '<text>\u0000</text>'])}`,
        );
      return Buffer.alloc(0);
    };
    const hostile = Array.from({ length: 4000 }, (): Asked => {
      const route = pick(routes);
      const path = route.path.replaceAll(/:\w+|\*path/g, () => (roll() < 0.4 ? 'ternhaven' : pick(names)));
      const target =
        roll() < 0.15
          ? `/${pick(names)}`
          : `${path}${roll() < 0.5 ? `?${pick(['after', 'ids', 'id', 'name', 'x'])}=${pick(names)}${roll() < 0.3 ? '&after=1&after=2&id=a&id=b' : ''}` : ''}`;
      return {
        method:
          roll() < 0.7 || route.path === '/api/session'
            ? route.method.toUpperCase()
            : pick(['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'HEAD', 'TRACE', 'PROPFIND']),
        target: target.replaceAll(/[^\x21-\x7e]/g, ''),
        body: body(),
        headers:
          roll() < 0.7
            ? { 'content-type': 'application/json' }
            : pick<Record<string, string>>([
                {},
                { 'content-type': 'application/octet-stream' },
                { 'content-type': 'multipart/form-data' },
                { 'content-type': 'application/json; charset=utf-7' },
                { 'content-encoding': 'gzip', 'content-type': 'application/json' },
                { 'content-type': '\u00ff' },
                { accept: 'x'.repeat(8000) },
                { range: 'bytes=9-1' },
                { 'if-none-match': '"x' },
                { cookie: `${cookie.split('=')[0]}=%00` },
                { cookie: 'x'.repeat(4000) },
              ]),
      };
    });
    const counts = new Map<number, number>();
    await flood(hostile, 12, async (asked) => {
      const { status, type, text, retryAfter } = await ask(asked);
      counts.set(status, (counts.get(status) ?? 0) + 1);
      const words = `${asked.method} ${asked.target.slice(0, 120)} ${asked.body.toString('utf8').slice(0, 200)}: ${status} ${text.slice(0, 200)}`;
      // Publishing or reading what earlier ones changed for good can take its time: busy is an answer, broken is not.
      if (status >= 500 && !(status === 503 && retryAfter)) fail(words);
      if (
        status >= 400 &&
        type !== 'closed' &&
        asked.method !== 'HEAD' &&
        !asked.target.startsWith('/live') &&
        !/^\/%/.test(asked.target)
      )
        expect(text.length).withContext(words).toBeGreaterThan(20);
    });
    expect([...counts.values()].reduce((sum, n) => sum + n, 0)).toBe(4000);
    expect((counts.get(422) ?? 0) + (counts.get(400) ?? 0)).toBeGreaterThan(400);
    // Accepted input still makes a valid site.
    expect(
      (await ask({ method: 'GET', target: '/api/sites/ternhaven', headers: {}, body: Buffer.alloc(0) })).status,
    ).toBe(200);
  });

  it('2,000 mixed uploads are answered, and the memory they took is given back', async () => {
    const resident = () =>
      Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${own.serverPid}/status`, 'utf8'))![1]) / 1024;
    const png = await sharp({ create: { width: 300, height: 300, channels: 3, background: '#0e3b43' } })
      .png()
      .toBuffer();
    const noise = await sharp(
      Buffer.from(Array.from({ length: 900 * 900 * 3 }, (_, i) => (i * 2_654_435_761) >>> 24)),
      { raw: { width: 900, height: 900, channels: 3 } },
    )
      .png()
      .toBuffer();
    const zip = zipSync({
      'index.html': strToU8('<p style="color:#0e3b43">x</p>'),
      'a.css': strToU8('p{color:#cf4527}'),
    });
    const damaged = Buffer.from(zip);
    damaged.fill(0xff, 60, 90);
    const odd = Buffer.from(zip);
    odd.writeUInt16LE(99, 8);
    // Slow inputs come a third as often as fast ones; the number of allocations matters, not their duration.
    const heavy: [string, (i: number) => Uint8Array][] = [
      ['noise.png', (i) => Buffer.concat([noise, Buffer.from(String(i))])],
      ['deep.css', () => Buffer.from('@media a{'.repeat(20_000))],
      ['deep.html', () => Buffer.from('<div>'.repeat(20_000))],
      ['big.txt', (i) => Buffer.alloc(2_000_000, `word ${i} `)],
    ];
    const light: [string, (i: number) => Uint8Array][] = [
      ['a.png', (i) => Buffer.concat([png, Buffer.from(String(i))])],
      ['cut.png', (i) => png.subarray(0, 50 + (i % 400))],
      [
        'a.svg',
        (i) =>
          Buffer.from(
            `<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect width="9" height="9" fill="#${String(100_000 + i)}"/></svg>`,
          ),
      ],
      ['deep.svg', () => Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg">${'<g>'.repeat(3000)}`)],
      ['a.css', (i) => Buffer.from(`.a{color:#${String(100_000 + i)}}`)],
      ['a.zip', () => zip],
      ['damaged.zip', () => damaged],
      ['odd.zip', () => odd],
      ['cut.zip', (i) => zip.subarray(0, 20 + (i % 200))],
      ['a.txt', (i) => Buffer.from(`Tern #${String(100_000 + i)}\u0000`)],
      ['nul.txt', () => Buffer.from('\u0000\u0000#fff')],
      ['empty', () => Buffer.alloc(0)],
      ['font.woff2', () => Buffer.concat([Buffer.from('wOF2'), deflateSync(Buffer.alloc(500))])],
    ];
    const bodies = [...light, ...heavy, ...light, ...light];
    const sends = Array.from({ length: 2000 }, (_, i) => ({
      i,
      name: bodies[i % bodies.length]![0],
      make: bodies[i % bodies.length]![1],
    }));
    // The memory of the engine and its libraries is allocated after the first input of each kind.
    const post = async ({ i, name, make }: (typeof sends)[number]) => {
      const font = name.endsWith('woff2');
      const { status, text } = await ask({
        method: 'POST',
        target: font ? `/api/fonts?name=${name}` : `/api/sites/ternhaven/sources?id=up-${i}&name=${name}`,
        headers: { 'content-type': i % 3 === 0 ? 'application/json' : 'application/octet-stream' },
        body: Buffer.from(make(i)),
      });
      if (status >= 500 && status !== 503) fail(`${name}: ${status} ${text.slice(0, 200)}`);
    };
    await flood(sends.slice(0, 60), 8, post);
    const before = resident();
    let most = before;
    const watch = setInterval(() => {
      most = Math.max(most, resident());
    }, 200);
    await flood(sends.slice(60), 8, post);
    clearInterval(watch);
    await new Promise((resolve) => setTimeout(resolve, 4000));
    const after = resident();
    const told = `before ${before.toFixed(0)} MB, most ${most.toFixed(0)} MB, after ${after.toFixed(0)} MB`;
    expect(most).withContext(told).toBeLessThan(700);
    expect(after)
      .withContext(told)
      .toBeLessThan(Math.max(350, before * 1.6));
    // Names that are asked for and are not there leave nothing behind.
    await flood(
      Array.from({ length: 3000 }, (_, i) => i),
      16,
      async (i) => {
        await ask({ method: 'GET', target: `/missing-${i}-${'x'.repeat(900)}.js`, headers: {}, body: Buffer.alloc(0) });
        await ask({ method: 'GET', target: `/api/sites/nobody-${i}/events`, headers: {}, body: Buffer.alloc(0) });
      },
    );
    expect(resident())
      .withContext(`${told}, after missing names ${resident().toFixed(0)} MB`)
      .toBeLessThan(Math.max(400, before * 1.8));
    process.stderr.write(`      memory of the server: ${told}\n`);
  });
});
