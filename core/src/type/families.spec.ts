import * as fc from 'fast-check';
import { applyChange, addFontFace, removeFamily, setFamilies, type ReadFace } from '../change/index.ts';
import { missingCharacters } from '../page/index.ts';
import { facesInUse, siteFontsCss } from '../render/index.ts';
import { readSite } from '../document/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { facesFor, facesOf } from './faces.ts';
import { fallbackFaces, familyStack, readyFor } from './fallback.ts';
import { familyById, stylesOf } from './families.ts';
import type { OwnFamily } from './family.ts';
import { LIBRARY } from './library.ts';
import { PAIRINGS } from './pairings.ts';

const metrics = { ascent: 0.9, descent: 0.3, lineGap: 0, xHeight: 0.5, capHeight: 0.7, widths: { '400': 0.45 } };
const hash = (start: string) => start.padEnd(64, '0');
const read = (name: string, start: string, weight: [number, number], italic = false): ReadFace => ({
  family: {
    name,
    kind: 'serif',
    shape: 'serif',
    metrics: { ...metrics, widths: { [`${weight[0]}${italic ? 'i' : ''}`]: 0.45 } },
  },
  face: {
    hash: hash(start),
    file: `${name}.ttf`,
    weight,
    italic,
    axes: [],
    embedding: 'installable',
    tableFigures: false,
    coverage: [[32, 126]],
  },
});
const own = (...weights: [number, number][]): OwnFamily => ({
  id: 'own',
  name: 'Own',
  kind: 'sans',
  shape: 'sans',
  metrics,
  faces: weights.map((weight, i) => ({ hash: hash(String(i)), weight, italic: false })),
});

describe('the face a browser takes', () => {
  const taken = (weight: number, ...weights: number[]) =>
    facesFor(own(...weights.map((value): [number, number] => [value, value])), [{ weight, italic: false }]).map(
      (face) => face.weight[0],
    );
  it('is the one asked for, else the nearest on the side that CSS looks at first', () => {
    expect(taken(600, 400, 600, 700)).toEqual([600]);
    expect(taken(500, 300, 400, 700)).toEqual([400]);
    expect(taken(400, 300, 500, 700)).toEqual([500]);
    expect(taken(300, 200, 400)).toEqual([200]);
    expect(taken(600, 500, 800)).toEqual([800]);
    expect(taken(900, 500, 700)).toEqual([700]);
  });
  it('is a variable one wherever its range holds the weight, and an upright one where there is no italic', () => {
    const family = own([100, 450], [500, 900]);
    expect(facesFor(family, [{ weight: 650, italic: true }]).map((face) => face.weight)).toEqual([[500, 900]]);
    expect(stylesOf(family).italic).toBe(false);
  });
  it('is always one that there is, whatever is asked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1000 }),
        fc.boolean(),
        fc.constantFrom(...LIBRARY),
        (weight, italic, family) => {
          const faces = facesFor(family, [{ weight, italic }]);
          return (
            faces.length === 2 &&
            faces.every(
              (face) =>
                facesOf(family).some((entry) => entry.file === face.file) && face.italic === (italic && family.italic),
            )
          );
        },
      ),
    );
  });
});

describe('what stands in', () => {
  it('is of the same shape and named behind the family, nearest x-height first', () => {
    const mono = familyById('ibm-plex-mono')!;
    expect(readyFor(mono).map((match) => match.name)).toEqual(
      jasmine.arrayWithExactContents(['Courier New', 'DejaVu Sans Mono']),
    );
    expect(familyStack('public-sans')).toBe(
      '"Public Sans", "Public Sans as Arial", "Public Sans as DejaVu Sans", sans-serif',
    );
    const order = readyFor(familyById('lora')!).map((match) => Math.abs(match.xHeight));
    expect(order).toEqual([...order].sort((value, other) => value - other));
    for (const family of LIBRARY) for (const face of fallbackFaces(family)) expect(face.sizeAdjust).toBeGreaterThan(50);
  });
});

describe('pairings', () => {
  it('are twelve and more of families that ship, never one with itself, each with its reason', () => {
    expect(PAIRINGS.length).toBeGreaterThanOrEqual(12);
    expect(new Set(PAIRINGS.map((pairing) => `${pairing.heading} ${pairing.body}`)).size).toBe(PAIRINGS.length);
    for (const { heading, body, why } of PAIRINGS) {
      expect([heading, body].map((id) => familyById(id)?.id)).toEqual([heading, body]);
      expect((familyById(body) as { text?: boolean }).text)
        .withContext(body)
        .toBe(true);
      expect(heading).not.toBe(body);
      expect(why.length).toBeGreaterThan(30);
    }
  });
});

describe('families that were brought along', () => {
  it('take regular and italic as one family, and a second file of the same weight in place of the first', () => {
    let site = smallSite();
    for (const [start, weight, italic] of [
      ['a', [400, 400], false],
      ['b', [400, 400], true],
      ['c', [400, 400], false],
    ] as const)
      site = applyChange(site, addFontFace(site, read('Quayside', start, [...weight], italic), `font-${start}`)).site;
    const [family, ...others] = Object.values(site.brand.fonts!);
    expect(others).toEqual([]);
    expect(family!.faces.map((face) => [face.hash[0], face.italic])).toEqual([
      ['c', false],
      ['b', true],
    ]);
    expect(stylesOf(family!)).toEqual({ weights: [[400, 400]], italic: true });
    expect(readSite(site)).toEqual(site);
  });
  it('are set and exported with only the faces that text is set in', () => {
    let site = smallSite();
    for (const [start, weight] of [
      ['a', 400],
      ['b', 900],
    ] as const)
      site = applyChange(site, addFontFace(site, read('Quayside', start, [weight, weight]), 'quay')).site;
    site = applyChange(site, setFamilies(site, 'Quayside for all', { heading: 'quay', body: 'quay' })).site;
    const wanted = Math.max(...Object.values(site.brand.styles).map((style) => style.weight));
    expect(wanted).toBeLessThan(900);
    expect(
      facesInUse(site)
        .map((face) => face.file)
        .includes(`quay-${hash('a').slice(0, 16)}.woff2`),
    ).toBe(true);
    expect(siteFontsCss(site, 'fonts/')).toContain('font-family: "Quayside as Georgia"');
  });
  it('go only with something in their place where they are in use', () => {
    let site = smallSite();
    site = applyChange(site, addFontFace(site, read('Quayside', 'a', [400, 400]), 'quay')).site;
    expect(removeFamily(site, 'quay')!.ops.length).toBe(1);
    site = applyChange(site, setFamilies(site, 'Quayside', { heading: 'quay', body: site.brand.families.body })).site;
    expect(removeFamily(site, 'quay')).toBeUndefined();
    expect(removeFamily(site, 'quay', 'quay')).toBeUndefined();
    const gone = applyChange(site, removeFamily(site, 'quay', 'lora')!).site;
    expect([gone.brand.families.heading, gone.brand.fonts]).toEqual(['lora', undefined]);
  });
  it('name the characters of the pages that they have none for', () => {
    const site = smallSite();
    expect(missingCharacters(site, [[0, 0x10ffff]])).toEqual([]);
    const missing = missingCharacters(site, [[32, 64]]);
    expect(missing.length).toBeGreaterThan(10);
    expect(missing.every((entry) => entry > '@')).toBe(true);
  });
});
