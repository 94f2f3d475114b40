import * as csstree from 'css-tree';
import { fromHtml } from 'hast-util-from-html';
import type { Nodes } from 'hast';
import sharp from 'sharp';
import { Isolated } from '../isolated/index.ts';
import { PictureRefused, cleanSvg, decodePicture } from '../assets/index.ts';
import { ACTIVE, svg } from '../testing/active-drawings.ts';
import { startClient, type Client } from '../testing/client.ts';
import type { ReadSource } from '../sources/index.ts';

/** Returns the parts of a written drawing that could run or fetch; always empty. */
function faults(text: string): string[] {
  const found: string[] = [];
  if (/<[!?]/.test(text)) found.push('a declaration');
  const parse = (value: string, context: string) => {
    try {
      return csstree.parse(value, { context, onParseError: () => found.push(`CSS ${value}`) });
    } catch {
      found.push(`CSS ${value}`);
      return csstree.parse('');
    }
  };
  const css = (value: string, context: 'value' | 'stylesheet' | 'declarationList') =>
    csstree.walk(parse(value, context), (node) => {
      if (node.type === 'Atrule') found.push(`@${node.name}`);
      if (node.type === 'Url' && !node.value.startsWith('#')) found.push(`url ${node.value}`);
      if (node.type === 'String' && /\/\//.test(node.value)) found.push(node.value);
    });
  const visit = (node: Nodes): void => {
    if (node.type === 'element') {
      if (
        /^(script|foreignobject|iframe|object|embed|audio|video|handler|animate.*|set|a|link|meta|feimage|metadata|discard|mpath)$/i.test(
          node.tagName,
        ) ||
        node.tagName.includes(':')
      )
        found.push(`<${node.tagName}>`);
      for (const [name, value] of Object.entries(node.properties)) {
        const words = Array.isArray(value) ? value.join(' ') : String(value);
        if (/^on/i.test(name) || /script:/i.test(words)) found.push(`${name}=${words}`);
        if (/href$/i.test(name) && !/^(#|data:image\/(png|jpeg|webp);base64,)/.test(words))
          found.push(`${name}=${words}`);
        if (name === 'style') css(words, 'declarationList');
        else if (/[(\\]/.test(words) && name !== 'd' && !/^data:/.test(words)) css(words, 'value');
      }
      if (node.tagName === 'style')
        css(node.children.map((child) => (child.type === 'text' ? child.value : '')).join(''), 'stylesheet');
    }
    if ('children' in node) node.children.forEach(visit);
  };
  visit(fromHtml(text, { fragment: true, space: 'svg' }));
  return found;
}

describe('Item 7: pictures are what they say', () => {
  it(`of ${Object.keys(ACTIVE).length} kinds of active drawings each is refused by name, or written anew so that nothing of it runs or fetches`, async () => {
    expect(Object.keys(ACTIVE).length).toBeGreaterThanOrEqual(49);
    let refused = 0;
    for (const [kind, text] of Object.entries(ACTIVE)) {
      // Past the first look, which refuses the plain ones: what the writing itself lets through.
      expect(faults(cleanSvg(text).svg))
        .withContext(kind)
        .toEqual([]);
      const read = await decodePicture(Buffer.from(text)).then(
        (picture) => Buffer.from(picture.bytes).toString('utf8'),
        (error: unknown) => {
          if (!(error instanceof PictureRefused)) throw error;
          expect(error.message.length).withContext(kind).toBeGreaterThan(30);
          refused++;
          return undefined;
        },
      );
      if (read !== undefined) expect(faults(read)).withContext(kind).toEqual([]);
    }
    expect(refused).toBeGreaterThan(15);
  });

  it('what drawings are made of stays, in whatever quotes it is written, and paints the same pixels', async () => {
    const good = svg(
      `<defs><linearGradient id="g" gradientTransform="rotate(20)"><stop stop-color="#f4ca25"/><stop offset="1" style="stop-color:#b83a1e"/></linearGradient><clipPath id="c"><circle cx="20" cy="20" r="15"/></clipPath><filter id="b"><feGaussianBlur stdDeviation="1"/></filter><pattern id="p" width="4" height="4" patternUnits="userSpaceOnUse"><path d="M0 0h2v2h-2z" fill="#0e3b43"/></pattern><symbol id="s" viewBox="0 0 4 4"><rect width="4" height="4" fill="#6f8f98"/></symbol></defs>
      <style>.a &gt; .b { fill: url(#p); stroke-width: 1.5px } #x{fill:#cf4527}</style><g class="a"><rect class="b" x="2" y="2" width="12" height="12"/></g>
      <rect fill="url('#g')" clip-path='url("#c")' width="40" height="40"/><rect style="fill:url(&quot;#g&quot;);filter:url(#b)" x="20" y="20" width="9" height="9"/><use xlink:href="#s" x="30" width="8" height="8"/><path id="x" d="M5,5 C 8 8,9 -1,12 5z" transform="translate(3 4) rotate(10)"/>
      <image width="6" height="6" y="30" href="data:image/png;base64,${(
        await sharp({ create: { width: 2, height: 2, channels: 3, background: '#123456' } })
          .png()
          .toBuffer()
      ).toString('base64')}"/><text x="2" y="38" font-size="6" xml:space="preserve">A &amp; B</text>`,
      'viewBox="0 0 40 40"',
    );
    const { svg: written, notes } = cleanSvg(good);
    expect(notes).toEqual([]);
    const pixels = (text: string) => sharp(Buffer.from(text)).ensureAlpha().raw().toBuffer();
    expect((await pixels(written)).equals(await pixels(good))).toBeTrue();
    // Written again it is the same: a file that came from here comes in as it is.
    expect(cleanSvg(written).svg).toBe(written);
  });

  it('what takes too long or too much memory is ended, and fonts, pictures and publishing go on meanwhile', async () => {
    const client: Client = await startClient();
    const apart = new Isolated();
    try {
      const words = svg(`<text>${'lorem '.repeat(9000)}</text>`);
      const slow = svg(
        `<filter id="t" x="0" y="0" width="1" height="1"><feTurbulence baseFrequency="0.9" numOctaves="60"/><feGaussianBlur stdDeviation="60"/></filter>${'<rect width="4000" height="4000" filter="url(#t)"/>'.repeat(300)}`,
        'viewBox="0 0 4000 4000"',
      ).replace('width="40" height="40"', 'width="4000" height="4000"');
      const add = (id: string, body: string) =>
        client.send('POST', `/api/sites/ternhaven/sources?id=${id}&name=${id}.svg`, new TextEncoder().encode(body), {
          'content-type': 'application/octet-stream',
        });
      expect(((await (await add('words', words)).json()) as { detail: string }).detail).toMatch(
        /thousand characters of text/,
      );
      const began = performance.now();
      const answer = await apart.run<ReadSource>(
        'sources',
        { name: 'slow.svg', bytes: Buffer.from(slow) },
        { seconds: 2, megabytes: 1500 },
        { tooLong: 'too long', tooMuch: 'too much' },
      );
      expect(answer).toEqual({ refused: jasmine.stringMatching(/too long|too much/) } as never);
      expect(performance.now() - began).toBeLessThan(20_000);
      const hostile = add('slow', slow);
      const { sequence } = (await (await client.get('/api/sites/ternhaven')).json()) as { sequence: number };
      expect((await add('quick', svg(''))).status).toBe(200);
      expect((await client.send('POST', '/api/sites/ternhaven/publications', { sequence })).status).toBe(201);
      expect((await client.get('/api/sites/ternhaven/zip')).status).toBe(200);
      expect((await client.get('/api/health')).status).toBe(200);
      expect((await hostile).status).toBe(422);
    } finally {
      apart.close();
      await client.close();
    }
  });

  it('an id that is taken is not answered with the other file, and uploads have a rate', async () => {
    const client = await startClient(undefined, { uploadLimits: { atOnce: 2, waiting: 4, perUser: 12, minutes: 10 } });
    try {
      const add = (id: string, name: string, body: string) =>
        client.send('POST', `/api/sites/ternhaven/sources?id=${id}&name=${name}`, new TextEncoder().encode(body), {
          'content-type': 'application/json',
        });
      const [response, again, other] = [
        await add('e-1', 'a.txt', 'Tern #0e3b43'),
        await add('e-1', 'a.txt', 'Tern #0e3b43'),
        await add('e-1', 'b.txt', 'Sand #f2d8a0'),
      ];
      expect([response.status, again.status, other.status]).toEqual([200, 200, 422]);
      expect(((await other.json()) as { detail: string }).detail).toMatch(
        /Another source has the id e-1 already \(a\.txt\)/,
      );
      const flood = await Promise.all(Array.from({ length: 20 }, (_, i) => add(`f-${i}`, 'x.txt', `#12345${i % 10}`)));
      const refused = flood.filter((answer) => answer.status === 429 || answer.status === 503);
      expect(flood.filter((answer) => answer.status === 200).length).toBeLessThanOrEqual(9);
      expect(refused.length).toBeGreaterThanOrEqual(11);
      for (const answer of refused) expect(Number(answer.headers.get('retry-after'))).toBeGreaterThan(0);
    } finally {
      await client.close();
    }
  });
});
