import { addSection, applyChange } from '../change/index.ts';
import { parseColor } from '../color/index.ts';
import { readSite } from '../document/index.ts';
import { auditCounts, auditSite, findings } from '../legibility/index.ts';
import { pageTree } from '../page/index.ts';
import { SECTION_KINDS, canLayIn } from '../sections/index.ts';
import { smallSite } from '../testing/small-site.ts';
import type { Site } from '../site/index.ts';
import { freshSiteId, newSite, type Beginning } from './index.ts';

const colors = (...texts: string[]) => texts.map((text) => parseColor(text)!);
const begun = (more: Partial<Beginning> = {}) => newSite({ id: 'mill', name: 'Paper mill', language: 'en', ...more });
/** Everything of a site that does not pass, what cannot be told as well. */
const failing = (site: Site) =>
  findings(auditSite(site), new Set(['fail', 'cannot-tell'])).map(
    (finding) => `${finding.place.id} ${finding.state} ${finding.rule} ${finding.found} of ${finding.needed}`,
  );

describe('a site that is begun', () => {
  const given: Readonly<Record<string, readonly string[]>> = {
    'with nothing': [],
    'with one colour': ['#c0392b'],
    'with a pale one': ['#ffe9a8'],
    'with yellow on black': ['#000', '#ffdd00'],
    'with white alone': ['white'],
    'with a mid grey': ['#808080'],
    'with all of a brand': ['#0b3d3a', '#f3efe6', '#e2a03f', '#7fb7b0', '#d8d2c4'],
    'with neon': ['#39ff14', '#ff00ff', '#00ffff'],
    'with something translucent': ['#12345680', '#abcdef'],
    'with many': Array.from({ length: 40 }, (_, i) => `hsl(${i * 9} 70% ${20 + i}%)`),
  };
  for (const [what, texts] of Object.entries(given))
    it(`${what} is read back whole and passes every check`, () => {
      const site = begun({ colors: colors(...texts) });
      expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
      expect(failing(site)).toEqual([]);
    });
  it('passes with any colour there is', () => {
    let seed = 7;
    const next = () => (seed = (seed * 48271) % 2147483647) / 2147483647;
    for (let i = 0; i < 60; i++) {
      const list = Array.from({ length: 1 + Math.floor(next() * 5) }, () =>
        parseColor(`rgb(${[next(), next(), next()].map((value) => Math.round(value * 255)).join(' ')})`)!,
      );
      expect(failing(begun({ colors: list })))
        .withContext(list.map((entry) => entry.typed).join(', '))
        .toEqual([]);
    }
  });
  it('calls a colour what it is called by who gives it, each by a name of its own', () => {
    const given = [
      { ...parseColor('#c0392b')!, label: 'barn <red>' },
      { ...parseColor('#f3efe6')!, label: 'Tint' },
      { ...parseColor('#12263a')!, label: 'barn <red>' },
      parseColor('#2b6cc0')!,
      { ...parseColor('#77aa33')!, label: 'x'.repeat(300) },
    ];
    const site = begun({ colors: given });
    const labels = Object.fromEntries(
      Object.values(site.brand.swatches)
        .filter((swatch) => !swatch.rule)
        .map((swatch) => [swatch.typed, swatch.label]),
    );
    expect([labels['#c0392b'], labels['#f3efe6'], labels['#12263a']]).toEqual(['Barn <red>', 'Tint 2', 'Barn <red> 2']);
    expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
  });
  it('has a swatch of every colour given, with no name twice; what was decided for one is provisional', () => {
    const site = begun({ colors: colors('#c0392b', '#c0392c', '#2b6cc0') });
    const swatches = site.brand.swatchOrder.map((id) => site.brand.swatches[id]!);
    expect(new Set(swatches.map((swatch) => swatch.label)).size).toBe(swatches.length);
    expect(swatches.filter((swatch) => !swatch.provisional).map((swatch) => swatch.typed)).toEqual([
      '#c0392b',
      '#c0392c',
      '#2b6cc0',
    ]);
    expect(Object.values(site.brand.styles).every((style) => style.provisional)).toBe(true);
    expect([
      site.brand.families.provisional,
      begun({ families: { heading: 'lora', body: 'karla' } }).brand.families.provisional,
    ]).toEqual([true, false]);
  });
  it('takes a brand of another site whole', () => {
    const brand = smallSite().brand;
    const site = begun({ brand });
    expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
    expect(site.brand).toEqual(brand);
  });
  it('has an address of its own, whatever it is called', () => {
    expect(
      ['Paper Mill', '2024 mill', '🌊', 'مطحنة', 'Paper mill', 'x'.repeat(90)].map((name) =>
        freshSiteId(name, ['paper-mill']),
      ),
    ).toEqual(['paper-mill-2', 'site-2024-mill', 'site', 'site', 'paper-mill-2', 'x'.repeat(40)]);
  });
  it('shows its name where a visitor looks first, whatever it is called', () => {
    for (const name of ['Paper mill', 'مطحنة الورق', '🌊🌊', '<b>&']) {
      const places = pageTree(begun({ name }), 'home').places;
      expect(places.filter((place) => place.level === 1).length).toBe(1);
      expect(readSite(begun({ name })).shared.header.name).toBe(name);
    }
  });
  for (const colors of [[], ['#0f3c45', '#ffd400', '#7a3fb0']])
    it(`every kind of section passes there, begun from ${colors.length} colours`, () => {
      const site = newSite({
        id: 'begun',
        name: 'Begun',
        language: 'en',
        colors: colors.map((color) => parseColor(color)!),
      });
      for (const kind of Object.values(SECTION_KINDS)) {
        if (!canLayIn(site, kind)) continue;
        const { failed, cannotTell } = auditCounts(
          auditSite(applyChange(site, addSection(site, 'home', 'laid', undefined, kind)).site),
        );
        expect([kind.id, failed, cannotTell]).toEqual([kind.id, 0, 0]);
      }
    });
});
