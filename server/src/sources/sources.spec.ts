import { deflateSync } from 'node:zlib';
import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';
import type { Source } from '@yohaku/core';
import { startClient, type Client } from '../testing/client.ts';
import { readSource } from './read.ts';

const LOGO =
  '<svg xmlns="http://www.w3.org/2000/svg" width="200" height="100"><rect width="200" height="100" fill="#fbfaf6"/><circle cx="60" cy="50" r="30" fill="#b83a1e"/><rect x="110" y="40" width="70" height="20" fill="#0e3b43"/></svg>';
const svg = (inside: string) => `<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10">${inside}</svg>`;
const read = (name: string, content: string | Uint8Array) => readSource(name, Buffer.from(content as Uint8Array));
const refusal = (name: string, content: string | Uint8Array) =>
  read(name, content).then(
    () => 'taken',
    (error: Error) => error.message,
  );

/** A PNG that says it is 30000 by 10000 and holds next to nothing. */
function bloated(): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type), data]);
    const crc = Buffer.alloc(4);
    crc.writeUInt32BE(crc32(body));
    const length = Buffer.alloc(4);
    length.writeUInt32BE(data.length);
    return Buffer.concat([length, body, crc]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(30_000, 0);
  head.writeUInt32BE(10_000, 4);
  head.set([8, 2, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(Buffer.alloc(100))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}
function crc32(bytes: Buffer): number {
  let crc = ~0;
  for (const byte of bytes) {
    crc ^= byte;
    for (let i = 0; i < 8; i++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return ~crc >>> 0;
}

describe('reading sources', () => {
  it('gives the palette of a picture, whatever its format', async () => {
    const png = await sharp(Buffer.from(LOGO)).png().toBuffer();
    for (const bytes of [Buffer.from(LOGO), png, await sharp(png).webp({ lossless: true }).toBuffer()]) {
      const { colors, size } = await read('logo', bytes);
      expect(colors.map((color) => color.hex)).toEqual(['#fbfaf6', '#b83a1e', '#0e3b43']);
      expect(size).toEqual({ width: 200, height: 100 });
    }
    const { colors } = await read('logo', await sharp(png).flatten().jpeg({ quality: 95 }).toBuffer());
    expect(colors.length).toBeGreaterThanOrEqual(3);
  });

  it('reads a drawing from what it names, gradients and styles too, and measures with its pixels', async () => {
    const { kind, colors } = await read(
      'mark.svg',
      svg(`<style>.a{fill:#0e3b43}</style><defs><linearGradient id="g"><stop stop-color="#f4ca25"/><stop offset="1" style="stop-color:#b83a1e"/></linearGradient></defs>
      <rect class="a" width="10" height="5"/><rect y="5" width="10" height="5" fill="url(#g)"/><g display="none"><rect fill="#123456" width="1" height="1"/></g>`),
    );
    expect(kind).toBe('drawing');
    expect(colors.map((color) => color.hex).sort()).toEqual(['#0e3b43', '#123456', '#b83a1e', '#f4ca25']);
    expect(colors[0]!.hex).toBe('#0e3b43');
    expect(colors[0]!.share).toBeGreaterThan(0.4);
    expect(colors.find((color) => color.hex === '#123456')).toEqual(
      jasmine.objectContaining({ share: 0, why: jasmine.stringMatching(/not to be seen/) as unknown as string }),
    );
  });

  it('tells a picture on a plate of its own from one that is cut out', async () => {
    expect((await read('logo.svg', LOGO)).plate).toBe('#fbfaf6');
    expect((await read('cut.svg', svg('<circle cx="5" cy="5" r="4" fill="#b83a1e"/>'))).plate).toBeNull();
    expect(
      (
        await read(
          'half.svg',
          svg('<rect width="5" height="10" fill="#b83a1e"/><rect x="5" width="5" height="10" fill="#0e3b43"/>'),
        )
      ).plate,
    ).toBeNull();
  });

  it('counts shapes without a fill as black', async () => {
    expect(
      (await read('mark.svg', svg('<path d="M0 0H10V10Z"/><circle r="2" fill="#b83a1e"/>'))).colors
        .map((color) => color.hex)
        .sort(),
    ).toEqual(['#000000', '#b83a1e']);
  });

  it('reads a sheet by what each colour is for, with the lines it stands in', async () => {
    const css =
      ':root { --brand: #b83a1e; --paper: linen; }\n.hero { background: var(--paper); color: #0e3b43; }\n.note { color: #0e3b43; background-image: url("red.png"); }\n.btn { background: var(--brand); border: 1px solid rgb(0 0 0 / 0); }';
    const { kind, colors, lines } = await read('site.css', css);
    expect(kind).toBe('sheet');
    const found = Object.fromEntries(colors.map((color) => [color.hex, color]));
    expect(Object.keys(found).sort()).toEqual(['#0e3b43', '#b83a1e', '#faf0e6']);
    expect([found['#0e3b43']!.role, found['#b83a1e']!.role, found['#faf0e6']!.role]).toEqual([
      'text',
      'signal',
      'ground',
    ]);
    expect(found['#0e3b43']!.uses).toBe(2);
    for (const { hex, spots, typed } of colors)
      for (const spot of spots) expect(lines[spot.line]!.text.slice(spot.from, spot.to)).withContext(hex).toBe(typed);
    expect(found['#0e3b43']!.spots.map((spot) => lines[spot.line]!.line)).toEqual([2, 3]);
  });

  it('uses what stands around an error in a sheet, and names the line', async () => {
    const { colors, notes } = await read(
      'broken.css',
      '.a { color: #b83a1e; }\n.b { color #0e3b43 }\n.c { color: #f1eadb; }',
    );
    expect(colors.map((color) => color.hex)).toContain('#b83a1e');
    expect(colors.map((color) => color.hex)).toContain('#f1eadb');
    expect(notes.join(' ')).toMatch(/broken\.css, line 2/);
  });

  it('reads any text, longer lines cut around the colour', async () => {
    const { kind, colors, lines } = await read(
      'Pasted text',
      `${'word '.repeat(60)}then #b83a1e and rgb(14 59 67), ${'more '.repeat(40)}`,
    );
    expect([kind, ...colors.map((color) => color.hex).sort()]).toEqual(['text', '#0e3b43', '#b83a1e']);
    for (const { spots, typed } of colors)
      expect(spots.map((spot) => lines[spot.line]!.text.slice(spot.from, spot.to))).toEqual([typed]);
  });

  it('reads an old site from its zip: pages, sheets, styles in pages; names what it left out', async () => {
    const zip = zipSync({
      'site/css/main.css': strToU8('body { background: #fbfaf6; color: #14211f }'),
      'site/index.html': strToU8(
        '<style>h1{color:#0e3b43}</style><body bgcolor="#cfd9d6"><p style="color:#b83a1e">x</p><a href="x">y</a></body>',
      ),
      'site/logo.png': new Uint8Array(10),
      'site/readme.md': strToU8('#ff0000'),
    });
    const { kind, colors, facts, notes } = await read('old.zip', zip);
    expect(kind).toBe('site');
    expect(colors.map((color) => color.hex).sort()).toEqual(['#0e3b43', '#14211f', '#b83a1e', '#cfd9d6', '#fbfaf6']);
    expect(facts).toBe('5 colours in 2 files');
    expect(notes.join(' ')).toMatch(/1 image .*1 other file/);
  });

  it('says what it read with losses: moving, CMYK and 16-bit pictures', async () => {
    const flat = { create: { width: 40, height: 30, channels: 3 as const, background: '#b83a1e' } };
    const frames = Buffer.concat([Buffer.alloc(40 * 30 * 3, 40), Buffer.alloc(40 * 30 * 3, 200)]);
    const moving = await sharp(frames, { raw: { width: 40, height: 60, channels: 3, pageHeight: 30 } })
      .webp({ loop: 0, delay: [100, 100] })
      .toBuffer();
    expect((await read('moves.webp', moving)).notes.join(' ')).toMatch(/first of its 2 frames/);
    const cmyk = await read('print.jpg', await sharp(flat).toColourspace('cmyk').jpeg().toBuffer());
    expect(cmyk.notes.join(' ')).toMatch(/CMYK/);
    const deep = await read('deep.png', await sharp(flat).toColourspace('rgb16').png().toBuffer());
    expect(deep.notes.join(' ')).toMatch(/16 bits/);
    expect(deep.colors[0]!.hex).toBe('#b83a1e');
  });

  it('refuses with a sentence: empty, broken, renamed, bloated, active, looping, without a colour', async () => {
    const png = await sharp(Buffer.from(LOGO)).png().toBuffer();
    const cases: [string, string | Uint8Array, RegExp][] = [
      ['x.png', new Uint8Array(), /empty/],
      ['x.gif', Buffer.from('GIF89a\0and more'), /not a PNG/],
      ['x.bin', Buffer.from('a\0and more'), /neither an image nor text/],
      ['x.png', png.subarray(0, 60), /broken/],
      ['x.png', Buffer.concat([png.subarray(0, 400), Buffer.alloc(50)]), /broken/],
      ['x.png', bloated(), /40 megapixels/],
      [
        'x.png',
        await sharp({ create: { width: 30, height: 20, channels: 4, background: '#0000' } })
          .png()
          .toBuffer(),
        /transparent/,
      ],
      ['x.svg', svg('<script>alert(1)</script>'), /<script>/],
      ['x.svg', svg('<rect onclick="x()"/>'), /onclick/],
      ['x.svg', svg('<image href="http://a.example/x.png"/>'), /outside itself/],
      ['x.svg', svg('<style>@import "x.css"</style>'), /outside itself/],
      ['x.svg', svg('<rect fill="url(http://a.example/#x)"/>'), /outside itself/],
      ['x.svg', svg('<foreignObject/>'), /foreignobject/],
      ['x.svg', `<!DOCTYPE svg [<!ENTITY x "y">]>${svg('')}`, /entities/],
      ['x.svg', svg('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>'), /refers to itself \(a → b → a\)/],
      ['x.svg', svg('<path fill="#123456" d="M0 0"/>'.repeat(100_001)), /100 thousand elements/],
      ['x.txt', 'nothing to see here', /No colour was found in x\.txt/],
      ['Pasted text', 'nothing to see here', /this text/],
      ['x.zip', Buffer.from('PK\x03\x04 and then nothing of use'), /broken|no page/],
      ['x.zip', zipSync({ 'a.txt': strToU8('x') }), /no page and no style sheet/],
      ['x.zip', zipSync({ '../../etc/a.css': strToU8('a{color:red}') }), /leads outside/],
      ['x.zip', zipSync({ 'a.css': new Uint8Array(90 * 1024 * 1024) }, { level: 9 }), /80 MB once unpacked/],
    ];
    for (const [name, content, words] of cases)
      expect(await refusal(name, content))
        .withContext(String(words))
        .toMatch(words);
  });
});

describe('sources of a site', () => {
  let client: Client;
  beforeEach(async () => {
    client = await startClient();
  });
  afterEach(() => client.close());
  const add = (id: string, name: string, body: string | Uint8Array) =>
    client.send('POST', `/api/sites/ternhaven/sources?${new URLSearchParams({ id, name })}`, body, {
      'content-type': 'application/octet-stream',
    });
  const list = async () =>
    ((await (await client.get('/api/sites/ternhaven/sources')).json()) as { sources: Source[] }).sources;

  it('is kept in order, once by its id, put away and back', async () => {
    expect((await add('e-1', 'logo.svg', LOGO)).status).toBe(200);
    expect((await add('e-2', 'Pasted text', '#b83a1e, #0e3b43')).status).toBe(200);
    expect(((await (await add('e-9', 'logo.svg', LOGO)).json()) as Source).id).toBe('e-1');
    expect((await list()).map((entry) => [entry.id, entry.kind, entry.colors.length])).toEqual([
      ['e-1', 'drawing', 3],
      ['e-2', 'text', 2],
    ]);
    expect((await client.send('PUT', '/api/sites/ternhaven/sources/e-1', { putAway: true })).status).toBe(204);
    expect((await list()).map((entry) => entry.id)).toEqual(['e-2']);
    await client.send('PUT', '/api/sites/ternhaven/sources/e-1', { putAway: false });
    expect((await list()).map((entry) => entry.id)).toEqual(['e-1', 'e-2']);
  });
  it('serves the picture as it was, and none for a text', async () => {
    await add('e-3', 'mark.svg', LOGO);
    await add('e-4', 'Pasted text', '#b83a1e');
    const answer = await client.get('/api/sites/ternhaven/sources/e-3/picture');
    expect([answer.headers.get('content-type'), await answer.text()]).toEqual(['image/svg+xml', LOGO]);
    expect((await client.get('/api/sites/ternhaven/sources/e-4/picture')).status).toBe(404);
  });
  it('answers what is refused as a problem, and keeps nothing of it', async () => {
    const before = (await list()).length;
    const refused = await add('e-5', 'x.png', new Uint8Array());
    expect([refused.status, refused.headers.get('content-type')]).toEqual([422, 'application/problem+json']);
    expect((await add('Not an id', 'x', '#fff')).status).toBe(422);
    expect((await client.send('PUT', '/api/sites/ternhaven/sources/nobody', { putAway: true })).status).toBe(404);
    expect((await list()).length).toBe(before);
  });
});
