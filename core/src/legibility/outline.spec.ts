import { acceptChange, addPage, addPicture, addSection, setValue } from '../change/index.ts';
import { readSite } from '../document/index.ts';
import { SECTION_KINDS } from '../sections/index.ts';
import type { Site } from '../site/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { headerFixes } from './header-fixes.ts';
import { auditSite, findings, type RuleId } from './index.ts';
import { outlineFix } from './outline-fix.ts';
import { edited } from '../testing/edited.ts';

const rules: readonly RuleId[] = ['first-heading', 'link-words', 'alternative-text', 'skipped-level', 'covered'];
const failing = (site: Site, layout: Parameters<typeof auditSite>[4] = []) =>
  findings(auditSite(site, undefined, undefined, undefined, layout)).filter(({ rule }) => rules.includes(rule));
/** The site after what its first finding is fixed with. */
const fixed = (site: Site, layout?: Parameters<typeof auditSite>[4]) => {
  const [finding] = failing(site, layout);
  return edited(site, () => outlineFix(site, finding!.rule, finding!.place, finding!.found, finding!.needed));
};
const site = edited(readSite(smallSite()), (now) => addPage(now, 'p', null));
const at = (of: Site, block: number) => [
  'pages',
  'p',
  'sections',
  of.pages['p']!.sectionOrder[0]!,
  'own',
  'blocks',
  `${of.pages['p']!.sectionOrder[0]!}-b${block}`,
];

describe('the outline of a page, as part of its audit', () => {
  it('passes on a new page', () => {
    expect(failing(site).filter(({ place }) => place.page === 'p')).toEqual([]);
  });
  it('needs one first heading: none and two fail, and one press gives what is missing or lowers the others', () => {
    const none = edited(site, (now) => setValue(now, '', [...at(now, 1), 'level'], null));
    expect(failing(none).map(({ rule, place, found }) => [rule, place.page, found])).toContain([
      'first-heading',
      'p',
      0,
    ]);
    expect(failing(fixed(none)).filter(({ rule }) => rule === 'first-heading')).toEqual([]);
    const two = edited(site, (now) => setValue(now, '', [...at(now, 2), 'level'], 1));
    expect(failing(two).map(({ rule, found }) => [rule, found])).toContain(['first-heading', 2]);
    expect(failing(fixed(two))).toEqual([]);
  });
  it('leaves out no level, and one press puts the right one in its place', () => {
    const deep = edited(site, (now) => setValue(now, '', [...at(now, 2), 'level'], 4));
    expect(failing(deep).map(({ rule, found, needed }) => [rule, found, needed])).toContain(['skipped-level', 4, 2]);
    expect(failing(fixed(deep))).toEqual([]);
  });
  it('has links whose words say where they lead', () => {
    const here = edited(site, (now) =>
      setValue(
        now,
        '',
        [...at(now, 2), 'content'],
        [{ text: 'For the fares press ' }, { id: 'l9', link: { to: 'url', url: 'https://a.example' }, text: 'here' }],
      ),
    );
    expect(failing(here).map(({ rule, place }) => [rule, place.id.split('/')[1]])).toEqual([['link-words', 'l9']]);
    expect(outlineFix(here, 'link-words', failing(here)[0]!.place, 0, 1)).toBeUndefined();
  });
  it('has pictures of which something is said that is no file’s name, and no page of text', () => {
    const asset = {
      id: 'view',
      name: 'View',
      hash: 'a'.repeat(64),
      type: 'image/png' as const,
      width: 1600,
      height: 900,
    };
    const pictured = edited(
      readSite({ ...smallSite(), assets: { view: asset } }),
      (now) => addPage(now, 'p', null),
      (now) => addSection(now, 'p', 'x', undefined, SECTION_KINDS.gallery),
    );
    const said = (alt: string) =>
      edited(pictured, (now) =>
        setValue(now, '', ['pages', 'p', 'sections', 'x', 'own', 'blocks', 'x-b2', 'items', 'i1', 'alt'], alt),
      );
    for (const alt of ['', 'A lamp on a pier', 'x'.repeat(250)])
      expect(failing(said(alt)).filter(({ place }) => place.page === 'p'))
        .withContext(alt)
        .toEqual([]);
    for (const alt of ['IMG_2041.jpg', 'x'.repeat(251)]) {
      const found = failing(said(alt)).filter(({ place }) => place.page === 'p');
      expect(found.map(({ rule, place, found: is, needed }) => [rule, place.kind, is, needed]))
        .withContext(alt)
        .toEqual([['alternative-text', 'picture', 0, 1]]);
      expect(outlineFix(said(alt), 'alternative-text', found[0]!.place, 0, 1)).toBeUndefined();
    }
  });
  it('has a header that stays and covers no more than is kept free', () => {
    const stays = edited(site, (now) => setValue(now, '', ['shared', 'header', 'stays'], true));
    const reading = (found: number) => [
      { page: 'p', place: 'header/surface', width: 390, rule: 'covered' as const, found },
    ];
    expect(failing(stays, reading(96))).toEqual([]);
    expect(failing(stays, reading(140)).map(({ rule, found, needed, width }) => [rule, found, needed, width])).toEqual([
      ['covered', 140, 96, 390],
    ]);
    expect(fixed(stays, reading(140)).shared.header.stays).toBeUndefined();
    // Without a logo there is none to make smaller.
    const [finding] = failing(stays, reading(140));
    expect(headerFixes(stays, finding!.place, 140, 96)).toEqual([]);
    // A square logo 100 px wide with 10 % around it is 120 px high.
    const logo = {
      forms: { f: { id: 'f', label: 'Mark', asset: 'a1', colors: [{ hex: '#000000', share: 1 }], plate: null } },
      formOrder: ['f'],
      onGround: {},
      named: true,
      icon: { form: 'f', ground: null, margin: 0.06 },
    };
    const marked = (width: number, clear: number) =>
      edited(
        stays,
        (now) =>
          addPicture(now, {
            id: 'a1',
            name: 'Mark.png',
            hash: 'cd'.repeat(32),
            type: 'image/png',
            width: 200,
            height: 200,
          }),
        (now) => setValue(now, '', ['shared', 'logo'], logo),
        (now) => setValue(now, '', ['brand', 'logo'], { width, smallest: 70, clear }),
      );
    const offered = (of: Site, found: number) =>
      headerFixes(of, finding!.place, found, 96).map((edit) => [edit.label, acceptChange(of, edit).site.brand.logo]);
    expect(offered(marked(100, 0.1), 108)).toEqual([
      ['Clear space of the logo 4 %', { width: 100, smallest: 70, clear: 0.04 }],
      ['Logo 90 px wide', { width: 90, smallest: 70, clear: 0.1 }],
    ]);
    // First the clear space is too small, then the logo too.
    expect(offered(marked(100, 0.1), 126).map(([label]) => label)).toEqual(['Logo 75 px wide']);
    expect(offered(marked(100, 0.1), 140)).toEqual([]);
  });
});
