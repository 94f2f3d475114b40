import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, deflateSync } from 'node:zlib';
import { decompress } from 'wawoff2';
import {
  LIBRARY,
  READY_METRICS,
  facesOf,
  fallbackCss,
  fallbackFaces,
  siteFontsCss,
  twinFileNames,
  widthOf,
  type LibraryFamily,
} from '@yohaku/core';
import { ternhaven } from '@yohaku/demo';
import { fontPath } from '../publish/index.ts';
import { sfntOf, sfntTables } from '../testing/sfnt.ts';
import { FontRefused } from './font-refused.ts';
import { fontLooks } from './font-looks.ts';
import { Isolated } from '../isolated/index.ts';
import { openIsolated } from './open-isolated.ts';
import { FONT_LIMITS } from './open-font.ts';
import { readFontFile } from './read-font.ts';
import { toWoff2 } from './to-woff2.ts';

const ROOT = join(import.meta.dirname, '../../..');
const file = (id: string, weight = 400, slant = 'normal') =>
  readFileSync(fontPath(ROOT, id, `${id}-latin-${weight}-${slant}.woff2`));
const refusal = (bytes: Buffer): string => {
  try {
    readFontFile(bytes);
    return 'taken';
  } catch (error) {
    return error instanceof FontRefused ? error.message : `not refused but failed: ${String(error)}`;
  }
};

const apart = new Isolated();
afterAll(() => apart.close());

describe('the library', () => {
  it('has forty families and more of every kind, each with its files, Latin Extended and a licence', () => {
    expect(LIBRARY.length).toBeGreaterThanOrEqual(40);
    expect(new Set(LIBRARY.map((family) => family.kind)).size).toBe(6);
    expect(new Set(LIBRARY.map((family) => family.name)).size).toBe(LIBRARY.length);
    for (const family of LIBRARY) {
      const faces = facesOf(family);
      expect(faces.filter((face) => face.file.includes('-latin-ext-')).length).toBe(faces.length / 2);
      for (const face of faces) expect(readFileSync(fontPath(ROOT, family.id, face.file)).length).toBeGreaterThan(500);
      expect(readFileSync(join(ROOT, 'node_modules/@fontsource', family.id, 'LICENSE'), 'utf8')).toMatch(
        /Open Font License|OFL/i,
      );
    }
  });

  it('says of each what its files say', () => {
    for (const family of LIBRARY)
      for (const [key, width] of Object.entries(family.metrics.widths)) {
        const read = readFontFile(file(family.id, Number.parseInt(key, 10), key.endsWith('i') ? 'italic' : 'normal'));
        expect([family.id, key, read.width, read.italic]).toEqual([family.id, key, width, key.endsWith('i')]);
        if (key === '400') {
          const { widths: _widths, ...metrics } = family.metrics;
          expect(read.metrics).toEqual(metrics);
        }
      }
  });
});

describe('what stands in for a font', () => {
  it('ships with the desk, so that every machine measures the same, and is the reader’s own on a published site', () => {
    const site = ternhaven;
    const urls = (css: string) => [...css.matchAll(/url\("([^"]+)"\)/g)].map(([, url]) => url!);
    const names = twinFileNames();
    const shipped = urls(fallbackCss(LIBRARY, '/fonts/'));
    expect(new Set(shipped.map((url) => names.get(url.replace('/fonts/', ''))))).toEqual(
      new Set(['arimo', 'cousine', 'gelasio', 'tinos']),
    );
    for (const url of shipped)
      expect(readFileSync(fontPath(ROOT, names.get(url.slice(7))!, url.slice(7))).length).toBeGreaterThan(500);
    expect(siteFontsCss(site, 'fonts/')).toContain('local("Georgia")');
    expect(
      urls(siteFontsCss(site, 'fonts/')).filter(
        (url) => names.has(url.replace('fonts/', '')) && !url.includes('gelasio'),
      ),
    ).toEqual([]);
  });

  it('is as wide and as tall as the font, whatever its own size', () => {
    const family = LIBRARY.find((entry) => entry.id === 'gelasio') as LibraryFamily;
    const ready = { 'Gelasio as Georgia': 'georgia', 'Gelasio as DejaVu Serif': 'dejavu-serif' } as const;
    for (const face of fallbackFaces(family)) {
      const own = READY_METRICS[ready[face.family as keyof typeof ready]];
      const weight = face.bold ? 700 : 400;
      expect((widthOf(own, weight, face.italic) * face.sizeAdjust) / 100).toBeCloseTo(
        widthOf(family.metrics, weight, face.italic),
        3,
      );
      expect((face.ascent / 100) * (face.sizeAdjust / 100)).toBeCloseTo(family.metrics.ascent, 3);
      expect((face.descent / 100) * (face.sizeAdjust / 100)).toBeCloseTo(family.metrics.descent, 3);
    }
  });
});

describe('a font file', () => {
  let ttf: Buffer;
  beforeAll(async () => {
    ttf = Buffer.from(await decompress(file('arimo')));
  });
  const changed = (change: (tables: Map<string, Buffer>) => void): Buffer => {
    const tables = sfntTables(ttf);
    change(tables);
    return sfntOf(tables);
  };

  it('is read alike as woff2, woff and ttf, and kept as woff2', async () => {
    const woff = sfntOf(sfntTables(ttf), (data) => deflateSync(data));
    const [first, ...others] = [file('arimo'), woff, ttf].map((bytes) => readFontFile(bytes));
    expect(first).toEqual(
      jasmine.objectContaining({
        family: 'Arimo',
        format: 'woff2',
        weight: [400, 400] as const,
        italic: false,
        embedding: 'installable' as const,
        notes: [],
      }),
    );
    expect(fontLooks(file('arimo'))).toEqual({ kind: 'sans', shape: 'sans' });
    for (const other of others) expect({ ...other, format: 'woff2' }).toEqual({ ...first! });
    for (const [bytes, format] of [
      [woff, 'woff'],
      [ttf, 'truetype'],
    ] as const) {
      const packed = await toWoff2(bytes, format);
      expect({ ...readFontFile(packed) }).toEqual({ ...first! });
    }
  });
  it('says whether it is italic, heavy, of one width, and which characters it has', () => {
    expect(readFontFile(file('gelasio', 700, 'italic'))).toEqual(
      jasmine.objectContaining({ italic: true, weight: [700, 700] as const }),
    );
    expect(fontLooks(file('gelasio', 700, 'italic')).shape).toBe('serif');
    const mono = readFontFile(file('cousine'));
    expect([fontLooks(file('cousine')).kind, mono.tableFigures]).toEqual(['mono', true]);
    const has = (character: string) =>
      mono.coverage.some(([first, last]) => character.codePointAt(0)! >= first && character.codePointAt(0)! <= last);
    expect(['A', 'é', 'я'].map(has)).toEqual([true, true, false]);
  });
  it('is refused when it is empty, no font, cut off, a collection, or too large', () => {
    expect(refusal(Buffer.alloc(0))).toMatch(/empty/);
    expect(refusal(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'))).toMatch(/not a WOFF2, WOFF, TTF or OTF/);
    expect(refusal(Buffer.from('ttcf\0\0\0\0'))).toMatch(/collection/);
    expect(refusal(file('arimo').subarray(0, 4000))).toMatch(/cut off|damaged/);
    expect(refusal(ttf.subarray(0, 3000))).toMatch(/damaged|cut off/);
    expect(refusal(Buffer.concat([ttf, Buffer.alloc(FONT_LIMITS.bytes)]))).toMatch(/over 10 MB/);
    const renamed = Buffer.from(ttf);
    renamed.write('wOFF', 0, 'latin1');
    expect(refusal(renamed)).toMatch(/cut off|damaged/);
  });
  it('is refused before it is unpacked when it would unpack to far more than it is', () => {
    const flat = brotliCompressSync(Buffer.alloc(FONT_LIMITS.unpacked + 1024));
    const head = Buffer.alloc(48 + 2);
    head.write('wOF2', 0, 'latin1');
    head.writeUInt16BE(1, 12);
    head.writeUInt32BE(1000, 16);
    head.writeUInt32BE(flat.length, 20);
    head[48] = 1;
    head[49] = 100;
    expect(refusal(Buffer.concat([head, flat]))).toMatch(/unpacks to more than 40 MB/);
    head.writeUInt32BE(4_000_000_000, 16);
    expect(refusal(Buffer.concat([head, flat]))).toMatch(/unpacks to more than 40 MB/);
    const woff = sfntOf(new Map([['glyf', Buffer.alloc(FONT_LIMITS.unpacked + 1)]]), (data) => deflateSync(data));
    expect(refusal(woff)).toMatch(/unpacks to more than 40 MB/);
  });
  it('with damaged outlines is refused with a sentence, or accepted whole', async () => {
    for (const table of ['glyf', 'loca'] as const)
      for (const damage of [
        (old: Buffer) => old.subarray(0, 40),
        (old: Buffer) => Buffer.alloc(old.length, 0xff),
        () => Buffer.alloc(0),
      ]) {
        const font = changed((tables) => tables.set(table, damage(tables.get(table)!)));
        const said = await openIsolated(apart, font).then(
          () => 'taken',
          (error: unknown) =>
            error instanceof FontRefused ? error.message : `not refused but failed: ${String(error)}`,
        );
        expect(said)
          .withContext(table)
          .toMatch(/^taken$|damaged|cut off|outlines/);
      }
    const broken = changed((tables) => tables.set('loca', Buffer.alloc(tables.get('loca')!.length, 0xff)));
    await expectAsync(openIsolated(apart, broken)).toBeRejectedWithError(FontRefused);
  });
  it('made to fill the memory or to have no end is refused, and the server goes on', async () => {
    const endless = changed((tables) => {
      // One run of characters from the first to the last that 32 bits can name (OpenType, cmap format 12).
      const cmap = Buffer.alloc(12 + 28);
      cmap.writeUInt16BE(1, 2);
      cmap.writeUInt16BE(3, 4);
      cmap.writeUInt16BE(10, 6);
      cmap.writeUInt32BE(12, 8);
      cmap.writeUInt16BE(12, 12);
      cmap.writeUInt32BE(28, 16);
      cmap.writeUInt32BE(1, 24);
      cmap.writeUInt32BE(0xffff_fffe, 32);
      tables.set('cmap', cmap);
    });
    await expectAsync(openIsolated(apart, endless, { seconds: 60, megabytes: 700 })).toBeRejectedWithError(
      FontRefused,
      /reading it takes too much memory/,
    );
    await expectAsync(openIsolated(apart, endless, { seconds: 0.1, megabytes: 4000 })).toBeRejectedWithError(
      FontRefused,
      /could not be read within 0.1 seconds/,
    );
    const { read, looks, woff2 } = await openIsolated(apart, ttf);
    expect([read.family, looks.kind, Buffer.from(woff2).toString('latin1', 0, 4)]).toEqual(['Arimo', 'sans', 'wOF2']);
    await expectAsync(openIsolated(apart, Buffer.from('no font'))).toBeRejectedWithError(
      FontRefused,
      /not a WOFF2, WOFF, TTF or OTF/,
    );
  });
  it('without a name, or with one that would break out of a stylesheet, is taken with what can be used of it', () => {
    const nameless = readFontFile(changed((tables) => tables.delete('name')));
    expect([nameless.family, nameless.notes.join()]).toEqual(['', jasmine.stringMatching(/no usable name/)]);
    const hostile = readFontFile(
      changed((tables) => {
        const name = tables.get('name')!;
        const utf16 = (text: string) => Buffer.from(text, 'utf16le').swap16();
        for (let at = name.indexOf(utf16('Arimo')); at !== -1; at = name.indexOf(utf16('Arimo'), at + 1))
          utf16('A"};<').copy(name, at);
      }),
    );
    expect(hostile.family).toMatch(/^A[\p{L}\p{N} ._-]*$/u);
  });
  it('that forbids embedding says so', () => {
    const flags = (value: number) =>
      readFontFile(changed((tables) => tables.get('OS/2')!.writeUInt16BE(value, 8))).embedding;
    expect([0, 2, 4, 8].map(flags)).toEqual(['installable', 'restricted', 'preview', 'editable']);
  });
  it('with axes that are no range, or weights that CSS does not know, keeps the rest and says so', () => {
    const axis = (tag: string, min: number, normal: number, max: number): Buffer => {
      const entry = Buffer.alloc(20);
      entry.write(tag, 0, 'latin1');
      [min, normal, max].forEach((value, i) => entry.writeInt32BE(Math.round(value * 65_536), 4 + i * 4));
      entry.writeUInt16BE(256, 18);
      return entry;
    };
    const axes = [axis('wght', -50, 400, 4000), axis('wdth', 120, 100, 80)];
    const fvar = Buffer.alloc(16);
    [1, 0, 16, 2, axes.length, 20, 0, 12].forEach((value, i) => fvar.writeUInt16BE(value, i * 2));
    const read = readFontFile(changed((tables) => tables.set('fvar', Buffer.concat([fvar, ...axes]))));
    expect([read.weight, read.axes.map((entry) => entry.tag)]).toEqual([[1, 1000], ['wght']]);
    expect(read.notes.join(' ')).toMatch(/wdth goes from 120 to 80.*CSS knows 1 to 1000/);
  });
});
