import { siteIndex, tokenValue, pixelsAt } from '../reach/index.ts';
import type { Override, Site } from '../site/index.ts';
import { tokenTable } from '../style/index.ts';
import { literal, smallSite } from '../testing/small-site.ts';
import { acceptChange, liftOverride, setSpaceAt, setStyleAt } from './index.ts';

const RECORD = ['pages', 'home', 'overrides'];
const WIDTHS = [390, 800, 1280] as const;

describe('Trial 2: a value set by hand is saved at the widths it was set for', () => {
  const at = (site: Site, place: string, property: Override['property']) =>
    WIDTHS.map((width) => {
      const group = siteIndex(site).groupOf.get(siteIndex(site).byAddress.get(place)!)!;
      return pixelsAt(tokenTable(site.brand), group.painting, property, 'rest', width);
    });
  const lift = (site: Site, path: string) =>
    acceptChange(site, liftOverride(site, RECORD, site.pages['home']!.overrides['o1']!, path)!).site;

  for (const [band, size] of [
    ['desktop', [undefined, undefined, 30]],
    ['tablet', [undefined, 30, undefined]],
    ['phone', [30, undefined, undefined]],
    [null, [30, 30, 30]],
  ] as const) {
    it(`a size, on ${band ?? 'all widths'}`, () => {
      const site = smallSite([literal('o1', 'p/text', 'font-size', '30px', { band })]);
      const before = at(smallSite(), 'home p/text', 'font-size');
      const wanted = size.map((px, i) => px ?? before[i]!);
      expect(at(site, 'home p/text', 'font-size')).toEqual(wanted);
      const lifted = lift(site, 'text.running.size');
      expect(lifted.pages['home']!.overrides).toEqual({});
      // The place itself, and all others in that style, at each width.
      expect(at(lifted, 'home p/text', 'font-size')).toEqual(wanted);
      expect(at(lifted, 'home foot/text', 'font-size')).toEqual(wanted);
    });
    it(`a padding, on ${band ?? 'all widths'}, also where narrower widths follow wider ones`, () => {
      for (const own of [true, false]) {
        const bare = own
          ? smallSite([literal('o1', 's1/surface', 'padding-block', '64px', { band })])
          : acceptChange(
              acceptChange(
                smallSite([literal('o1', 's1/surface', 'padding-block', '64px', { band })]),
                setSpaceAt(smallSite(), 'even', 'phone', null)!,
              ).site,
              setSpaceAt(smallSite(), 'even', 'tablet', null)!,
            ).site;
        const before = at(bare, 'home t1/surface'.replace('home', 'more'), 'padding-block');
        const wanted = size.map((px, i) => (px === undefined ? before[i]! : 64));
        const lifted = lift(bare, 'space.even.desktop');
        expect(at(lifted, 'home s1/surface', 'padding-block'))
          .withContext(String(own))
          .toEqual(wanted);
        expect(at(lifted, 'more t1/surface', 'padding-block'))
          .withContext(String(own))
          .toEqual(wanted);
      }
    });
  }
  it('a size at all widths takes away what single widths had for themselves', () => {
    const site = acceptChange(
      smallSite([literal('o1', 'p/text', 'font-size', '30px')]),
      setStyleAt(smallSite(), 'running', 'phone', 19),
    ).site;
    expect(at(lift(site, 'text.running.size'), 'home foot/text', 'font-size')).toEqual([30, 30, 30]);
  });
  it('what is the same at all widths is not changed by a value for one: it says so', () => {
    const site = smallSite([literal('o1', 'h/text', 'color', '#123456', { band: 'phone' })]);
    expect(() => lift(site, 'background.pale.heading')).toThrowError(
      /#123456 is set on phone only, and .* is the same at all widths/,
    );
    const all = smallSite([literal('o1', 'h/text', 'color', '#123456')]);
    expect(tokenValue(tokenTable(lift(all, 'background.pale.heading').brand), 'background.pale.heading').css).toBe(
      '#123456',
    );
  });
});
