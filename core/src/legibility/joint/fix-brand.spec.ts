import fc from 'fast-check';
import { applyChange } from '../../change/index.ts';
import {
  contrastRatio,
  deltaERgb,
  luminance,
  mapToSrgb,
  paintedRgb,
  parseColor,
  type Rgb8,
} from '../../color/index.ts';
import { deriveColor } from '../../palette/index.ts';
import { placesOf } from '../../reach/index.ts';
import { type Site } from '../../site/index.ts';
import { readSite } from '../../document/index.ts';
import { swatchColor, swatchPath } from '../../style/index.ts';
import { smallSite } from '../../testing/small-site.ts';
import { occurringPairs, type PairLayer } from '../pairs.ts';
import { fixBrand, type JointFix } from './fix-brand.ts';

/** The small site with its swatches painted otherwise. */
function painted(colors: Readonly<Record<string, string>>, locked: readonly string[] = []): Site {
  const site = smallSite();
  for (const [id, color] of Object.entries(colors))
    Object.assign(site.brand.swatches[id]!, { color: parseColor(color)!.oklch, typed: color });
  for (const id of locked) site.brand.swatches[id]!.locked = true;
  return readSite(site);
}
const after = (site: Site, fix: JointFix) => applyChange(site, { ops: fix.moves.flatMap((move) => move.ops) }).site;
const failing = (site: Site) => occurringPairs(site).filter((pair) => pair.found !== null && pair.found < pair.needed);

const STEPS = 16;

/**
 * The least movement over every combination of lightnesses in sixteenths (and
 * the colours as they are), by trying them all; colours are worked out here
 * from the document, not by what is judged.
 */
function exhaustive(site: Site): number {
  const { brand } = site;
  const free = brand.swatchOrder.filter((id) => !brand.swatches[id]!.rule && !brand.swatches[id]!.locked);
  const pairs = occurringPairs(site);
  const options = free.map((id) => [
    brand.swatches[id]!.color,
    ...Array.from({ length: STEPS + 1 }, (_, i) => mapToSrgb({ ...brand.swatches[id]!.color, l: i / STEPS })),
  ]);
  const places = new Map(
    brand.swatchOrder.map((id) => [id, Math.max(1, placesOf(site, swatchPath(brand.swatches[id]!)).length)]),
  );
  const idOf = new Map(brand.swatchOrder.map((id) => [swatchPath(brand.swatches[id]!), id]));
  const was = new Map(brand.swatchOrder.map((id) => [id, paintedRgb(swatchColor(brand, id)!)]));
  let least = Infinity;
  const now = new Map<string, Rgb8>(was);
  // Black and white, where no swatch can be read, are no swatch and stay.
  const rgbOf = (layer: PairLayer) => now.get(idOf.get(layer.chain.at(-1)!) ?? '') ?? parseColor(layer.css)!.rgb;
  const wasOf = (layer: PairLayer) => was.get(idOf.get(layer.chain.at(-1)!) ?? '') ?? parseColor(layer.css)!.rgb;
  // Which of two colours is the light one stays, where that is seen.
  const keepsSide = (fore: PairLayer, behind: PairLayer) =>
    contrastRatio(wasOf(fore), wasOf(behind)) < 1.25 ||
    luminance(wasOf(fore)) > luminance(wasOf(behind)) === luminance(rgbOf(fore)) > luminance(rgbOf(behind));
  const judge = () => {
    for (const id of brand.swatchOrder) {
      const { rule } = brand.swatches[id]!;
      if (rule)
        now.set(id, paintedRgb(deriveColor(sources.get(rule.source) ?? brand.swatches[rule.source]!.color, rule)));
    }
    const cost = brand.swatchOrder.reduce(
      (sum, id) => sum + deltaERgb(was.get(id)!, now.get(id)!) * places.get(id)!,
      0,
    );
    if (
      cost < least &&
      pairs.every(
        (pair) =>
          pair.behind === null ||
          pair.fores.some(
            (fore) =>
              contrastRatio(rgbOf(fore), rgbOf(pair.behind![0]!)) >= pair.needed && keepsSide(fore, pair.behind![0]!),
          ),
      )
    )
      least = cost;
  };
  const sources = new Map<string, (typeof options)[number][number]>();
  const choose = (at: number): void => {
    if (at === free.length) return judge();
    for (const color of options[at]!) {
      sources.set(free[at]!, color);
      now.set(free[at]!, paintedRgb(color));
      choose(at + 1);
    }
  };
  choose(0);
  return least;
}

describe('fixing a whole brand', () => {
  it('moves nothing where everything can be read', () => {
    expect(fixBrand(readSite(smallSite()))).toEqual({ moves: [], conflicts: [], movement: 0, fixed: 0 });
  });

  it('names of two colours that stay only the pairs that ask too much of them', () => {
    const site = painted({ brand: '#c4624a' }, ['white', 'brand', 'ink']);
    const { conflicts } = fixBrand(site);
    expect(conflicts.length).toBeGreaterThan(0);
    for (const pair of conflicts.flatMap((conflict) => conflict.pairs))
      expect(pair.found!).withContext(`${pair.rule} ${pair.style}`).toBeLessThan(pair.needed);
    // The same two colours meet in large headings, where they are enough.
    expect(
      occurringPairs(site).some(
        (pair) => pair.needed === 3 && pair.fores[0]!.chain.at(-1) === 'color.core.brand' && pair.found! > 3,
      ),
    ).toBeTrue();
  });

  it('makes every pair hold, with the locked swatches where they were', () => {
    const site = painted({ brand: '#d98a70', ink: '#8a8a8a' }, ['white']);
    const fix = fixBrand(site);
    expect(fix.conflicts).toEqual([]);
    const fixed = after(site, fix);
    expect(failing(fixed)).toEqual([]);
    expect(fixed.brand.swatches['white']!.color).toEqual(site.brand.swatches['white']!.color);
    expect(fix.fixed).toBe(failing(site).length);
  });

  it('is never more than 2 % above the best of all combinations on the stated lattice', () => {
    const hexes = fc
      .tuple(fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }))
      .map(([r, g, b]) => `#${[r, g, b].map((value) => value.toString(16).padStart(2, '0')).join('')}`);
    fc.assert(
      fc.property(
        hexes,
        hexes,
        hexes,
        fc.constantFrom<readonly string[]>([], ['white'], ['ink'], ['brand']),
        (white, ink, brand, locked) => {
          const site = painted({ white, ink, brand }, locked);
          const best = exhaustive(site);
          const fix = fixBrand(site);
          if (best < Infinity) {
            expect(fix.conflicts).withContext(`${white} ${ink} ${brand} ${locked.join()}`).toEqual([]);
            expect(fix.movement)
              .withContext(`${white} ${ink} ${brand} ${locked.join()}`)
              .toBeLessThanOrEqual(best * 1.02 + 1e-9);
            expect(failing(after(site, fix))).toEqual([]);
            // Between the coarse steps there may still be a way: then it must be one.
          } else if (fix.conflicts.length === 0) expect(failing(after(site, fix))).toEqual([]);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('names in words what cannot hold while the locks stand, and fixes the rest', () => {
    const site = painted({ white: '#ffffff', ink: '#999999', brand: '#eeaa99' }, ['white', 'ink']);
    const fix = fixBrand(site);
    expect(fix.conflicts.length).toBeGreaterThan(0);
    expect(fix.conflicts.map((conflict) => conflict.words).join(' ')).toMatch(
      /Body text on Pale against white \(needs 4\.5\)/,
    );
    expect(fix.moves.map((move) => move.swatch)).toEqual(['brand']);
    const left = new Set(
      fix.conflicts.flatMap((conflict) =>
        conflict.pairs.map((pair) => `${pair.rule} ${pair.fores[0]!.chain[0]} ${pair.behind![0]!.chain[0]}`),
      ),
    );
    expect(
      failing(after(site, fix)).every((pair) =>
        left.has(`${pair.rule} ${pair.fores[0]!.chain[0]} ${pair.behind![0]!.chain[0]}`),
      ),
    ).toBeTrue();
  });

  it('gives the same answer every time', () => {
    const site = painted({ brand: '#d98a70', ink: '#8a8a8a' });
    expect(fixBrand(site)).toEqual(fixBrand(painted({ brand: '#d98a70', ink: '#8a8a8a' })));
  });

  it('moves raw values in roles as well', () => {
    const site = smallSite();
    site.brand.grounds['pale']!.roles['text'] = { kind: 'raw', color: '#aaaaaa' };
    const read = readSite(site);
    const fix = fixBrand(read, new Set(['white', 'ink', 'brand']));
    expect(fix.moves.map((move) => move.label)).toEqual(['Body text on Pale']);
    expect(failing(after(read, fix))).toEqual([]);
  });

  it('Trial 9: keeps which side is light, and says what cannot hold as causes, with the change that frees each', () => {
    // Both texts on them would be read if white turned dark; it is the light side, and stays it.
    const site = painted({ white: '#ffffff', ink: '#8a8a8a', brand: '#eeaa99' }, ['ink', 'brand']);
    const fix = fixBrand(site);
    expect(fix.moves.filter((move) => move.swatch === 'white' && luminance(parseColor(move.to)!.rgb) < 0.5)).toEqual(
      [],
    );
    // One sentence for all that hangs on the same colours, however many pairs that is.
    expect(fix.conflicts.length).toBeLessThanOrEqual(3);
    expect(fix.conflicts.some((conflict) => conflict.pairs.length > 3)).toBeTrue();
    const words = fix.conflicts.map((conflict) => conflict.words).join('\n');
    expect(words).toMatch(/^While ink is locked, these pairs cannot pass: .*\. Unlock ink to fix all of these\.$/m);
    expect(words).toMatch(/primary label on Pale against/i);
    // The proposed way out really frees the pairs.
    const freed = fixBrand(painted({ white: '#ffffff', ink: '#8a8a8a', brand: '#eeaa99' }));
    expect(freed.conflicts).toEqual([]);
  });
  it('Trial 9: tries a bounded number of ways, and tells how far it is', () => {
    const seen: number[] = [];
    fixBrand(
      painted({ white: '#ffffff', ink: '#999999', brand: '#eeaa99' }, ['white']),
      new Set(),
      undefined,
      (done, of) => seen.push(done / of),
    );
    expect(seen.at(-1)).toBe(1);
    expect(seen.every((share, i) => share >= (seen[i - 1] ?? 0) && share <= 1)).toBeTrue();
  });
});
