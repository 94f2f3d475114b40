import { pageTree } from '../page/index.ts';
import { siteIndex } from '../reach/index.ts';
import { readSite } from '../document/index.ts';
import { tokensCss } from '../style/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { STRESS_KINDS, longer, stressCss, stressSite } from './stress.ts';

describe('stress copy', () => {
  const site = smallSite();
  const all = new Set(STRESS_KINDS.map((kind) => kind.kind));
  const words = (entry: typeof site) =>
    entry.pageOrder.map((id) => JSON.stringify(pageTree(entry, id).parts.map((part) => part.element)));

  it('is the very site where nothing of its copy is asked for', () => {
    expect(stressSite(site, new Set())).toBe(site);
    expect(stressSite(site, new Set(['spacing', 'zoom']))).toBe(site);
    expect(stressCss(new Set(['names', 'twice']))).toBe('');
    expect(stressCss(all)).toMatch(/letter-spacing: 0\.12em[\s\S]*font-size: 200%/);
  });
  it('keeps every place, its id and what paints it: only words change', () => {
    const stressed = stressSite(site, all);
    expect(siteIndex(stressed).places.map((place) => `${place.page} ${place.id} ${place.recipes.join(' ')}`)).toEqual(
      siteIndex(site).places.map((place) => `${place.page} ${place.id} ${place.recipes.join(' ')}`),
    );
    expect(tokensCss(stressed.brand)).toBe(tokensCss(site.brand));
    expect(words(stressed)).not.toEqual(words(site));
    expect(() => readSite({ ...stressed, assets: site.assets })).not.toThrow();
  });
  it('doubles running text, and makes all names as long as the longest of their kind', () => {
    const twice = words(stressSite(site, new Set(['twice']))).join('').length;
    expect(twice).toBeGreaterThan(words(site).join('').length);
    const labels = Object.values(stressSite(site, new Set(['names'])).shared.header.items).map(
      (item) => item.label.length,
    );
    expect(new Set(labels).size).toBe(1);
    expect(labels[0]).toBe(Math.max(...Object.values(site.shared.header.items).map((item) => item.label.length)));
  });
  it('makes longer words of long ones and leaves short ones and figures', () => {
    expect(longer('To all islands, 12.50')).toBe('To all islandsung, 12.50');
    expect(longer('Crossings').length / 'Crossings'.length).toBeGreaterThan(1.3);
  });
});
