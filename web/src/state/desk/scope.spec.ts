import { placeCount, placesOf, publishedPages, reachRows, siteIndex, tokenTable } from '@yohaku/core';
import { small } from '../../testing/small.ts';
import { reachPanels } from '../../wall/hang/panels.ts';
import { NAME_ONLY, reachOfScope } from './scope.ts';

const site = small();
/** As counted on the pages themselves: what is said must be the same. */
const count = (reach: ReturnType<typeof reachOfScope>) => {
  const places = reach.pages.reduce((sum, page) => sum + reach.on(page).size, 0);
  expect(reach.count).toBe(places);
  return places;
};

describe('what a control reaches', () => {
  it('is, for a token, every place it paints on every page, and those of what follows it by a rule', () => {
    const reach = reachOfScope(site, 'color.core.brand');
    const both = new Set(['color.core.brand', 'color.derived.dark'].flatMap((path) => placesOf(site, path)));
    expect(count(reach)).toBe(both.size);
    expect(both.size).toBeGreaterThan(new Set(reachRows(site, 'color.core.brand').map(({ place }) => place)).size);
    expect(reach.words.startsWith(`brand: used in ${count(reach)} places on ${reach.pages.length} pages`)).toBeTrue();
  });
  it('shows the same number in the words, on the wall and in other counts', () => {
    for (const path of tokenTable(site.brand).keys()) {
      const { count: said } = reachOfScope(site, path);
      expect(said).withContext(path).toBe(placeCount(site, path));
      expect(reachPanels(site, path).reduce((sum, panel) => sum + panel.count, 0))
        .withContext(path)
        .toBe(said);
    }
  });
  it('is each place once when several tokens paint it', () => {
    const reach = reachOfScope(site, {
      tokens: ['color.core.brand', 'color.core.brand', 'color.core.ink'],
      label: 'Both',
    });
    const both = new Set([...placesOf(site, 'color.core.brand'), ...placesOf(site, 'color.core.ink')]);
    expect(count(reach)).toBe(both.size);
    expect(reach.words).toMatch(/^Both: used in /);
  });
  it('is, for a shared part, its places on all pages, and for a page all of its places', () => {
    const [page] = site.pageOrder;
    const header = reachOfScope(site, { page: page!, section: 'header' });
    expect(header.pages).toEqual(publishedPages(site).map(({ id }) => id));
    expect(count(header)).toBe(header.pages.length * header.on(page!).size);
    expect(count(reachOfScope(site, { page: page! }))).toBe(siteIndex(site).trees[0]!.places.length);
  });
  it('is, for a place of a shared section, every use of it, or this one only', () => {
    const [first, second] = site.pageOrder;
    const shared = siteIndex(site).trees[0]!.places.find(
      (place) => place.usedId !== null && place.usedId !== place.id,
    )!;
    const all = reachOfScope(site, { page: first!, place: shared.id });
    expect([count(all), all.pages]).toEqual([2, [first!, second!]]);
    const here = reachOfScope(site, { page: first!, place: shared.id, where: 'here' });
    expect([here.pages, here.on(first!)]).toEqual([[first!], new Set([shared.id])]);
  });
  it('is nothing for a name, and says so; and nothing at all for a token that is gone', () => {
    expect(count(reachOfScope(site, NAME_ONLY))).toBe(0);
    expect(reachOfScope(site, NAME_ONLY).words).toMatch(/no place changes/);
    expect(reachOfScope(site, 'color.core.gone')).toEqual(jasmine.objectContaining({ pages: [], count: 0, words: '' }));
  });
});
