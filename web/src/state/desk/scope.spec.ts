import { placesOf, siteIndex } from '@yohaku/core';
import { small } from '../../testing/small.ts';
import { NAME_ONLY, reachOfScope } from './scope.ts';

const site = small();
const count = (reach: ReturnType<typeof reachOfScope>) => [...reach.byPage.values()].reduce((sum, ids) => sum + ids.size, 0);

describe('what a control reaches', () => {
  it('is, for a token, every place it paints on every page, and those of what follows it by rule', () => {
    const reach = reachOfScope(site, 'color.core.brand');
    const both = new Set(['color.core.brand', 'color.derived.dark'].flatMap((path) => placesOf(site, path)));
    expect(count(reach)).toBe(both.size);
    expect(both.size).toBeGreaterThan(placesOf(site, 'color.core.brand').length);
    expect(reach.words).toBe(`brand reaches ${count(reach)} places on ${reach.byPage.size} pages`);
  });
  it('is each place once when several tokens paint it', () => {
    const reach = reachOfScope(site, { tokens: ['color.core.brand', 'color.core.brand', 'color.core.ink'], label: 'Both' });
    const both = new Set([...placesOf(site, 'color.core.brand'), ...placesOf(site, 'color.core.ink')]);
    expect(count(reach)).toBe(both.size);
    expect(reach.words).toMatch(/^Both reaches/);
  });
  it('is, for a shared part, its places on all pages, and for a page all of its places', () => {
    const [page] = site.pageOrder;
    const header = reachOfScope(site, { page: page!, section: 'header' });
    expect(header.byPage.size).toBe(site.pageOrder.length);
    expect(count(reachOfScope(site, { page: page! }))).toBe(siteIndex(site).trees[0]!.places.length);
  });
  it('is nothing for a name, and says so; and nothing at all for a token that is gone', () => {
    expect(count(reachOfScope(site, NAME_ONLY))).toBe(0);
    expect(reachOfScope(site, NAME_ONLY).words).toMatch(/no place changes/);
    expect(reachOfScope(site, 'color.core.gone')).toEqual({ byPage: new Map(), words: '' });
  });
});
