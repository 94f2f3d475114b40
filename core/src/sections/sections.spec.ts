import { acceptChange, insertOp } from '../change/index.ts';
import { readSite } from '../document/index.ts';
import { pageTree } from '../page/index.ts';
import { sectionOf } from '../site/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { SECTION_KINDS, layIn, type SectionKind } from './index.ts';

const site = smallSite();
const put = (kind: SectionKind) => acceptChange(site, { ops: [insertOp(site, ['pages', 'home', 'sections'], ['pages', 'home', 'sectionOrder'], 'new', { id: 'new', own: layIn(site, kind, 'new') })] }).site;

describe('a kind of section', () => {
  for (const kind of Object.values(SECTION_KINDS)) it(`${kind.id}: is laid in with the site's own styles, read back whole, and every word of it is a place`, () => {
    const after = put(kind);
    expect(readSite(JSON.parse(JSON.stringify(after)))).toEqual(after);
    const places = pageTree(after, 'home').places.filter(({ id }) => id.startsWith('new-b'));
    expect(places.length).toBeGreaterThanOrEqual(kind.columns.flat().length);
    expect(places.every(({ style }) => style === null || style in site.brand.styles)).toBe(true);
  });
  it('is data: columns, arrangement, variants, links and pictures of any other follow from it', () => {
    const after = put({
      id: 'call', label: 'Call to act', arrangement: 'first-wider',
      columns: [
        [{ kind: 'text', id: 'title', style: 'minor', level: 3, content: [{ text: 'Come by' }] }],
        [{ kind: 'buttons', id: 'go', order: ['a'], items: { a: { id: 'a', variant: 'main', size: 'middle', label: 'Home', href: { to: 'page', page: 'home' } } } }],
      ],
    });
    const section = sectionOf(after, after.pages['home']!.sections['new']!)!;
    expect([section.arrangement, section.blocks['new-b2']]).toEqual(['first-wider', jasmine.objectContaining({ items: { a: jasmine.objectContaining({ variant: site.brand.variantOrder[0]!, href: { to: 'page', page: site.pageOrder[0]! } }) } })]);
    expect(pageTree(after, 'home').places.some(({ id, kind }) => id.startsWith('new-b2') && kind === 'button')).toBe(true);
  });
  it('that names a role there is none of is refused by name', () => {
    const wrong: SectionKind = { id: 'odd', label: 'Odd', columns: [[{ kind: 'text', id: 't', style: 'shouting', level: null, content: [{ text: 'x' }] }]] };
    expect(() => layIn(site, wrong, 'new')).toThrowError(RangeError, 'The kind of section “odd” names style “shouting”, which is no role.');
  });
});
