import {
  applyChange,
  checkTouched,
  addCorner,
  addShadow,
  addSize,
  addSpace,
  addVariant,
  buttonUses,
  planUndo,
  readCorner,
  readShadow,
  removeButtonPart,
  removeCorner,
  removeShadow,
  removeSpace,
  removeSwatch,
  setCorner,
  setCornerOf,
  setEdge,
  setOp,
  setRadius,
  setSpaceAt,
  setValue,
  setVariantShape,
  spaceUses,
  type Edit,
} from './index.ts';
import { tokensCss, tokenTable, resolveToken } from '../style/index.ts';
import { stylesCss } from '../render/index.ts';
import { pixelsAt, placesOf, siteIndex } from '../reach/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { type Site } from '../site/index.ts';
import { readSite } from '../document/index.ts';

const done = (site: Site, ...edits: (Edit | undefined)[]): Site =>
  edits.reduce<Site>((now, edit) => applyChange(now, edit!).site, site);
const token = (site: Site, path: string) => resolveToken(tokenTable(site.brand), path).css;

describe('shape', () => {
  it('reads corners and shadows as they are typed, and says what is none', () => {
    expect(readCorner('8')).toEqual({ kind: 'px', radii: [8] });
    expect(readCorner('8px 2 8 2')).toEqual({ kind: 'px', radii: [8, 2, 8, 2] });
    expect(readCorner(' 50 % ')).toEqual({ kind: 'share', share: 0.5 });
    for (const [bad, why] of [
      ['', 'is not a corner'],
      ['1 2', 'is not a corner'],
      ['-1', '0 to 100'],
      ['1e999', '0 to 100'],
      ['60 %', 'at most 50 %'],
      ['soft', '0 to 100'],
    ])
      expect(readCorner(bad!)).toMatch(why!);
    expect(readShadow('0 2 8')).toEqual({ x: 0, y: 2, blur: 8, spread: 0 });
    for (const bad of ['', '4', '0 2 -8', '0 0 0 0 0', '0 999', 'NaN 2'])
      expect(typeof readShadow(bad))
        .withContext(bad)
        .toBe('string');
  });

  it('shapes all that have a named corner at once, and leaves them its radius when it goes', () => {
    const named = done(smallSite(), addCorner(smallSite(), 'soft', { kind: 'px', radii: [12] }));
    const shaped = done(named, setCornerOf(named, 'button', 'soft'));
    const both = done(shaped, setCornerOf(shaped, 'card', 'soft'));
    const pulled = done(both, setRadius(both, 'button', 20));
    expect([token(pulled, 'corner.button'), token(pulled, 'corner.card'), token(pulled, 'corner.picture')]).toEqual([
      '20px',
      '20px',
      '0px',
    ]);
    expect(placesOf(pulled, 'radius.corner').length).toBeGreaterThan(placesOf(pulled, 'corner.button').length - 1);
    const gone = done(pulled, removeCorner(pulled, 'soft'));
    expect(gone.brand.corners).toEqual({ button: 20, card: 20, picture: 0, field: 2 });
    expect(gone.brand.cornerList).toBeUndefined();
  });

  it('takes a share of the height of what is one line high, and of nothing else', () => {
    const site = done(smallSite(), addCorner(smallSite(), 'round', { kind: 'share', share: 0.5 }));
    expect(setCornerOf(site, 'card', 'round')).toBeUndefined();
    const round = done(site, setCornerOf(site, 'button', 'round'));
    expect(stylesCss(round)).toContain('border-radius: calc(var(--corner-button) * var(--high))');
    const group = siteIndex(round).groups.find((entry) => entry.kind === 'button')!;
    const px = (property: 'line-height' | 'padding-block' | 'border-width' | 'border-radius') =>
      pixelsAt(tokenTable(round.brand), group.painting, property, 'rest', 1280)!;
    expect(px('border-radius')).toBeCloseTo(
      (px('line-height') + 2 * (px('padding-block') + px('border-width'))) / 2,
      6,
    );
    const px8 = done(round, setCorner(round, 'round', { kind: 'px', radii: [8] }));
    const onCards = done(px8, setCornerOf(px8, 'card', 'round'));
    expect(setCorner(onCards, 'round', { kind: 'share', share: 0.2 })).toBeUndefined();
    const check = (before: Site, at: string[], value: unknown) => () =>
      checkTouched(before, applyChange(before, setValue(before, '', at, value)).site);
    expect(
      check(onCards, ['brand', 'cornerList', 'items', 'round', 'value'], { kind: 'share', share: 0.2 }),
    ).toThrowError(/works only on single-line elements; cards and images use this corner/);
    expect(check(round, ['brand', 'corners', 'field'], 'nobody')).toThrowError(/nobody/);
    expect(check(round, ['brand', 'cornerList', 'items', 'round', 'value'], { kind: 'px', radii: [1, 2] })).toThrow();
  });

  it('widens edges from what they plainly are, and back', () => {
    const site = smallSite();
    const edit = setEdge(site, 'card', 3);
    const edged = applyChange(site, edit);
    expect([
      token(site, 'edge.button'),
      token(site, 'edge.card'),
      token(edged.site, 'edge.card'),
      token(edged.site, 'edge.field'),
    ]).toEqual(['2px', '0px', '3px', '1px']);
    const undone = applyChange(edged.site, { ops: planUndo(edged.site, edged.inverse).ops }).site;
    expect(undone.brand.edges).toEqual(site.brand.edges);
    // A brand from before there were edges has the plain ones.
    const { edges: _edges, underline: _underline, ...old } = site.brand;
    expect(readSite({ ...site, brand: old }).brand).toEqual(site.brand);
  });

  it('casts a shadow in its swatch as that is painted, and follows it', () => {
    const site = done(smallSite(), addShadow(smallSite(), 'lift'));
    const cast = done(site, setValue(site, '', ['brand', 'shadows', 'uses', 'card'], 'lift'));
    expect(stylesCss(cast)).toMatch(/\.corner--card \{[^}]*box-shadow: var\(--shadow-shadow\)/);
    expect(stylesCss(site)).not.toContain('box-shadow: var(');
    const { color } = cast.brand.shadows!.items['lift']!;
    const table = tokenTable(cast.brand);
    expect(table.get('shadow.shadow')!.follows).toEqual([`color.${cast.brand.swatches[color]!.part}.${color}`]);
    const replacement = cast.brand.swatchOrder.find((id) => id !== color)!;
    expect(done(cast, removeSwatch(cast, color, replacement)).brand.shadows!.items['lift']!.color).toBe(replacement);
    expect(done(cast, removeShadow(cast, 'lift')).brand.shadows).toBeUndefined();
    expect(tokensCss(cast.brand)).toMatch(/--shadow-shadow: 0px 2px 8px 0px (rgb|#)/);
  });
});

describe('the shape of one variant', () => {
  const variant = smallSite().brand.variantOrder[0]!;
  const group = (site: Site) => siteIndex(site).groups.find((entry) => entry.kind === 'button')!;
  const px = (site: Site, property: 'border-width' | 'border-radius' | 'line-height' | 'padding-block') =>
    pixelsAt(tokenTable(site.brand), group(site).painting, property, 'rest', 1280)!;

  it('stands before that of all buttons, part by part, and gives way again', () => {
    const site = smallSite();
    const own = done(site, setVariantShape(site, [variant], 'corner', 17));
    expect([px(own, 'border-radius'), px(own, 'border-width')]).toEqual([17, px(site, 'border-width')]);
    expect(placesOf(own, `button.${variant}.corner`).length).toBe(placesOf(site, 'corner.button').length);
    expect(placesOf(own, 'corner.button').length).toBe(0);
    const edged = done(own, setVariantShape(own, [variant], 'edge', 5));
    expect([px(edged, 'border-radius'), px(edged, 'border-width')]).toEqual([17, 5]);
    expect(stylesCss(edged)).toContain(`border-radius: var(--button-${variant}-corner)`);
    const half = done(edged, setVariantShape(edged, [variant], 'corner', undefined));
    expect(half.brand.variants[variant]!.shape).toEqual({ edge: 5 });
    expect(done(half, setVariantShape(half, [variant], 'edge', undefined)).brand).toEqual(site.brand);
  });

  it('is set for several in one act, which one undo takes back, and goes to what is made like it', () => {
    const site = done(smallSite(), addVariant(smallSite(), variant, 'other'));
    const both = applyChange(site, setVariantShape(site, [variant, 'other'], 'edge', 3));
    expect(
      Object.values(both.site.brand.variants)
        .filter(({ shape }) => shape?.edge === 3)
        .map(({ id }) => id)
        .sort(),
    ).toEqual([variant, 'other'].sort());
    expect(applyChange(both.site, { ops: planUndo(both.site, both.inverse).ops }).site.brand).toEqual(site.brand);
    expect(done(both.site, addVariant(both.site, 'other', 'third')).brand.variants['third']!.shape).toEqual({
      edge: 3,
    });
  });

  it('takes a share of its own height, with its own edge', () => {
    const site = done(smallSite(), addCorner(smallSite(), 'round', { kind: 'share', share: 0.5 }));
    const own = done(
      site,
      setVariantShape(site, [variant], 'corner', 'round'),
      setVariantShape(site, [variant], 'corner', 'round'),
    );
    const thick = done(own, setVariantShape(own, [variant], 'edge', 6));
    expect(px(thick, 'border-radius')).toBeCloseTo(
      (px(thick, 'line-height') + 2 * (px(thick, 'padding-block') + 6)) / 2,
      6,
    );
    expect(stylesCss(thick)).toContain(`--own-edge: var(--button-${variant}-edge)`);
    // The name of the corner goes; its radius stays.
    const named = done(thick, setCorner(thick, 'round', { kind: 'px', radii: [9] }));
    expect(done(named, removeCorner(named, 'round')).brand.variants[variant]!.shape).toEqual({ corner: 9, edge: 6 });
  });

  it('can have no shadow where all buttons have one, and none that is not there', () => {
    const site = done(smallSite(), addShadow(smallSite(), 'lift'));
    const cast = done(site, setValue(site, '', ['brand', 'shadows', 'uses', 'button'], 'lift'));
    const none = done(cast, setVariantShape(cast, [variant], 'shadow', null));
    expect(token(none, `button.${variant}.shadow`)).toBe('none');
    const other = done(site, setVariantShape(site, [variant], 'shadow', 'lift'));
    expect(resolveToken(tokenTable(other.brand), `button.${variant}.shadow`).chain).toEqual([
      `button.${variant}.shadow`,
      'shadow.shadow',
    ]);
    expect(done(other, removeShadow(other, 'lift')).brand.variants[variant]!.shape).toEqual({ shadow: null });
    for (const [part, value] of [
      ['corner', 'nobody'],
      ['shadow', 'nobody'],
      ['edge', -1],
      ['corner', 1e4],
    ] as const)
      expect(() =>
        checkTouched(
          site,
          applyChange(site, setValue(site, '', ['brand', 'variants', variant, 'shape'], { [part]: value })).site,
        ),
      )
        .withContext(`${part} ${value}`)
        .toThrow();
  });
});

describe('button variants and sizes', () => {
  it('are added like another one, and leave only with something in their place', () => {
    const site = smallSite();
    const [variant] = site.brand.variantOrder;
    const [size] = site.brand.sizeOrder;
    const more = done(site, addVariant(site, variant!, 'other'));
    const big = done(more, addSize(more, size!, 'big'));
    for (const state of ['rest', 'hover'] as const)
      for (const ground of Object.values(big.brand.grounds))
        expect(token(big, `background.${ground.path}.button.${big.brand.variants['other']!.path}.fill.${state}`)).toBe(
          token(big, `background.${ground.path}.button.${big.brand.variants[variant!]!.path}.fill.${state}`),
        );
    expect(buttonUses(big, 'variant', variant!).length).toBeGreaterThan(0);
    expect(removeButtonPart(big, 'variant', variant!)).toBeUndefined();
    expect(removeButtonPart(big, 'variant', variant!, variant)).toBeUndefined();
    const left = done(big, removeButtonPart(big, 'variant', variant!, 'other'));
    expect([left.brand.variantOrder.includes(variant!), buttonUses(left, 'variant', 'other').length]).toEqual([
      false,
      buttonUses(big, 'variant', variant!).length,
    ]);
    expect(done(left, removeButtonPart(left, 'size', 'big')).brand.sizes).toEqual(site.brand.sizes);
    expect(removeButtonPart(site, 'size', size!)).toBeUndefined();
  });
});

describe('spaces', () => {
  it('are named, and a width without its own takes the next wider one, down to the page', () => {
    const site = smallSite();
    const unset = done(site, setSpaceAt(site, 'even', 'tablet', null));
    const both = done(unset, setSpaceAt(unset, 'even', 'phone', null));
    const wide = done(both, setValue(both, '', ['brand', 'spaces', 'even', 'values', 'desktop'], 99));
    expect(['phone', 'tablet', 'desktop'].map((band) => token(wide, `space.even.${band}`))).toEqual([
      '99px',
      '99px',
      '99px',
    ]);
    expect(tokensCss(wide.brand)).toContain('--space-even-phone: var(--space-even-tablet)');
    expect(placesOf(wide, 'space.even.phone')).toEqual(placesOf(site, 'space.even.phone'));
    expect(setSpaceAt(site, 'even', 'desktop', null)).toBeUndefined();
  });

  it('leave only with another padding in their place; those of one fixed use stay', () => {
    const site = smallSite();
    expect(removeSpace(site, 'even')).toBeUndefined();
    const two = done(site, addSpace(site, 'even', 'wide'));
    expect(spaceUses(two, 'even').length).toBeGreaterThan(0);
    expect([removeSpace(two, 'even'), removeSpace(two, 'even', 'gutter'), removeSpace(two, 'gutter', 'wide')]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    const moved = done(two, removeSpace(two, 'even', 'wide'));
    expect([moved.brand.spaces['even'], spaceUses(moved, 'wide').length]).toEqual([
      undefined,
      spaceUses(two, 'even').length,
    ]);
    expect(
      applyChange(two, { label: '', ops: [setOp(two, ['brand', 'spaces', 'wide', 'label'], 'Wide')] } as Edit).site
        .brand.spaces['wide']!.label,
    ).toBe('Wide');
  });
});
