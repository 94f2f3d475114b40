import { newSite } from '../begin/index.ts';
import { auditSite, findings } from '../legibility/index.ts';
import { readSite } from '../document/index.ts';
import { factProblemsByPage, pageTree } from '../page/index.ts';
import { pageHtml, stylesCss } from '../render/index.ts';
import { PAGE_KINDS } from '../sections/index.ts';
import { formerAddresses, sectionOf, type Site } from '../site/index.ts';
import { smallSite } from '../testing/small-site.ts';
import {
  acceptChange,
  addKept,
  addPage,
  addPicture,
  addressPage,
  anchorSection,
  gradientBehind,
  hideSection,
  pictureBehind,
  placeSection,
  putUnder,
  removeKept,
  removePage,
  renamePage,
  setValue,
} from './index.ts';
import { edited, testPicture } from '../testing/edited.ts';

describe('a gradient behind a section', () => {
  it('is a background of the brand: made once, then taken again', () => {
    const site = readSite(smallSite());
    const at = ['pages', 'home', 'sections', 's1', 'own'];
    const section = () => sectionOf(site, site.pages['home']!.sections['s1']!)!;
    const made = edited(site, (now) => gradientBehind(now, at, section(), 'g1'));
    expect(made.brand.grounds['g1']!.wash).toEqual({ angle: 180 });
    expect(sectionOf(made, made.pages['home']!.sections['s1']!)!.ground).toBe('g1');
    expect(stylesCss(made)).toMatch(/background--g1 \{[^}]*background-image/);
    expect(
      Object.keys(
        edited(
          made,
          (now) => setValue(now, '', [...at, 'ground'], section().ground),
          (now) => gradientBehind(now, at, section(), 'g2'),
        ).brand.grounds,
      ),
    ).toEqual(Object.keys(made.brand.grounds));
  });
});

describe('an address', () => {
  it('of the specimen is no page’s: not by its title, nor by what is typed', () => {
    const site = edited(
      readSite(smallSite()),
      (now) => addPage(now, 'p', null),
      (now) => renamePage(now, 'p', 'Specimen', true),
    );
    expect(site.pages['p']!.file).toBe('specimen-2.html');
    expect(() => acceptChange(site, setValue(site, '', ['pages', 'p', 'file'], 'specimen.html'))).toThrowError(
      /is reserved for the specimen/,
    );
    for (const bad of ['', 'a/b.html', '../up.html', 'Fares.html', 'fares', 'index.htm'])
      expect(() => acceptChange(site, setValue(site, '', ['pages', 'p', 'file'], bad)))
        .withContext(bad)
        .toThrow();
  });
});

describe('pages of a kind', () => {
  it('begin with a first heading that is their title, accepted and passing as far as the brand passes', () => {
    const site = edited(readSite(newSite({ id: 'begun', name: 'Begun', language: 'en' })), (now) =>
      addPicture(now, testPicture('a1')),
    );
    const failing = (of: Site) => new Set(findings(auditSite(of)).map(({ rule }) => rule));
    for (const kind of Object.values(PAGE_KINDS)) {
      const made = edited(site, (now) => addPage(now, 'p1', null, kind));
      const headings = pageTree(made, 'p1').places.filter(({ level }) => level !== null);
      expect(headings.filter(({ level }) => level === 1).length)
        .withContext(kind.id)
        .toBe(1);
      expect(made.pages['p1']!.title).withContext(kind.id).toBe(kind.title);
      expect([...failing(made)].filter((rule) => !failing(site).has(rule)))
        .withContext(kind.id)
        .toEqual([]);
    }
    expect(
      edited(readSite(smallSite()), (now) => addPage(now, 'p1', null, PAGE_KINDS.item)).pages['p1']!.sectionOrder
        .length,
    )
      .withContext('without a picture')
      .toBeLessThan(PAGE_KINDS.item.sections.length);
  });
  it('stand under another, one level, and move up when that one goes', () => {
    const site = edited(
      readSite(smallSite()),
      (now) => addPage(now, 'p1', null),
      (now) => addPage(now, 'p2', null),
      (now) => putUnder(now, 'p1', 'more'),
    );
    expect(() => putUnder(site, 'p2', 'p1')).toThrowError(/Pages nest one level deep/);
    expect(() => putUnder(site, 'more', 'p2')).toThrowError(/Pages nest one level deep/);
    expect(() => putUnder(site, 'p2', 'home')).toThrowError(/home page/);
    expect(() => acceptChange(site, setValue(site, '', ['pages', 'p2', 'under'], 'p1'))).toThrowError(
      /cannot be placed under New page/,
    );
    expect(edited(site, (now) => removePage(now, 'more')).pages['p1']!.under).toBeUndefined();
  });
  it('keep the addresses they had while they were live, until another page takes one', () => {
    const site = edited(
      readSite(smallSite()),
      (now) => addressPage(now, 'more', 'further.html', true),
      (now) => addressPage(now, 'more', 'last.html', true),
    );
    expect([...formerAddresses(site).keys()]).toEqual(['more.html', 'further.html']);
    const taken = edited(
      site,
      (now) => addPage(now, 'p1', null),
      (now) => addressPage(now, 'p1', 'more.html', false),
    );
    expect([...formerAddresses(taken).keys()]).toEqual(['further.html']);
    expect([...formerAddresses(edited(site, (now) => addressPage(now, 'more', 'more.html', true))).keys()]).toEqual([
      'further.html',
      'last.html',
    ]);
    expect(
      edited(readSite(smallSite()), (now) => addressPage(now, 'more', 'new.html', false)).pages['more']!.former,
    ).toBeUndefined();
  });
});

describe('a section of a page', () => {
  const site = readSite(smallSite());
  it('is not judged at widths at which it is not shown, and says so in its class', () => {
    const small = setValue(site, '', ['pages', 'home', 'overrides', 'o1'], {
      id: 'o1',
      place: 'p/text',
      property: 'font-size',
      band: 'phone',
      origin: 'set',
      value: { kind: 'literal', css: '9px' },
      reason: null,
    });
    const failing = acceptChange(site, small).site;
    const onPhone = (of: Site) =>
      findings(auditSite(of)).filter(({ place, width }) => place.id === 'p/text' && width < 640).length;
    expect(onPhone(failing)).toBeGreaterThan(0);
    const hidden = edited(failing, (now) => hideSection(now, 'home', 's1', ['phone']));
    expect(onPhone(hidden)).toBe(0);
    expect(pageHtml(hidden, 'home')).toContain('hidden-phone');
    expect(stylesCss(hidden)).toMatch(/@media \(width <= \d+px\) \{ \.hidden-phone \{ display: none; \} \}/);
    expect(
      edited(hidden, (now) => hideSection(now, 'home', 's1', [])).pages['home']!.sections['s1']!.hidden,
    ).toBeUndefined();
    expect(() => acceptChange(site, hideSection(site, 'home', 's1', ['phone', 'tablet', 'desktop']))).toThrowError(
      /must leave a width/,
    );
  });
  it('is led to by its anchor, links follow when it is renamed, and those to one that is gone are listed', () => {
    const link = (now: Site) =>
      setValue(
        now,
        '',
        ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'p', 'content'],
        [{ text: 'See ' }, { id: 'l1', link: { to: 'page', page: 'more', anchor: 'hours' }, text: 'more' }],
      );
    const led = edited(site, (now) => anchorSection(now, 'more', 't1', 'hours'), link);
    expect(pageHtml(led, 'home')).toContain('href="more.html#hours"');
    expect(pageHtml(led, 'more')).toContain('id="hours"');
    const renamed = edited(led, (now) => anchorSection(now, 'more', 't1', 'opening'));
    expect(pageHtml(renamed, 'home')).toContain('href="more.html#opening"');
    const gone = edited(led, (now) => setValue(now, '', ['pages', 'more', 'sections', 't1', 'anchor'], undefined));
    expect([...factProblemsByPage(gone)].flat().map(({ words }) => words)).toContain(
      'link to More › hours, which is not there',
    );
    expect(() => acceptChange(led, anchorSection(led, 'more', 't2', 'hours'))).toThrowError(
      /Another section of the page has the anchor hours/,
    );
  });
  it('that is kept is deleted as was asked: pages keep one of their own, or lose it', () => {
    let n = 0;
    const twice = edited(site, (now) => addKept(now, 'more', 'again', 'common'));
    const owned = edited(twice, (now) => removeKept(now, 'common', true, () => `x${++n}`));
    expect(Object.keys(owned.shared.sections)).toEqual([]);
    expect(
      ['home', 'more'].map((id) => pageTree(owned, id).places.filter(({ label }) => label.includes('Shared')).length),
    ).toEqual(
      ['home', 'more'].map((id) => pageTree(twice, id).places.filter(({ label }) => label.includes('Shared')).length),
    );
    const less = edited(twice, (now) => removeKept(now, 'common', false, () => `x${++n}`));
    expect([less.pages['home']!.sectionOrder, Object.keys(less.shared.sections)]).toEqual([['s1'], []]);
  });
  it('is put behind any other, and has a picture behind it under a shade', () => {
    expect(edited(site, (now) => placeSection(now, 'home', 's2', null)).pages['home']!.sectionOrder).toEqual([
      's2',
      's1',
    ]);
    expect(placeSection(site, 'home', 's2', 's1')).toBeUndefined();
    const at = ['pages', 'home', 'sections', 's1', 'own'];
    const behind = edited(
      site,
      (now) => addPicture(now, testPicture('a1')),
      (now) => pictureBehind(now, at, sectionOf(now, now.pages['home']!.sections['s1']!)!, 'a1'),
    );
    expect(pageTree(behind, 'home').places.find(({ id }) => id === 's1/backdrop')!.asset).toBe('a1');
  });
});
