import { candidates, type Source } from '@yohaku/core';
import { small } from '../../testing/small.ts';
import { rankingOrder } from './ranking-order.ts';

const site = small();
const logo: Source = {
  id: 'logo',
  name: 'logo',
  kind: 'picture',
  facts: '',
  notes: [],
  size: null,
  lines: [],
  colors: [
    ['#b83a1e', 0.5, 'signal'],
    ['#2a7f62', 0.3, 'signal'],
    ['#2c8063', 0.1, 'ornament'],
    ['#e8d9a0', 0.1, 'ground'],
  ].map(([hex, share, role]) => ({
    hex: hex as string,
    typed: hex as string,
    share: share as number,
    uses: null,
    role: role as 'signal',
    why: 'seen',
    spots: [],
  })),
};
const colors = candidates(site, [logo]);
const ids = (list: readonly { color: { id: string } }[]) => list.map((entry) => entry.color.id);

describe('the ranking', () => {
  it('keeps every swatch there is until a number is wanted', () => {
    const { kept, dropped, bestTradeOff } = rankingOrder(colors, [logo], null, {});
    expect(kept.filter((entry) => entry.color.swatch !== null).length).toBe(4);
    expect(dropped.every((entry) => entry.color.swatch === null)).toBeTrue();
    expect(bestTradeOff).toBeGreaterThan(0);
  });
  it('keeps exactly as many as are wanted, the best of the order, and names an replacement for each other one', () => {
    for (let count = 1; count <= colors.length; count++) {
      const { kept, dropped, costs, cost } = rankingOrder(colors, [logo], count, {});
      expect([kept.length, dropped.length]).toEqual([count, colors.length - count]);
      expect(cost).toBeCloseTo(costs[count - 1]!, 9);
      for (const { drop } of dropped) expect(ids(kept)).toContain(drop.replacement!.id);
    }
  });
  it('keeps and leaves on purpose whatever the score says, locked ones always', () => {
    const worst = rankingOrder(colors, [logo], 2, {}).dropped.at(-1)!.color.id;
    const best = rankingOrder(colors, [logo], 2, {}).kept[0]!.color.id;
    const chosen = rankingOrder(colors, [logo], 2, { [worst]: { keep: true }, [best]: { keep: false } });
    expect(ids(chosen.kept)).toContain(worst);
    expect(ids(chosen.kept)).not.toContain(best);
    const locked = colors.map((color) => (color.id === best ? { ...color, locked: true } : color));
    expect(ids(rankingOrder(locked, [logo], 1, { [best]: { keep: false } }).kept)).toEqual([best]);
  });
});
