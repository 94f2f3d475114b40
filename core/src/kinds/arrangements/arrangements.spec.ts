import { acceptChange, ChangeRefused, setValue } from '../../change/index.ts';
import { readSite } from '../../document/index.ts';
import { pageHtml, stylesCss } from '../../render/index.ts';
import { smallSite } from '../../testing/small-site.ts';
import { ARRANGEMENTS, arrangedClass, arrangementOf } from './index.ts';

const at = ['pages', 'home', 'sections', 's1', 'own'];
const site = readSite(smallSite());

describe('arrangements', () => {
  it('are even unless a section says otherwise, and put its columns in their class', () => {
    expect(arrangementOf({}).id).toBe('even');
    expect(pageHtml(site, 'home')).toContain('class="cols cols-1 arranged-even"');
    const narrow = acceptChange(site, setValue(site, 'Arrangement', [...at, 'arrangement'], 'narrow')).site;
    expect(readSite(narrow)).toEqual(narrow);
    expect(pageHtml(narrow, 'home')).toContain('class="cols cols-1 arranged-narrow"');
    // The surroundings of the page stay the same.
    expect(pageHtml(narrow, 'more')).toBe(pageHtml(site, 'more'));
  });
  it('are each in the stylesheet by their own class', () => {
    const css = stylesCss(site);
    for (const { id } of ARRANGEMENTS)
      expect(css)
        .withContext(id)
        .toContain(`.${arrangedClass(id)}`);
    expect(new Set(ARRANGEMENTS.map((arrangement) => arrangement.id)).size).toBe(ARRANGEMENTS.length);
  });
  it('are refused for another number of columns than they take, with the path, and unknown ones', () => {
    const refusal = (value: string) => {
      try {
        acceptChange(site, setValue(site, 'Arrangement', [...at, 'arrangement'], value));
      } catch (error) {
        return (error as ChangeRefused).message;
      }
      return '';
    };
    expect(refusal('last-first')).toBe(
      `${at.join('.')}.arrangement is “last column first on a phone”, for 2 columns; this section has 1. The last good value is kept.`,
    );
    expect(refusal('spiral')).toMatch(/own\.arrangement .*The last good value is kept\./);
  });
});
