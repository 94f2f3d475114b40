import { hanging } from './hanging.ts';

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
