import { contrastRatio, parseColor } from '../color/index.ts';
import { buttonRole } from '../background/index.ts';
import { acceptChange, addSwatches, setRole, setValue } from '../change/index.ts';
import type { Site } from '../site/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { clearestChoice, resolveToken, tokenTable } from './index.ts';

const after = (site: Site, ...edits: ((now: Site) => Parameters<typeof acceptChange>[1])[]): Site =>
  edits.reduce((now, edit) => acceptChange(now, edit(now)).site, site);
const shown = (site: Site, role: string, ground = 'pale') =>
  parseColor(resolveToken(tokenTable(site.brand), `background.${ground}.${role}`).css)!.rgb;
const part = (id: string, to: 'core' | 'side') => (now: Site) =>
  setValue(now, '', ['brand', 'swatches', id, 'part'], to);
const background = (hex: string) => (now: Site) => setRole(now, 'pale', 'background', { kind: 'raw', color: hex });
const rule = (role: string) => (now: Site) => setRole(now, 'pale', role, { kind: 'readable' });

describe('Trial 4: the clearest core swatch reaches what its role needs, or says so and what does is used', () => {
  it('looks at the core first, then at the others, then at black and white, and tells which it was', () => {
    const core = after(smallSite(), rule('text'));
    expect(shown(core, 'text')).toEqual(parseColor('#222222')!.rgb);
    expect(clearestChoice(core.brand, 'pale', 'text').among).toBe('core');
    // Only white is left in the core: on white nobody reads it.
    const side = after(core, part('ink', 'side'), part('brand', 'side'));
    expect(clearestChoice(side.brand, 'pale', 'text')).toEqual(
      jasmine.objectContaining({ among: 'side' as const, needed: 4.5 }),
    );
    expect(shown(side, 'text')).toEqual(parseColor('#222222')!.rgb);
    // On this grey no swatch reaches 4.5.
    const none = after(core, background('#777777'));
    expect(clearestChoice(none.brand, 'pale', 'text')).toEqual(
      jasmine.objectContaining({ among: 'none' as const, color: null }),
    );
    expect(contrastRatio(shown(none, 'text'), parseColor('#777777')!.rgb)).toBeGreaterThanOrEqual(4.5);
    // An edge needs 3, which ink reaches there.
    expect(clearestChoice(none.brand, 'pale', 'rule')).toEqual(
      jasmine.objectContaining({ among: 'core' as const, needed: 3 }),
    );
  });
  it('with no core swatch left it is not black but the clearest there is', () => {
    const site = after(smallSite(), rule('text'), ...['white', 'ink', 'brand'].map((id) => part(id, 'side')));
    expect(shown(site, 'text')).toEqual(parseColor('#222222')!.rgb);
  });
  it('is rated on what it is seen on: a label on its fill, marked text on its mark, a field’s on the field', () => {
    const label = buttonRole('primary', 'label', 'rest');
    const site = after(
      smallSite(),
      (now) => setRole(now, 'pale', buttonRole('primary', 'fill', 'rest'), { kind: 'swatch', swatch: 'ink' }),
      rule(label),
      (now) => setRole(now, 'pale', 'mark', { kind: 'swatch', swatch: 'ink' }),
      rule('mark-text'),
      (now) => setRole(now, 'pale', 'field', { kind: 'raw', color: '#111111' }),
      rule('field-text'),
    );
    for (const role of ['button.primary.label.rest', 'mark-text', 'field-text'])
      expect(shown(site, role)).withContext(role).toEqual(parseColor('#ffffff')!.rgb);
    // A hue at a contrast is as well.
    const hue = after(site, (now) => setRole(now, 'pale', label, { kind: 'contrast', swatch: 'brand', ratio: 4.5 }));
    expect(contrastRatio(shown(hue, 'button.primary.label.rest'), parseColor('#222222')!.rgb)).toBeGreaterThanOrEqual(
      4.49,
    );
  });
  it('new swatches are of the part that is asked for', () => {
    const color = parseColor('#123456')!;
    const site = after(smallSite(), (now) =>
      addSwatches(now, [
        { id: 'one', label: 'One', color, part: 'core' },
        { id: 'two', label: 'Two', color },
      ]),
    );
    expect([site.brand.swatches['one']!.part, site.brand.swatches['two']!.part]).toEqual(['core', 'side']);
  });
});
