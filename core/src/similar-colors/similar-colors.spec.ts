import { hex, paintedRgb, parseColor } from '../color/index.ts';
import { applyChange, checkTouched, planUndo, setValue, type Edit } from '../change/index.ts';
import { placesOf } from '../reach/index.ts';
import { type Site } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { swatchColor } from '../style/index.ts';
import { literal, smallSite } from '../testing/small-site.ts';
import { decideSimilar, deriveSimilar, similarColors, moveWithSimilar, timesShown } from './index.ts';

const done = (site: Site, edit: Edit): Site => {
  const after = applyChange(site, edit).site;
  checkTouched(site, after);
  return after;
};
/** A brick brand with a plain swatch, a raw role and a value on a place near to it, and others far away. */
const site = (() => {
  let now = readSite(
    smallSite([literal('near', 'h/text', 'color', '#b0402a'), literal('far', 'p/text', 'color', '#2255aa')]),
  );
  now = done(now, setValue(now, '', ['brand', 'swatches', 'dark', 'rule'], null));
  now = done(now, setValue(now, '', ['brand', 'swatches', 'dark', 'color'], parseColor('#7a2412')!.oklch));
  now = done(
    now,
    setValue(now, '', ['brand', 'grounds', 'pale', 'roles', 'secondary'], { kind: 'raw', color: '#c4553c' }),
  );
  return now;
})();
const old = swatchColor(site.brand, 'brand')!;
const colorOf = (of: Site, id: string) => hex(paintedRgb(swatchColor(of.brand, id)!));
const find = (of: Site, key: string) =>
  similarColors(of, 'brand', old, timesShown(of)).find((color) => color.key === key)!;

describe('similar colours of a swatch', () => {
  it('are what is close to what it was, nearest first, with their places', () => {
    const similar = similarColors(site, 'brand', old, timesShown(site));
    expect(similar.map((color) => color.key)).toEqual([
      'value:pages/home/overrides/near',
      'role:pale/secondary',
      'swatch:dark',
    ]);
    expect(similar.map((color) => color.deltaE)).toEqual(
      [...similar.map((color) => color.deltaE)].sort((value, other) => value - other),
    );
    expect(similar[2]!.places).toBe(placesOf(site, 'color.side.dark').length);
  });
  it('leave out what follows already, through a chain too', () => {
    const following = readSite(smallSite());
    expect(
      similarColors(following, 'brand', old, timesShown(following)).some((color) => color.key === 'swatch:dark'),
    ).toBeFalse();
  });
  it('of a grey are greys alone', () => {
    expect(similarColors(site, 'ink', swatchColor(site.brand, 'ink')!, timesShown(site)).length).toBe(0);
  });
  it('go along at once by as much as it has moved, then with every move, in one edit each', () => {
    const blue = { ...old, h: old.h + 200 };
    let now = done(site, moveWithSimilar(site, 'brand', { ...parseColor('#fff')!, typed: '', oklch: blue }));
    expect(colorOf(now, 'dark')).toBe('#7a2412');
    now = done(now, decideSimilar(now, 'brand', find(now, 'swatch:dark'), 'along', old));
    expect(swatchColor(now.brand, 'dark')!.h - swatchColor(site.brand, 'dark')!.h).toBeCloseTo(200, 6);
    const before = swatchColor(now.brand, 'dark')!;
    const edit = moveWithSimilar(now, 'brand', {
      ...parseColor('#fff')!,
      typed: '',
      oklch: { ...blue, l: blue.l - 0.1 },
    });
    expect(edit.label).toContain('with 1 similar colour');
    now = done(now, edit);
    expect(swatchColor(now.brand, 'dark')!.l).toBeCloseTo(before.l - 0.1, 6);
  });
  it('left as they are stay and are remembered so; locked ones never move', () => {
    let now = done(site, decideSimilar(site, 'brand', find(site, 'swatch:dark'), 'leave', old));
    expect(find(now, 'swatch:dark').decided).toBe('leave');
    now = done(now, setValue(now, '', ['brand', 'swatches', 'dark', 'locked'], true));
    now = done(now, decideSimilar(now, 'brand', find(now, 'swatch:dark'), 'along', old));
    now = done(now, moveWithSimilar(now, 'brand', parseColor('#2255aa')!));
    expect(colorOf(now, 'dark')).toBe('#7a2412');
  });
  it('raw colours move as they are written, or become a derived swatch that the place names', () => {
    const moved = done(site, moveWithSimilar(site, 'brand', parseColor('#2255aa')!));
    const role = done(moved, decideSimilar(moved, 'brand', find(moved, 'role:pale/secondary'), 'along', old)).brand
      .grounds['pale']!.roles['secondary']!;
    expect(role.kind === 'raw' && parseColor(role.color)!.oklch.h).toBeGreaterThan(200);
    const edit = deriveSimilar(moved, 'brand', find(moved, 'role:pale/secondary'), old, 'fresh');
    const applied = applyChange(moved, edit);
    expect(applyChange(applied.site, { ops: [...planUndo(applied.site, applied.inverse).ops] }).site).toEqual(moved);
    const derived = done(
      moved,
      deriveSimilar(moved, 'brand', find(moved, 'value:pages/home/overrides/near'), old, 'fresh'),
    );
    expect(derived.pages['home']!.overrides['near']!.value).toEqual({
      kind: 'token',
      path: 'color.derived.brand-similar',
    });
    expect(derived.brand.swatches['fresh']!.rule!.source).toBe('brand');
    const back = done(derived, moveWithSimilar(derived, 'brand', parseColor('#b83a1e')!));
    expect(colorOf(back, 'fresh')).toBe('#b0402a');
  });
});
