import * as fc from 'fast-check';
import { contrastRatio, parseColor } from '../color/index.ts';
import { applyChange, setRole, setSwatchColor, setValue, followSwatch } from '../change/index.ts';
import { readSite } from '../document/index.ts';
import { colorOf } from '../reach/index.ts';
import { smallSite } from '../testing/small-site.ts';
import {
  allRecipes,
  changedProperties,
  customProperty,
  declarationsOf,
  recipeClass,
  resolveToken,
  resolvedSwatches,
  swatchPath,
  tokenTable,
  withFollowers,
} from './index.ts';

const site = readSite(smallSite());
const table = tokenTable(site.brand);

describe('tokens', () => {
  it('come to a literal in the end, through aliases that are all there', () => {
    for (const path of table.keys()) {
      const { css, chain } = resolveToken(table, path);
      expect(css).withContext(path).not.toBe('');
      expect(chain[0]).toBe(path);
      expect(chain.every((name) => table.has(name))).toBeTrue();
    }
  });
  it('are the same table for the same brand', () => {
    expect(tokenTable(site.brand)).toBe(table);
  });
  it('say where they are set, so that an edit finds its way back', () => {
    for (const token of table.values())
      if (token.address) expect(token.address[0]).withContext(token.path).toBe('brand');
    expect(table.get('corner.button')!.address).toEqual(['brand', 'corners', 'button']);
  });
  it('choose by themselves the core swatch with the highest contrast', () => {
    fc.assert(
      fc.property(fc.constantFrom('#ffffff', '#222222', '#b83a1e', '#808080', '#f0e0c0'), (background) => {
        const changed = applyChange(
          site,
          setRole(
            applyChange(site, setRole(site, 'pale', 'background', { kind: 'raw', color: background })).site,
            'pale',
            'text',
            { kind: 'readable' },
          ),
        ).site;
        const based = applyChange(
          changed,
          setRole(changed, 'pale', 'background', { kind: 'raw', color: background }),
        ).site;
        const chosen = colorOf(resolveToken(tokenTable(based.brand), 'background.pale.text').css)!;
        const ground = parseColor(background)!.rgb;
        return resolvedSwatches(based.brand)
          .filter(({ swatch }) => swatch.part === 'core' && !swatch.rule)
          .every(({ rgb }) => contrastRatio(rgb, ground) <= contrastRatio(chosen, ground) + 1e-9);
      }),
    );
  });
  it('take, where a role says so, the hue of a swatch at a contrast on the background, and follow both', () => {
    const made = applyChange(site, setRole(site, 'deep', 'text', { kind: 'contrast', swatch: 'brand', ratio: 7 })).site;
    const text = (of: typeof site) => parseColor(resolveToken(tokenTable(of.brand), 'background.deep.text').css)!;
    const ground = (of: typeof site) =>
      parseColor(resolveToken(tokenTable(of.brand), 'background.deep.background').css)!.rgb;
    expect(contrastRatio(text(made).rgb, ground(made))).toBeGreaterThanOrEqual(7);
    expect(contrastRatio(text(made).rgb, ground(made))).toBeLessThan(7.3);
    expect(Math.abs(text(made).oklch.h - parseColor('#b83a1e')!.oklch.h)).toBeLessThan(4);
    const paler = applyChange(made, setRole(made, 'deep', 'background', { kind: 'raw', color: '#f4f4f4' })).site;
    expect(contrastRatio(text(paler).rgb, ground(paler))).toBeGreaterThanOrEqual(7);
    const blue = applyChange(made, setSwatchColor(made, 'brand', parseColor('#0044cc')!)).site;
    expect(Math.abs(text(blue).oklch.h - parseColor('#0044cc')!.oklch.h)).toBeLessThan(8);
  });
  it('follow their source by a rule, through a chain', () => {
    const chained = applyChange(site, followSwatch(site, 'ink', 'dark')).site;
    const before = resolvedSwatches(chained.brand).find(({ swatch }) => swatch.id === 'ink')!;
    const after = resolvedSwatches(
      applyChange(chained, setSwatchColor(chained, 'brand', parseColor('#2255aa')!)).site.brand,
    ).find(({ swatch }) => swatch.id === 'ink')!;
    expect(before.rgb).toEqual(parseColor('#222222')!.rgb);
    expect(after.rgb).not.toEqual(before.rgb);
    expect(swatchPath(after.swatch)).toBe('color.derived.ink');
  });
  it('paint a typed notation as exactly that, until the colour moves on', () => {
    const typed = applyChange(site, setSwatchColor(site, 'brand', parseColor('hsl(200 50% 40%)')!)).site;
    expect(resolvedSwatches(typed.brand)[2]!.rgb).toEqual(parseColor('hsl(200 50% 40%)')!.rgb);
    const moved = applyChange(typed, setValue(typed, '', ['brand', 'swatches', 'brand', 'color', 'l'], 0.3)).site;
    expect(resolvedSwatches(moved.brand)[2]!.rgb).not.toEqual(parseColor('hsl(200 50% 40%)')!.rgb);
  });
  it('differ by exactly the lines that differ', () => {
    const after = applyChange(site, setValue(site, '', ['brand', 'spaces', 'even', 'values', 'phone'], 77)).site;
    expect([...changedProperties(site.brand, after.brand)]).toEqual([['--space-even-phone', '77px']]);
    expect(changedProperties(site.brand, site.brand).size).toBe(0);
  });
  it('are the same whether they were kept from before an edit or made anew, whatever colour or name was changed', () => {
    let now = site;
    const ground = site.brand.groundOrder[0]!;
    const edits = (of: typeof site) => [
      setSwatchColor(of, 'brand', parseColor('#ffe000')!),
      setSwatchColor(of, of.brand.swatchOrder[0]!, parseColor('#101010')!),
      setValue(of, '', ['brand', 'grounds', ground, 'roles', 'heading'], {
        kind: 'contrast',
        swatch: 'brand',
        ratio: 7,
      }),
      setSwatchColor(of, 'brand', parseColor('#0040a0')!),
      setValue(of, '', ['brand', 'variants', of.brand.variantOrder[0]!, 'label'], 'Renamed'),
      setSwatchColor(of, of.brand.swatchOrder[0]!, parseColor('#fafafa')!),
    ];
    edits(site).forEach((_, i) => {
      tokenTable(now.brand);
      now = applyChange(now, edits(now)[i]!).site;
      expect([...tokenTable(now.brand).values()]).toEqual([...tokenTable(structuredClone(now.brand)).values()]);
    });
    expect([...tokenTable(now.brand).values()].some((token) => token.label.startsWith('Renamed'))).toBeTrue();
  });
  it('are found with all that points to them: the roles of backgrounds of a swatch, and the roles that are the same as those', () => {
    const { brand } = applyChange(site, setSwatchColor(site, 'brand', parseColor('#2255aa')!)).site;
    const changed = changedProperties(site.brand, brand);
    const all = withFollowers(brand, changed);
    for (const [property, value] of changed) expect(all.get(property)).toBe(value);
    const table = tokenTable(brand);
    for (const token of table.values()) {
      const { chain } = resolveToken(table, token.path);
      expect(all.has(customProperty(token.path)))
        .withContext(token.path)
        .toBe(chain.some((path) => changed.has(customProperty(path))));
    }
    expect(all.size).toBeGreaterThan(changed.size);
    expect(withFollowers(brand, new Map()).size).toBe(0);
  });
});

describe('recipes', () => {
  it('name only tokens that there are, and have classes of their own', () => {
    const names = allRecipes(site.brand);
    expect(new Set(names.map(recipeClass)).size).toBe(names.length);
    for (const recipe of names)
      for (const { token } of declarationsOf(site.brand, recipe))
        expect(table.has(token)).withContext(`${recipe} ${token}`).toBeTrue();
  });
  it('leave no token of a background, style, corner or space without a recipe that paints it', () => {
    const painted = new Set(
      allRecipes(site.brand).flatMap((recipe) =>
        declarationsOf(site.brand, recipe).map((declaration) => declaration.token),
      ),
    );
    for (const path of table.keys())
      if (/^(ground|text|corner|space|button)\./.test(path)) expect(painted.has(path)).withContext(path).toBeTrue();
  });
  it('give a token’s path its custom property', () => {
    expect(customProperty('color.core.funnel')).toBe('--color-core-funnel');
  });
});
