import {
  applyChange,
  bindDrawing,
  checkTouched,
  planUndo,
  removeSwatch,
  setSwatchColor,
  type Edit,
} from '../change/index.ts';
import { hex, paintedRgb, parseColor } from '../color/index.ts';
import { takeBrand } from '../exchange/index.ts';
import { beyondReach, decideSimilar, deriveSimilar, similarColors, timesShown } from '../similar-colors/index.ts';
import { assetFile, pageTree, readAssetFile } from '../page/index.ts';
import { placesOf, ripple } from '../reach/index.ts';
import { bodyHtml } from '../render/index.ts';
import { type Asset, type Site } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { swatchColor } from '../style/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { flatColors, recolor } from './index.ts';

const SVG =
  '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><style>.a{fill:#B83A1E;stroke : rgb(14 59 67)}</style><text fill="none">fill:#b83a1e is a colour, red is not one here</text><path fill=\'#b83a1e\' stroke="red"/><stop stop-color="rgba(0,0,0,.5)"/></svg>';
const done = (site: Site, edit: Edit): Site => {
  const applied = applyChange(site, edit);
  checkTouched(site, applied.site);
  expect(applyChange(applied.site, { ops: [...planUndo(applied.site, applied.inverse).ops] }).site).toEqual(site);
  return applied.site;
};
const asset = (id: string, more: Partial<Asset> = {}): Asset => ({
  id,
  name: `${id}.svg`,
  hash: 'ab'.repeat(32),
  type: 'image/svg+xml',
  width: 9,
  height: 9,
  colors: [
    { hex: '#b83a1e', share: 0.7 },
    { hex: '#0e3b43', share: 0.3 },
  ],
  ...more,
});
/** A picture on the home page, a drawing or a photograph, and one that nobody shows. */
const site = (() => {
  const bare = readSite(smallSite());
  const own = ['pages', 'home', 'sections', 's1', 'own'];
  const show = (id: string) => ({
    op: 'insert' as const,
    record: [...own, 'blocks'],
    order: [...own, 'columns', 'col1', 'order'],
    id: `b-${id}`,
    value: { kind: 'picture', id: `b-${id}`, asset: id, alt: id, shape: 'wide' },
    after: 'k',
  });
  const have = (entry: Asset) => ({
    op: 'insert' as const,
    record: ['assets'],
    order: null,
    id: entry.id,
    value: entry,
    after: null,
  });
  const after = applyChange(bare, {
    ops: [
      have(asset('boat')),
      have(asset('photo', { name: 'photo.jpg', type: 'image/jpeg' })),
      have(asset('unseen', { type: 'image/png' })),
      show('boat'),
      show('photo'),
    ],
  }).site;
  return readSite(after);
})();

describe('flat colours of a drawing', () => {
  it('are read from attributes and styles, in any notation; see-through ones are left', () => {
    expect(flatColors(SVG)).toEqual([
      { hex: '#b83a1e', uses: 2 },
      { hex: '#0e3b43', uses: 1 },
      { hex: '#ff0000', uses: 1 },
    ]);
  });
  it('are replaced where they paint and nowhere else', () => {
    const painted = recolor(
      SVG,
      new Map([
        ['#b83a1e', '#336699'],
        ['#ff0000', '#00ff00'],
      ]),
    );
    expect(
      flatColors(painted)
        .map((color) => color.hex)
        .sort(),
    ).toEqual(['#00ff00', '#0e3b43', '#336699']);
    expect(painted).toContain('red is not one here');
    expect(recolor(SVG, new Map([['#123456', '#000000']]))).toBe(SVG);
  });
});

describe('a drawing that follows the brand', () => {
  const bound = applyChange(site, bindDrawing(site, 'boat', '#b83a1e', 'brand')).site;
  it('is another file for other colours, and its name can be read back', () => {
    expect(done(site, bindDrawing(site, 'boat', '#b83a1e', 'brand'))).toEqual(bound);
    expect(assetFile(bound.assets['boat']!, bound.brand)).toBe('images/boat-ababababab-b83a1eb83a1e.svg');
    const blue = done(bound, setSwatchColor(bound, 'brand', parseColor('#336699')!));
    const file = assetFile(blue.assets['boat']!, blue.brand);
    expect(readAssetFile(file)).toEqual({ start: 'ababababab', colors: new Map([['#b83a1e', '#336699']]) });
    expect(bodyHtml(blue, 'home')).toContain(file);
    expect(done(bound, bindDrawing(bound, 'boat', '#b83a1e', null)).assets).toEqual(site.assets);
  });
  it('counts as a place of its swatch, and a move of that changes it', () => {
    const ids = (of: Site) => placesOf(of, 'color.core.brand').map((place) => place.id);
    expect([ids(site).includes('b-boat/picture'), ids(bound).includes('b-boat/picture')]).toEqual([false, true]);
    const moved = done(bound, setSwatchColor(bound, 'brand', parseColor('#336699')!));
    expect(ripple(bound, moved).changed.map((place) => place.id)).toContain('b-boat/picture');
    expect(pageTree(site, 'home').places.find((place) => place.id === 'b-boat/picture')!.asset).toBe('boat');
  });
  it('goes to the replacement of a deleted swatch, or is as it was drawn', () => {
    expect(done(bound, removeSwatch(bound, 'brand', 'ink')).assets['boat']!.bound).toEqual({ '#b83a1e': 'ink' });
    expect(done(bound, removeSwatch(bound, 'brand', undefined)).assets['boat']!.bound).toBeUndefined();
    const { brand: _gone, ...swatches } = bound.brand.swatches;
    const without = done(bound, removeSwatch(bound, 'brand', 'ink')).brand;
    expect(Object.keys(swatches).sort()).toEqual(Object.keys(without.swatches).sort());
    expect(done(bound, takeBrand(bound, without, 'other')).assets['boat']!.bound).toBeUndefined();
  });
  it('refuses a swatch that is not there, and more than a drawing can follow', () => {
    expect(() => done(site, bindDrawing(site, 'boat', 'red', 'brand'))).toThrowError(/like #0e3b43/);
    const many = Object.fromEntries(Array.from({ length: 13 }, (_, i) => [`#0000${(i + 16).toString(16)}`, 'ink']));
    expect(() =>
      done(site, { label: '', ops: [{ op: 'set', at: ['assets', 'boat', 'bound'], value: many, was: undefined }] }),
    ).toThrowError(/at most 12/);
  });
});

describe('similar colours in pictures', () => {
  const old = swatchColor(site.brand, 'brand')!;
  const inDrawing = (of: Site) =>
    similarColors(of, 'brand', old, timesShown(of)).find((color) => color.kind === 'drawing');
  it('of a drawing are listed with their places, and go along by being bound', () => {
    expect(inDrawing(site)).toEqual(jasmine.objectContaining({ label: 'boat.svg: #b83a1e', places: 1, deltaE: 0 }));
    const after = done(site, decideSimilar(site, 'brand', inDrawing(site)!, 'along', old));
    expect(after.assets['boat']!.bound).toEqual({ '#b83a1e': 'brand' });
    expect(inDrawing(after)).toBeUndefined();
  });
  it('follow by a rule from where the two stood', () => {
    const near = done(site, {
      label: '',
      ops: [
        {
          op: 'set',
          at: ['assets', 'boat', 'colors'],
          value: [{ hex: '#a03018', share: 1 }],
          was: site.assets['boat']!.colors,
        },
      ],
    });
    const edit = deriveSimilar(near, 'brand', inDrawing(near)!, old, 'fresh');
    const after = applyChange(near, edit).site;
    checkTouched(near, after);
    expect(after.assets['boat']!.bound).toEqual({ '#a03018': 'fresh' });
    expect(hex(paintedRgb(swatchColor(after.brand, 'fresh')!))).toBe('#a03018');
  });
  it('made of pixels are out of reach, and say how much of the old colour they hold', () => {
    expect(beyondReach(site, old, timesShown(site))).toEqual([
      { asset: 'photo', name: 'photo.jpg', share: 0.7, places: 1 },
    ]);
    expect(beyondReach(site, parseColor('#00aa00')!.oklch, timesShown(site))).toEqual([]);
  });
});
