import { applyChange, setRole, setSwatchColor, setValue, type Edit } from '../change/index.ts';
import { parseColor } from '../color/index.ts';
import { groupsOf, reachRows, ripple, siteIndex, tokensMoving } from '../reach/index.ts';
import type { Site } from '../site/index.ts';
import { tokenTable } from '../style/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { placesChosenAnew, siteDifference } from './index.ts';

const site = smallSite();
const after = (from: Site, ...edits: Edit[]): Site => edits.reduce((now, edit) => applyChange(now, edit).site, from);
const paint = (id: string, hex: string) => setSwatchColor(site, id, parseColor(hex)!);

describe('Trial 7: one number for one thing', () => {
  it('what is not live are differences: an edit and its undo are none, ten edits of one value are one', () => {
    const { site: edited, inverse } = applyChange(site, paint('ink', '#101010'));
    expect(siteDifference(site, edited)).toEqual(
      jasmine.objectContaining({ count: 1, tokens: [jasmine.objectContaining({ label: 'ink' })] }),
    );
    expect(siteDifference(site, applyChange(edited, { ops: inverse }).site).count).toBe(0);
    expect(siteDifference(site, structuredClone(site)).count).toBe(0);
    expect(
      siteDifference(site, after(site, ...['#111111', '#121212', '#131313'].map((name) => paint('ink', name)))).count,
    ).toBe(1);
  });
  it('counts pages written otherwise, come and gone, and what paints nothing', () => {
    const words = setValue(
      site,
      '',
      ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'h', 'content'],
      [{ text: 'Changed' }],
    );
    const facts = setValue(site, '', ['pages', 'more', 'description'], 'More of it');
    const named = setValue(site, '', ['brand', 'grounds', 'pale', 'label'], 'Paler');
    expect(siteDifference(site, after(site, words, facts)).pages.map((page) => [page.id, page.places > 0])).toEqual([
      ['home', true],
      ['more', false],
    ]);
    expect(siteDifference(site, after(site, words, facts, named))).toEqual(
      jasmine.objectContaining({ count: 3, besides: ['names and order of tokens'] }),
    );
    const { more: _gone, ...pages } = site.pages;
    const less: Site = { ...site, pages, pageOrder: ['home'] };
    expect([siteDifference(site, less).gone, siteDifference(less, site).added]).toEqual([['More'], ['More']]);
  });
  it('what a swatch reaches is what an edit of it changes, but for what a rule chooses anew, which is told apart', () => {
    for (const [id, hex] of [
      ['brand', '#336699'],
      ['ink', '#00aa00'],
      ['white', '#ffe9c9'],
    ] as const) {
      const now = after(site, paint(id, hex));
      const { changed } = ripple(site, now);
      const reached = new Set(
        groupsOf(siteIndex(site), tokensMoving(tokenTable(site.brand), `color.core.${id}`)).flatMap(
          (group) => group.places,
        ),
      );
      const anew = placesChosenAnew(site, now, changed);
      expect(changed.length - anew.length)
        .withContext(id)
        .toBe(reached.size);
      for (const place of anew) expect(reached.has(place)).withContext(`${id} ${place.id}`).toBeFalse();
    }
    // The derived swatch moves with its source, though the source itself does not paint there.
    const hover = after(site, setRole(site, 'deep', 'link', { kind: 'swatch', swatch: 'dark' }));
    expect(
      groupsOf(siteIndex(hover), tokensMoving(tokenTable(hover.brand), 'color.core.brand')).reduce(
        (sum, group) => sum + group.count,
        0,
      ),
    ).toBeGreaterThan(new Set(reachRows(hover, 'color.core.brand').map(({ place }) => place)).size);
  });
  it('a rule that chose anew is told apart from what was edited', () => {
    const ruled = after(site, setRole(site, 'pale', 'text', { kind: 'readable' }));
    const now = after(ruled, setSwatchColor(ruled, 'brand', parseColor('#000000')!));
    const { changed } = ripple(ruled, now);
    const anew = placesChosenAnew(ruled, now, changed);
    expect(anew.some((place) => place.id === 'p/text')).toBeTrue();
    expect(anew.some((place) => place.id === 'h/text')).toBeFalse();
  });
});
