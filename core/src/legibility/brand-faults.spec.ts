import fc from 'fast-check';
import { newSite } from '../begin/index.ts';
import { acceptChange, addGround, addVariant, setRole } from '../change/index.ts';
import { parseColor, contrastRatio } from '../color/index.ts';
import { buttonRole } from '../background/index.ts';
import { colorOf, tokenValue } from '../reach/index.ts';
import type { Site } from '../site/index.ts';
import { rolePath, tokenTable } from '../style/index.ts';
import { brandFaults } from './index.ts';

const HEXES = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
const css = (site: Site, ground: string, role: string) =>
  colorOf(tokenValue(tokenTable(site.brand), rolePath(site.brand, site.brand.grounds[ground]!, role)).css)!;

describe('automatic buttons', () => {
  it('have labels that pass in every state, and differ from each other and from rest, on new backgrounds of generated brands', () => {
    fc.assert(
      fc.property(fc.array(HEXES, { minLength: 1, maxLength: 3 }), HEXES, (colors, background) => {
        const begun = newSite({
          id: 'forge',
          name: 'Klok & Zoon',
          language: 'nl',
          colors: colors.map((color) => parseColor(color)!),
        });
        const site = acceptChange(
          acceptChange(begun, addGround(begun, 'fresh', { label: 'Fresh', roles: {} })).site,
          setRole(
            acceptChange(begun, addGround(begun, 'fresh', { label: 'Fresh', roles: {} })).site,
            'fresh',
            'background',
            { kind: 'raw', color: background },
          ),
        ).site;
        for (const variant of site.brand.variantOrder)
          for (const state of ['rest', 'hover', 'pressed', 'busy'] as const) {
            const [label, fill] = [
              css(site, 'fresh', buttonRole(variant, 'label', state)),
              css(site, 'fresh', buttonRole(variant, 'fill', state)),
            ];
            expect(contrastRatio(label, fill))
              .withContext(`${variant} ${state} ${colors.join()} on ${background}`)
              .toBeGreaterThanOrEqual(4.5);
          }
        expect(
          brandFaults(site)
            .filter(({ ground }) => ground === 'fresh')
            .map(({ words, found }) => `${words} ${found}`),
        )
          .withContext(`${colors.join()} on ${background}`)
          .toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it('keep the second variant outlined on a new mid-green or dark background', () => {
    const begun = newSite({ id: 'forge', name: 'Forge', language: 'en', colors: [parseColor('#d9482b')!] });
    for (const background of ['#3c8f5a', '#101418']) {
      const added = acceptChange(
        begun,
        addGround(begun, 'fresh', { label: 'Fresh', roles: { background: { kind: 'raw', color: background } } }),
      ).site;
      expect(css(added, 'fresh', buttonRole('quiet', 'fill', 'rest'))).toEqual(css(added, 'fresh', 'background'));
      expect(css(added, 'fresh', buttonRole('main', 'fill', 'rest'))).not.toEqual(css(added, 'fresh', 'background'));
    }
  });

  it('give a light fill a dark label, and a changed hover fill a matching edge', () => {
    const begun = newSite({ id: 'forge', name: 'Forge', language: 'en', colors: [parseColor('#1d3b7a')!] });
    const ground = begun.brand.groundOrder[0]!;
    const more = acceptChange(begun, addVariant(begun, 'main', 'third')).site;
    const light = acceptChange(
      more,
      setRole(more, ground, buttonRole('third', 'fill', 'rest'), { kind: 'raw', color: '#ffe9a8' }),
    ).site;
    expect(
      contrastRatio(
        css(light, ground, buttonRole('third', 'label', 'rest')),
        css(light, ground, buttonRole('third', 'fill', 'rest')),
      ),
    ).toBeGreaterThanOrEqual(4.5);
    const hover = acceptChange(
      light,
      setRole(light, ground, buttonRole('third', 'fill', 'hover'), { kind: 'raw', color: '#7a1d3b' }),
    ).site;
    expect(css(hover, ground, buttonRole('third', 'edge', 'hover'))).toEqual(
      css(hover, ground, buttonRole('third', 'fill', 'hover')),
    );
    expect(
      contrastRatio(
        css(hover, ground, buttonRole('third', 'label', 'hover')),
        css(hover, ground, buttonRole('third', 'fill', 'hover')),
      ),
    ).toBeGreaterThanOrEqual(4.5);
  });

  it('report unused roles that fail, and variants that look alike', () => {
    const begun = newSite({ id: 'forge', name: 'Forge', language: 'en', colors: [parseColor('#1d3b7a')!] });
    const ground = begun.brand.groundOrder[0]!;
    const pale = acceptChange(
      begun,
      setRole(begun, ground, buttonRole('main', 'label', 'rest'), { kind: 'raw', color: '#2a4a8a' }),
    ).site;
    expect(brandFaults(pale).map(({ kind, words }) => `${kind} ${words}`)).toContain(
      `unused Main, label, rest on ${pale.brand.grounds[ground]!.label}`,
    );
    const twice = acceptChange(begun, addVariant(begun, 'main', 'third')).site;
    expect(
      brandFaults(twice).some(
        ({ kind, words }) => kind === 'alike' && words.startsWith('Main and Main again look alike'),
      ),
    ).toBeTrue();
  });
});
