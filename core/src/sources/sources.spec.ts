import { acceptChange, applyChange } from '../change/index.ts';
import { hex, parseColor } from '../color/index.ts';
import { replacementOf, type Source } from '../palette/index.ts';
import { placesOf } from '../reach/index.ts';
import { danglingReferences } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { candidates } from './candidates.ts';
import { partFor, planTaking, takePalette } from './take.ts';

const piece = (id: string, colors: [string, number, Source['colors'][number]['role']][]): Source => ({
  id,
  name: id,
  kind: 'picture',
  facts: '',
  notes: [],
  size: null,
  lines: [],
  colors: colors.map(([hex, share, role]) => ({ hex, typed: hex, share, uses: null, role, why: 'seen', spots: [] })),
});
const site = readSite(smallSite());
const names = (ids: string[]) =>
  new Map(ids.map((id, i) => [id, { id: `s-${i}`, label: `Taken ${i}`, part: 'core' as const }]));

describe('candidates', () => {
  it('are the swatches there are and what the sources add; what nobody can tell from a swatch is that swatch', () => {
    const all = candidates(site, [
      piece('logo', [
        ['#b83a1f', 0.6, 'signal'],
        ['#2a7f62', 0.4, 'ground'],
      ]),
      piece('photo', [['#2a8062', 0.2, 'signal']]),
    ]);
    expect(all.filter((entry) => entry.swatch !== null).map((entry) => entry.swatch)).toEqual([
      'white',
      'ink',
      'brand',
      'dark',
    ]);
    const brand = all.find((entry) => entry.swatch === 'brand')!;
    expect([brand.sources, brand.alike.length, brand.extent]).toEqual([['logo'], 2, 0.6]);
    const fresh = all.filter((entry) => entry.swatch === null);
    expect(fresh.map((entry) => [entry.hex, entry.pieces, entry.role])).toEqual([['#2a7f62', 2, 'signal']]);
    expect(fresh[0]!.why).toBe('signal: seen; replaces #2a8062 too; 2 of 2 pieces');
  });
  it('count the places and pairs of a swatch', () => {
    const brand = candidates(site, []).find((candidate) => candidate.swatch === 'brand')!;
    expect(brand.places).toBe(placesOf(site, 'color.core.brand').length);
    expect(brand.pairs).toBeGreaterThan(0);
    expect(brand.why).toMatch(/in no sources; \d+ places/);
  });
});

describe('taking a palette', () => {
  it('adds what is new and gives what is dropped to its replacement, in one edit that leaves nothing dangling', () => {
    const all = candidates(site, [piece('logo', [['#2a7f62', 0.4, 'signal']])]);
    const kept = new Set(
      all.filter((entry) => entry.swatch !== 'dark' && entry.swatch !== 'brand').map((entry) => entry.id),
    );
    const plan = planTaking(all, kept);
    expect([plan.adds.map((candidate) => candidate.hex), plan.drops.map((drop) => drop.color.swatch)]).toEqual([
      ['#2a7f62'],
      ['brand', 'dark'],
    ]);
    const edit = takePalette(site, plan, names([...kept]))!;
    expect(edit.label).toBe('Add 1 colour, drop 2 swatches');
    const { site: after, inverse } = applyChange(site, edit);
    expect(danglingReferences(after)).toEqual([]);
    expect(after.brand.swatchOrder.length).toBe(3);
    expect(applyChange(after, { ops: inverse }).site.brand).toEqual(site.brand);
  });
  it('changes nothing when all that is kept is there already', () => {
    const all = candidates(site, []);
    expect(takePalette(site, planTaking(all, new Set(all.map((entry) => entry.id))), new Map())).toBeUndefined();
  });
});

describe('Trial 3: what taking a palette does is what it said', () => {
  const sources = [
    piece('logo', [
      ['#2a7f62', 0.4, 'signal'],
      ['#e8eef0', 0.5, 'ground'],
      ['#3b6f9e', 0.1, 'ornament'],
    ]),
  ];
  const taken = (kept: readonly string[], replacements = {}) => {
    const all = candidates(site, sources);
    const plan = planTaking(all, new Set(kept), replacements);
    const made = new Map(
      plan.adds.map((candidate, i) => [
        candidate.id,
        { id: `s-${i}`, label: candidate.label, part: partFor(candidate) },
      ]),
    );
    return { plan, after: acceptChange(site, takePalette(site, plan, made)!).site };
  };
  const every = candidates(site, sources).map((candidate) => candidate.id);

  it('taken, nothing of it is new any more, however little it paints', () => {
    const { after } = taken(every);
    expect(candidates(after, sources).filter((candidate) => candidate.swatch === null)).toEqual([]);
    expect(Object.values(after.brand.swatches).map((swatch) => swatch.part)).toContain('core');
    expect(after.brand.swatches['s-2']!.part).toBe('side');
  });
  it('each swatch that goes has the replacement that was chosen for it, else the one that stands in best', () => {
    const white = every.find((id) => id === 'white')!;
    const kept = every.filter((id) => id !== 'brand' && id !== 'dark');
    const { plan } = taken(kept);
    expect(plan.drops.find((drop) => drop.color.swatch === 'brand')!.replacement!.hex).not.toMatch(/^#(fff|222)/);
    const { plan: chosen, after } = taken(kept, { brand: white, dark: 'gone' });
    expect(chosen.drops.map((drop) => drop.replacement!.id)).toEqual([
      white,
      plan.drops.find((drop) => drop.color.swatch === 'dark')!.replacement!.id,
    ]);
    expect(after.brand.grounds['pale']!.roles['heading']).toEqual({ kind: 'swatch', swatch: 'white' });
  });
  it('a strong colour is not replaced by a grey or a blue that happens to lie nearer', () => {
    const rgb = (text: string) => ({ rgb: parseColor(text)!.rgb });
    const of = (gone: string, ...kept: string[]) =>
      kept[kept.map(rgb).indexOf(replacementOf(rgb(gone).rgb, kept.map(rgb)) as never)] ??
      hex(replacementOf(rgb(gone).rgb, kept.map(rgb))!.rgb);
    expect(of('#8c2415', '#1f2f5c', '#d0532b', '#4a4a4a')).toBe('#d0532b');
    expect(of('#b83a1e', '#6e6e6e', '#2a7f62', '#c9a227')).not.toBe('#6e6e6e');
    expect(of('#777777', '#8a8a8a', '#b83a1e')).toBe('#8a8a8a');
  });
});

describe('Trial 5: what was found is told apart and called by names of its own', () => {
  it('white and a paper white stay two, and what stands for others says so', () => {
    const found = candidates(site, [
      piece('sheet', [
        ['#fbfaf6', 0.5, 'ground'],
        ['#fbfaf7', 0.1, 'ground'],
      ]),
    ]);
    const paper = found.find((entry) => entry.swatch === null)!;
    expect(paper.hex).toBe('#fbfaf6');
    expect(paper.why).toContain('replaces #fbfaf7 too');
    expect(found.find((entry) => entry.swatch === 'white')!.alike).toEqual(['#ffffff']);
  });
  it('no two are proposed under one name', () => {
    const near: [string, number, 'signal'][] = ['#4b2e83', '#553a92', '#3f2470', '#5b3fa0', '#472f6b'].map((name) => [
      name,
      0.1,
      'signal',
    ]);
    const names = candidates(site, [piece('plums', near)]).map((candidate) => candidate.label.toLowerCase());
    expect(new Set(names).size).toBe(names.length);
  });
});
