import fc from 'fast-check';
import { deltaERgb, parseColor, type Rgb8 } from '../color/index.ts';
import { sampleColor } from './sample.ts';
import {
  ALIKE,
  SIFT_WEIGHTS,
  costCurve,
  drops,
  bestTradeOff,
  mergeAlike,
  ranking,
  type RankedColor,
} from './ranking.ts';

const color = (id: string, hexText: string, more: Partial<RankedColor> = {}): RankedColor => ({
  id,
  rgb: parseColor(hexText)!.rgb,
  extent: 0.1,
  role: 'ornament',
  pieces: 1,
  places: 0,
  pairs: 0,
  locked: false,
  ...more,
});
const byte = fc.integer({ min: 0, max: 255 });
const anyColor = fc.record({
  rgb: fc.record({ r: byte, g: byte, b: byte, alpha: fc.constant(1) }),
  extent: fc.double({ min: 0, max: 1, noNaN: true }),
  role: fc.constantFrom('ground', 'text', 'signal', 'ornament'),
  pieces: fc.integer({ min: 0, max: 3 }),
  places: fc.integer({ min: 0, max: 500 }),
  pairs: fc.integer({ min: 0, max: 40 }),
  locked: fc.boolean(),
}) as fc.Arbitrary<Omit<RankedColor, 'id'>>;
const anyColors = fc
  .array(anyColor, { minLength: 1, maxLength: 14 })
  .map((list) => list.map((entry, i) => ({ ...entry, id: `c${i}` })));

describe('ranking', () => {
  it('has weights that add up to 100, and points that add up to the score, in whatever order the colours come', () => {
    expect(Object.values(SIFT_WEIGHTS).reduce<number>((sum, entry) => sum + entry, 0)).toBe(100);
    fc.assert(
      fc.property(anyColors, (colors) => {
        const order = ranking(colors, 3);
        expect(order.map((entry) => entry.color.id)).toEqual(
          ranking([...colors].reverse(), 3).map((entry) => entry.color.id),
        );
        for (const { score, parts } of order)
          expect(Object.values(parts).reduce((sum, part) => sum + part)).toBeCloseTo(score, 9);
        expect(order.every(({ score }) => score >= 0 && score <= 100)).toBeTrue();
      }),
    );
  });
  it('puts locked swatches first', () => {
    fc.assert(
      fc.property(anyColors, (colors) => {
        const locks = ranking(colors, 3).map((entry) => entry.color.locked);
        expect(locks.lastIndexOf(true)).toBeLessThan(locks.includes(false) ? locks.indexOf(false) : locks.length);
      }),
    );
  });
  it('prefers a signal in two pieces to an ornament close to it', () => {
    const order = ranking(
      [
        color('a', '#b83a1e', { role: 'signal', pieces: 2 }),
        color('b', '#b53c22'),
        color('c', '#0e3b43', { role: 'text' }),
      ],
      2,
    );
    expect(order.map((entry) => entry.color.id)).toEqual(['a', 'c', 'b']);
    expect(order[2]!.near!.id).toBe('a');
    expect(order[2]!.parts.apart).toBeLessThan(2);
  });

  it('names as replacement the nearest of the kept, by brute force', () => {
    fc.assert(
      fc.property(anyColors, fc.integer({ min: 1, max: 14 }), (colors, count) => {
        const kept = colors.slice(0, count);
        for (const drop of drops(colors, new Set(kept.map((entry) => entry.id)))) {
          const least = Math.min(...kept.map((entry) => deltaERgb(entry.rgb, drop.color.rgb)));
          expect(drop.deltaE).toBeCloseTo(least, 12);
          expect(deltaERgb(drop.replacement!.rgb, drop.color.rgb)).toBeCloseTo(least, 12);
        }
      }),
    );
  });
  it('has no replacement where nothing is kept', () => {
    expect(drops([color('a', '#123456')], new Set())).toEqual([
      { color: color('a', '#123456'), replacement: null, deltaE: Infinity },
    ]);
  });
  it('costs less the more is kept, and nothing when all is', () => {
    fc.assert(
      fc.property(anyColors, (colors) => {
        const costs = costCurve(ranking(colors, 3).map((entry) => entry.color));
        costs.forEach((cost, i) => expect(cost).toBeLessThanOrEqual((costs[i - 1] ?? Infinity) + 1e-9));
        expect(costs.at(-1)).toBeCloseTo(0, 9);
      }),
    );
  });
  it('marks the suggested size where the curve bends, and the end of a curve without one', () => {
    expect(bestTradeOff([100, 40, 8, 6, 4, 2, 0])).toBe(3);
    expect(bestTradeOff([5, 5])).toBe(2);
    expect(bestTradeOff([0, 0, 0])).toBe(3);
  });
  it('merges what nobody can tell apart under the one that paints most', () => {
    const groups = mergeAlike([
      color('seen', '#b83a1e', { extent: 0.5 }),
      color('brand', '#b83b1f', { places: 40 }),
      color('other', '#0e3b43'),
    ]);
    expect(groups.map((group) => [group.lead.id, group.all.map((entry) => entry.id)])).toEqual([
      ['brand', ['brand', 'seen']],
      ['other', ['other']],
    ]);
    for (const group of groups)
      for (const entry of group.all) expect(deltaERgb(group.lead.rgb, entry.rgb)).toBeLessThan(ALIKE);
  });
});

describe('sampling a picture', () => {
  const paint = (size: number, at: (x: number, y: number) => number[]) => {
    const data = new Uint8ClampedArray(size * size * 4);
    for (let y = 0; y < size; y++) for (let x = 0; x < size; x++) data.set(at(x, y), (y * size + x) * 4);
    return { width: size, height: size, data };
  };
  const rgb = (color: Rgb8 | undefined) => color && [color.r, color.g, color.b];

  it('takes the flat colour although single pixels are noise', () => {
    const noisy = paint(21, (x, y) => (x === 10 && y === 10 ? [255, 255, 255, 255] : [184, 58, 30, 255]));
    expect(rgb(sampleColor(noisy, 10, 10, 0))).toEqual([255, 255, 255]);
    expect(rgb(sampleColor(noisy, 10, 10, 4))).toEqual([184, 58, 30]);
  });
  it('takes the middle of a slope, and nothing outside or where it is see-through', () => {
    const slope = paint(21, (x) => [x * 10, x * 10, x * 10, x < 2 ? 0 : 255]);
    const [r] = rgb(sampleColor(slope, 10, 10, 3))!;
    expect(Math.abs(r! - 100)).toBeLessThanOrEqual(2);
    expect(sampleColor(slope, 0, 5, 1)).toBeUndefined();
    expect(sampleColor(slope, 50, 5, 3)).toBeUndefined();
  });
});
