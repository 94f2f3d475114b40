import { applyChange } from '../change/index.ts';
import type { Evidence } from '../palette/index.ts';
import { placesOf } from '../reach/index.ts';
import { danglingReferences } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { candidates } from './candidates.ts';
import { planTaking, takePalette } from './take.ts';

const piece = (id: string, colors: [string, number, Evidence['colors'][number]['role']][]): Evidence => ({
  id, name: id, kind: 'picture', facts: '', notes: [], size: null, lines: [], colors: colors.map(([hex, share, role]) => ({ hex, typed: hex, share, uses: null, role, why: 'seen', spots: [] })),
});
const site = readSite(smallSite());
const names = (ids: string[]) => new Map(ids.map((id, i) => [id, { id: `s-${i}`, label: `Taken ${i}` }]));

describe('candidates', () => {
  it('are the swatches there are and what the evidence adds; what nobody can tell from a swatch is that swatch', () => {
    const all = candidates(site, [piece('logo', [['#b83a1f', 0.6, 'signal'], ['#2a7f62', 0.4, 'ground']]), piece('photo', [['#2a8062', 0.2, 'signal']])]);
    expect(all.filter((one) => one.swatch !== null).map((one) => one.swatch)).toEqual(['white', 'ink', 'brand', 'dark']);
    const brand = all.find((one) => one.swatch === 'brand')!;
    expect([brand.evidence, brand.alike.length, brand.extent]).toEqual([['logo'], 2, 0.6]);
    const fresh = all.filter((one) => one.swatch === null);
    expect(fresh.map((one) => [one.hex, one.pieces, one.role])).toEqual([['#2a7f62', 2, 'signal']]);
    expect(fresh[0]!.why).toBe('signal: seen; 2 of 2 pieces');
  });
  it('count the places and pairs of a swatch', () => {
    const brand = candidates(site, []).find((one) => one.swatch === 'brand')!;
    expect(brand.places).toBe(placesOf(site, 'color.core.brand').length);
    expect(brand.pairs).toBeGreaterThan(0);
    expect(brand.why).toMatch(/in no evidence; \d+ places/);
  });
});

describe('taking a palette', () => {
  it('adds what is new and gives what is dropped to its heir, in one edit that leaves nothing dangling', () => {
    const all = candidates(site, [piece('logo', [['#2a7f62', 0.4, 'signal']])]);
    const kept = new Set(all.filter((one) => one.swatch !== 'dark' && one.swatch !== 'brand').map((one) => one.id));
    const plan = planTaking(all, kept);
    expect([plan.adds.map((one) => one.hex), plan.drops.map((one) => one.color.swatch)]).toEqual([['#2a7f62'], ['brand', 'dark']]);
    const edit = takePalette(site, plan, names([...kept]))!;
    expect(edit.label).toBe('Take 1 colour, drop 2 swatches');
    const { site: after, inverse } = applyChange(site, edit);
    expect(danglingReferences(after)).toEqual([]);
    expect(after.brand.swatchOrder.length).toBe(3);
    expect(applyChange(after, { ops: inverse }).site.brand).toEqual(site.brand);
  });
  it('changes nothing when all that is kept is there already', () => {
    const all = candidates(site, []);
    expect(takePalette(site, planTaking(all, new Set(all.map((one) => one.id))), new Map())).toBeUndefined();
  });
});
