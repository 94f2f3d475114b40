import { buttonRole } from '../background/index.ts';
import { anchorOf } from '../page/index.ts';
import { paintedText, siteIndex } from '../reach/index.ts';
import { type Override, type Site } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { tokenTable } from '../style/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { addOverride, applyChange, splitStyle, splitVariant, type OneOff } from './index.ts';

const set = (id: string, place: string, property: Override['property'], css: string): Override => ({
  id,
  place,
  property,
  band: null,
  origin: 'set',
  value: { kind: 'literal', css },
  reason: null,
});

describe('a one-off split off', () => {
  const base = smallSite();
  const button = siteIndex(base).places.find((place) => place.kind === 'button')!;
  const text = siteIndex(base).places.find(
    (place) => place.kind === 'text' && place.words && place.page === button.page,
  )!;
  const oneOff = (place: typeof button): OneOff => ({
    anchor: anchorOf(place, 'here'),
    ground: place.ground,
    item: place.item,
  });
  const painted = (
    site: Site,
    place: typeof button,
    property: 'background-color' | 'color' | 'border-color' | 'font-size' | 'font-weight',
  ) => {
    const found = siteIndex(site).byAddress.get(`${place.page} ${place.id}`)!;
    return paintedText(tokenTable(site.brand), siteIndex(site).groupOf.get(found)!.painting, property, 'rest', 1280);
  };
  const withValues = (place: typeof button, ...values: Override[]): Site =>
    values.reduce(
      (site, value) => applyChange(site, addOverride(site, anchorOf(place, 'here'), value, place.label)).site,
      base,
    );

  it('is, for a button, a variant that paints it as the values on it did, and nothing is set on it any more', () => {
    const site = withValues(
      button,
      set('o1', button.id, 'background-color', '#fffefa'),
      set('o2', button.id, 'color', '#b83a1e'),
      set('o3', button.id, 'border-radius', '30px'),
    );
    const before = (['background-color', 'color', 'border-color'] as const).map((property) =>
      painted(site, button, property),
    );
    const next = applyChange(site, splitVariant(site, oneOff(button), 'outlined')!).site;
    expect(
      (['background-color', 'color', 'border-color'] as const).map((property) => painted(next, button, property)),
    ).toEqual(before);
    expect(Object.keys(next.pages[button.page]!.overrides)).toEqual(['o3']);
    expect(next.brand.variants['outlined']!.label).toMatch(/ apart$/);
    expect(next.brand.grounds[button.ground]!.roles[buttonRole('outlined', 'fill', 'rest')]).toEqual({
      kind: 'raw',
      color: '#fffefa',
    });
    expect(readSite(next)).toEqual(next);
    // One edit, and back.
    const { site: there, inverse } = applyChange(site, splitVariant(site, oneOff(button), 'outlined')!);
    expect(applyChange(there, { ops: inverse }).site).toEqual(site);
  });
  it('is nothing where no colour is set, or no button is', () => {
    expect(splitVariant(base, oneOff(button), 'x')).toBeUndefined();
    const corner = withValues(button, set('o1', button.id, 'border-radius', '30px'));
    expect(splitVariant(corner, oneOff(button), 'x')).toBeUndefined();
    const words = withValues(text, set('o1', text.id, 'color', '#b83a1e'));
    expect(splitVariant(words, oneOff(text), 'x')).toBeUndefined();
  });
  it('is, for a text, a style with the size and weight it had', () => {
    const site = withValues(text, set('o1', text.id, 'font-size', '31px'), set('o2', text.id, 'font-weight', '600'));
    const next = applyChange(site, splitStyle(site, oneOff(text), text.styled!, 'apart')!).site;
    expect([painted(next, text, 'font-size'), painted(next, text, 'font-weight')]).toEqual(['31', '600']);
    expect(next.pages[text.page]!.overrides).toEqual({});
    expect(next.brand.styles['apart']!.size).toEqual({ kind: 'pinned', small: 31, large: 31 });
    expect(readSite(next)).toEqual(next);
  });
});
