import { hanging, NONE_HUNG, oneFrameOn, type Hung } from './hanging.ts';

const order = Array.from({ length: 100 }, (_, i) => `p${i}`);
const set = (...at: number[]) => new Set(at.map((i) => `p${i}`));

describe('which pages have frames', () => {
  it('all of them on a small site, and the very same set as long as they are the same', () => {
    const small = order.slice(0, 9);
    const all = hanging(small, new Set(), new Set(), null);
    expect([...all]).toEqual(small);
    expect(hanging(small, all, set(3), 'p2')).toBe(all);
  });
  it('the first ones to begin with, then what comes near; the farthest go, the grown one stays', () => {
    const first = hanging(order, new Set(), new Set(), null, 5);
    expect([...first].sort()).toEqual([...set(0, 1, 2, 3, 4)].sort());
    const moved = hanging(order, first, set(3, 4, 5, 6), 'p0', 5);
    expect(moved).toEqual(set(0, 3, 4, 5, 6));
    expect(hanging(order, moved, set(4, 5), 'p0', 5)).toBe(moved);
  });
  it('no more than may be, however many come near, and none that is gone', () => {
    expect(hanging(order, set(50), new Set(order), null, 7).size).toBe(7);
    expect(hanging(order, new Set(['gone', 'p1']), set(2), null, 5)).toEqual(set(1, 2));
  });
});

describe('what hangs is filled and taken away frame by frame', () => {
  const ids = (...at: number[]) => at.map((i) => `p${i}`);
  /** Every state on the way to what shall hang. */
  const way = (from: Hung, shall: string[], kept: string | null = null): Hung[] => {
    const all = [from];
    for (let now = oneFrameOn(from, shall, kept); now !== all.at(-1); now = oneFrameOn(now, shall, kept)) all.push(now);
    return all;
  };
  const both = (...at: number[]): Hung => ({ wide: set(...at), narrow: set(...at) });

  it('all at once where nothing hangs yet, and frame by frame where all that hangs is far off', () => {
    expect(oneFrameOn(NONE_HUNG, ids(0, 1, 2))).toEqual(both(0, 1, 2));
    expect(way(both(0, 1), ids(50, 51)).length).toBe(1 + 8);
    expect(way(both(0, 1), ids(50, 51)).at(-1)).toEqual(both(50, 51));
    expect(oneFrameOn(NONE_HUNG, [])).toBe(NONE_HUNG);
  });
  it('one frame a turn, the most wanted page first and whole, and never more frames than shall be', () => {
    const turns = way(both(0, 1, 2, 3), ids(5, 4, 3, 2));
    expect(turns.at(-1)).toEqual(both(2, 3, 4, 5));
    for (const [i, turn] of turns.entries()) {
      const count = turn.wide.size + turn.narrow.size;
      expect(count).toBeLessThanOrEqual(8);
      if (i > 0) expect(Math.abs(count - turns[i - 1]!.wide.size - turns[i - 1]!.narrow.size)).toBe(1);
      if (turn.wide.has('p4')) expect(turn.narrow.has('p5')).toBeTrue();
    }
  });
  it('the page in hand at both widths at once', () => {
    const [, first] = way(both(0, 1, 2), ids(0, 1, 9), 'p9');
    expect(first!.wide.has('p9') && first!.narrow.has('p9')).toBeTrue();
    expect(way(both(0, 1, 2), ids(0, 1, 9), 'p9').at(-1)).toEqual(both(0, 1, 9));
  });
});
