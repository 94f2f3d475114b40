import { applyChange, checkTouched, removeSwatch, setIsolated, setRole } from '../change/index.ts';
import { deltaERgb, parseColor, seenAs, visionMatrix } from '../color/index.ts';
import { type Site } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { TOLD_APART, apartPairs } from './told-apart.ts';

const site = readSite(smallSite());

describe('pairs that must be told apart', () => {
  it('are links against the text they stand in, with the distance for every way of seeing', () => {
    const pair = apartPairs(site).find((entry) => entry.label === 'Link against text on Pale')!;
    const [link, text] = [parseColor('#b83a1e')!.rgb, parseColor('#222222')!.rgb];
    expect(pair.distances.full).toBeCloseTo(deltaERgb(link, text), 9);
    for (const vision of ['protan', 'deutan', 'tritan', 'grey'] as const) {
      const matrix = visionMatrix(vision, 1);
      expect(pair.distances[vision])
        .withContext(vision)
        .toBeCloseTo(deltaERgb(seenAs(link, matrix), seenAs(text, matrix)), 9);
      expect(pair.distances[vision]).toBeGreaterThanOrEqual(pair.distances[pair.worst] - 1e-12);
    }
    expect(pair.besides).toBe('underlined');
    expect(pair.places).toBeGreaterThan(0);
  });
  it('come nearer where red and green are all that differs, the more so the stronger the deficiency', () => {
    const green = applyChange(site, setRole(site, 'pale', 'link', { kind: 'raw', color: '#4a6a10' })).site;
    const both = applyChange(green, setRole(green, 'pale', 'text', { kind: 'raw', color: '#8a4a2c' })).site;
    const at = (severity: number) =>
      apartPairs(both, severity).find((pair) => pair.label === 'Link against text on Pale')!;
    expect(at(0).distances.deutan).toBeCloseTo(at(0).distances.full, 3);
    expect(at(1).distances.deutan).toBeLessThan(at(0.5).distances.deutan);
    expect(at(1).distances.deutan).toBeLessThan(TOLD_APART);
    expect(at(1).distances.full).toBeGreaterThan(TOLD_APART);
  });
  it('are only those that some page shows', () => {
    expect(apartPairs(site).some((pair) => pair.ground === 'deep' && pair.label.startsWith('Link'))).toBeFalse();
  });
});

describe('status marks and chart colours', () => {
  const named = (site: Site, label: string) => apartPairs(site).filter((pair) => pair.label.startsWith(label));
  const put = (site: Site, set: 'status' | 'chart', ...ids: string[]) =>
    ids.reduce((now, id) => {
      const after = applyChange(now, setIsolated(now, set, id, true)).site;
      checkTouched(now, after);
      return after;
    }, site);
  const site = put(put(readSite(smallSite()), 'status', 'white', 'ink', 'brand'), 'chart', 'brand', 'dark', 'ink');
  it('are pairs: marks each from each, chart colours each from its neighbours, in every way of seeing', () => {
    expect(named(site, 'Status').map((pair) => pair.label)).toEqual([
      'Status, white against ink',
      'Status, white against brand',
      'Status, ink against brand',
    ]);
    expect(named(site, 'Chart').map((pair) => pair.label)).toEqual([
      'Chart, brand against dark',
      'Chart, dark against ink',
    ]);
    const [near] = named(site, 'Chart');
    expect(near!.distances.grey).toBeLessThan(TOLD_APART);
    expect(Object.values(near!.distances).every((distance) => distance >= near!.distances[near!.worst])).toBeTrue();
  });
  it('leave with their swatch, and are refused when it is not there or named twice', () => {
    const gone = applyChange(site, removeSwatch(site, 'brand', 'ink')).site;
    checkTouched(site, gone);
    expect(gone.brand.apart).toEqual({ status: ['white', 'ink'], chart: ['dark', 'ink'] });
    expect(put(site, 'status', 'ink').brand.apart!.status).toEqual(['white', 'brand', 'ink']);
    for (const list of [['nobody'], ['ink', 'ink']])
      expect(() => checkTouched(site, { ...site, brand: { ...site.brand, apart: { status: list, chart: [] } } }))
        .withContext(list.join())
        .toThrowError();
  });
});
