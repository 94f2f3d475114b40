import fc from 'fast-check';
import { MinCut, UNCUTTABLE } from './min-cut.ts';

/** The cheapest cut by trying every side for every node. */
function bruteForce(nodes: number, edges: readonly (readonly [number, number, number])[]): number {
  let best = Infinity;
  for (let sides = 0; sides < 2 ** nodes; sides++) {
    const source = (node: number) => node === 0 || (node !== 1 && ((sides >> (node - 2)) & 1) === 1);
    best = Math.min(
      best,
      edges.reduce((sum, [from, to, capacity]) => (source(from) && !source(to) ? sum + capacity : sum), 0),
    );
  }
  return best;
}

describe('minimum cut', () => {
  it('is the cheapest of all cuts, and its sides say which', () => {
    const edge = fc.tuple(
      fc.integer({ min: 0, max: 7 }),
      fc.integer({ min: 0, max: 7 }),
      fc.integer({ min: 0, max: 9 }),
    );
    fc.assert(
      fc.property(fc.array(edge, { maxLength: 24 }), (edges) => {
        const cut = new MinCut();
        for (let i = 0; i < 6; i++) cut.node();
        for (const [from, to, capacity] of edges) if (from !== to) cut.connect(from, to, capacity);
        const kept = edges.filter(([from, to]) => from !== to);
        const found = cut.run();
        expect(found).toBe(bruteForce(6, kept));
        const crossing = kept.reduce(
          (sum, [from, to, capacity]) => (cut.onSourceSide(from) && !cut.onSourceSide(to) ? sum + capacity : sum),
          0,
        );
        expect(crossing).toBe(found);
      }),
      { numRuns: 300 },
    );
  });
  it('says when nothing may be cut', () => {
    const cut = new MinCut();
    const between = cut.node();
    cut.connect(0, between, UNCUTTABLE);
    cut.connect(between, 1, UNCUTTABLE);
    expect(cut.run()).toBeGreaterThanOrEqual(UNCUTTABLE);
  });
});
