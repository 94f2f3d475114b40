import { auditSite, findings } from '../legibility/index.ts';
import { readSite } from '../document/index.ts';
import { pageTree, partPatterns, publishedPages } from '../page/index.ts';
import { pageHtml } from '../render/index.ts';
import { SECTION_KINDS } from '../sections/index.ts';
import { sectionOf, type Site } from '../site/index.ts';
import { smallSite } from '../testing/small-site.ts';
import {
  acceptChange,
  addMenuEntry,
  addPage,
  addPicture,
  addSection,
  addToMenu,
  buttonMenuEntry,
  dragMenuEntry,
  keepSection,
  pageEnd,
  pagesWith,
  sectionAddress,
  menuEntries,
  menuFromPages,
  moveMenuEntry,
  nestMenuEntry,
  pictureBehind,
  putUnder,
  removeKept,
  removeMenuEntry,
  setValue,
} from './index.ts';
import { edited, testPicture } from '../testing/edited.ts';

describe('the menu', () => {
  const three = edited(
    readSite(smallSite()),
    (now) => addToMenu(now, 'home', 'm2'),
    (now) => addMenuEntry(now, 'm3', 'Write', { to: 'url', url: 'mailto:a@b.example' }),
  );
  const lines = (site: Site) => menuEntries(site).map(({ id, under }) => (under === undefined ? id : `${under}>${id}`));
  it('has entries for pages and for what is elsewhere, moved among those they stand with', () => {
    expect(lines(three)).toEqual(['m1', 'm2', 'm3']);
    expect(pageHtml(three, 'home')).toContain('href="mailto:a@b.example"');
    expect(
      lines(
        edited(
          three,
          (now) => moveMenuEntry(now, 'm3', -1),
          (now) => moveMenuEntry(now, 'm3', -1),
        ),
      ),
    ).toEqual(['m3', 'm1', 'm2']);
    expect(moveMenuEntry(three, 'm3', 1)).toBeUndefined();
  });
  it('nests one level: opened without script, and taken out again behind the one it was under', () => {
    const nested = edited(
      three,
      (now) => nestMenuEntry(now, 'm2', true),
      (now) => nestMenuEntry(now, 'm3', true),
    );
    expect(lines(nested)).toEqual(['m1', 'm1>m2', 'm1>m3']);
    const html = pageHtml(nested, 'home');
    expect(html).toContain('<details><summary');
    // The page that is open says so, and the entry above it still leads where it did.
    expect(html).toMatch(/href="index.html"[^>]*aria-current="page"/);
    expect([...html.matchAll(/href="more.html"/g)].length).toBeGreaterThan(1);
    expect(nestMenuEntry(nested, 'm2', true)).toBeUndefined();
    expect(nestMenuEntry(nested, 'm1', true)).toBeUndefined();
    expect(lines(edited(nested, (now) => nestMenuEntry(now, 'm2', false)))).toEqual(['m1', 'm1>m3', 'm2']);
    expect(lines(edited(nested, (now) => removeMenuEntry(now, 'm1')))).toEqual(['m2', 'm3']);
    expect(() =>
      acceptChange(nested, setValue(nested, '', ['shared', 'header', 'items', 'm1', 'under'], 'm2')),
    ).toThrowError(/can only be indented one level/);
  });
  it('takes an entry where it is dragged to, under the one above it when it is pulled inwards', () => {
    expect(lines(edited(three, (now) => dragMenuEntry(now, 'm3', 0, false)))).toEqual(['m3', 'm1', 'm2']);
    const nested = edited(three, (now) => dragMenuEntry(now, 'm2', 1, true));
    expect(lines(nested)).toEqual(['m1', 'm1>m2', 'm3']);
    // Dropped between an entry and what is under it, it is under it; what has some under it takes them along.
    expect(lines(edited(nested, (now) => dragMenuEntry(now, 'm3', 1, false)))).toEqual(['m1', 'm1>m3', 'm1>m2']);
    expect(lines(edited(nested, (now) => dragMenuEntry(now, 'm1', 1, false)))).toEqual(['m3', 'm1', 'm1>m2']);
    expect(lines(edited(nested, (now) => dragMenuEntry(now, 'm2', 2, false)))).toEqual(['m1', 'm3', 'm2']);
    expect(dragMenuEntry(nested, 'm1', 1, true)).toBeUndefined();
    expect(dragMenuEntry(three, 'm2', 1, false)).toBeUndefined();
  });
  it('has a button where an entry is made one, which takes none under it', () => {
    const made = edited(three, (now) => buttonMenuEntry(now, 'm2', 'primary'));
    expect(pageTree(made, 'home').places.find(({ id }) => id === 'header/m2')!.kind).toBe('button');
    expect(nestMenuEntry(made, 'm3', true)).toBeUndefined();
    expect(
      menuEntries(edited(made, (now) => buttonMenuEntry(now, 'm2', null))).find(({ id }) => id === 'm2')!.look,
    ).toBeUndefined();
  });
  it('stands beside, below or centred under the name, and stays on scroll when asked to', () => {
    const set = edited(
      three,
      (now) => setValue(now, '', ['shared', 'header', 'arrangement'], 'centred'),
      (now) => setValue(now, '', ['shared', 'header', 'stays'], true),
    );
    expect(pageHtml(set, 'home')).toContain('class="header name-centred stays');
    expect(() => acceptChange(three, setValue(three, '', ['shared', 'header', 'arrangement'], 'sideways'))).toThrow();
  });
  it('folds on phones behind words that open it, and says above itself what everybody should read, on a ground of its own', () => {
    const set = edited(
      three,
      (now) => setValue(now, '', ['shared', 'header', 'fold'], 'Menu'),
      (now) =>
        setValue(now, '', ['shared', 'header', 'notice'], {
          ground: 'deep',
          style: 'running',
          content: [{ text: 'Closed on Monday.' }],
        }),
    );
    expect(pageHtml(set, 'home')).toMatch(
      /<header[^>]*><div[^>]*class="notice background--deep[^>]*><p[^>]*>Closed on Monday\.<\/p><\/div>/,
    );
    const places = pageTree(set, 'home').places;
    expect(places.find(({ id }) => id === 'header/fold')!.hidden).toEqual(['tablet', 'desktop']);
    expect(places.find(({ id }) => id === 'header/notice-words')!.under!.id).toBe('header/notice');
    expect(findings(auditSite(set)).filter(({ place }) => place.section === 'header')).toEqual([]);
    expect(() => acceptChange(three, setValue(three, '', ['shared', 'header', 'fold'], ''))).toThrow();
  });
  it('lies over the picture of a page’s first section, judged by what that shows; elsewhere on its own ground', () => {
    const pictured = edited(
      three,
      (now) => addPicture(now, testPicture('a1')),
      (now) =>
        pictureBehind(
          now,
          ['pages', 'home', 'sections', 's1', 'own'],
          sectionOf(now, now.pages['home']!.sections['s1']!)!,
          'a1',
        ),
      (now) => setValue(now, '', ['shared', 'header', 'over'], true),
    );
    const name = (page: string) => pageTree(pictured, page).places.find(({ id }) => id === 'header/name')!;
    expect([name('home').under!.id, name('home').pictured, name('more').under!.id, name('more').pictured]).toEqual([
      's1/surface',
      true,
      'header/surface',
      false,
    ]);
    expect(pageHtml(pictured, 'home')).toMatch(/<header[^>]*class="header over-first/);
    expect(pageHtml(pictured, 'more')).not.toContain('over-first');
    // Before the pixels are read it cannot be told; the same header elsewhere can.
    const told = findings(auditSite(pictured), new Set(['cannot-tell'])).filter(
      ({ place }) => place.section === 'header',
    );
    expect(new Set(told.map(({ place }) => place.page))).toEqual(new Set(['home']));
    expect(partPatterns(pictured, pictured.pages['home']!)[0]!.shape).not.toBe(
      partPatterns(pictured, pictured.pages['more']!)[0]!.shape,
    );
  });
  it('stands once more in a section, and follows there', () => {
    const site = edited(three, (now) => addSection(now, 'home', 'x1', undefined, SECTION_KINDS['footer-menu']));
    const links = (of: Site) =>
      pageTree(of, 'home')
        .places.filter(({ id }) => id.startsWith('x1-b2/menu/'))
        .map(({ label }) => label);
    expect(links(site).length).toBe(3);
    expect(links(edited(site, (now) => removeMenuEntry(now, 'm2'))).length).toBe(2);
    expect(auditSite(site).index.count).toBe(
      auditSite(edited(site, (now) => removeMenuEntry(now, 'm2'))).index.count + publishedPages(site).length + 1,
    );
  });
  it('follows the pages when asked to: in their order, those under another under its entry, the rest behind', () => {
    const pages = edited(
      three,
      (now) => addPage(now, 'p1', null),
      (now) => putUnder(now, 'p1', 'more'),
    );
    expect(lines(edited(pages, (now) => menuFromPages(now, (page) => `m-${page}`)))).toEqual([
      'm2',
      'm1',
      'm1>m-p1',
      'm3',
    ]);
  });
});

describe('a page with a header or footer of its own', () => {
  const kept = edited(
    readSite(smallSite()),
    (now) => addSection(now, 'home', 'x1', undefined, SECTION_KINDS['footer-menu']),
    (now) => keepSection(now, 'home', 'x1', 'k1', 'x2'),
    (now) => addSection(now, 'more', 'x3'),
  );
  const parts = (site: Site, page: string) => pageTree(site, page).parts.map(({ id, label }) => `${id}: ${label}`);
  it('shows the kept section there, on that page alone, or nothing at all', () => {
    const site = edited(
      kept,
      (now) => pageEnd(now, 'more', 'header', 'k1'),
      (now) => pageEnd(now, 'more', 'footer', null),
    );
    expect(parts(site, 'more').slice(0, 1)).toEqual(['header: Menu links']);
    expect(parts(site, 'more').some((part) => part.startsWith('footer'))).toBeFalse();
    expect(parts(site, 'home')).toEqual(parts(kept, 'home'));
    expect(pageHtml(site, 'more')).toMatch(/<header[^>]*data-part="header"/);
    expect(pageHtml(site, 'more')).not.toContain('<footer');
    expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
    // It is edited where the section is kept, and counted with its pages.
    expect(sectionAddress(site, 'more', 'header')).toEqual(['shared', 'sections', 'k1']);
    expect(pagesWith(site, 'k1')).toEqual(['home', 'more']);
    expect(partPatterns(site, site.pages['more']!).map(({ id }) => id)).toEqual(
      pageTree(site, 'more').parts.map(({ id }) => id),
    );
    expect(
      parts(
        edited(
          site,
          (now) => pageEnd(now, 'more', 'header', undefined),
          (now) => pageEnd(now, 'more', 'footer', undefined),
        ),
        'more',
      ),
    ).toEqual(parts(kept, 'more'));
  });
  it('has same as all pages back when the section goes, and values that were set on it go with it', () => {
    const site = edited(kept, (now) => pageEnd(now, 'home', 'footer', 'k1'));
    const gone = edited(site, (now) => removeKept(now, 'k1', true, () => 'x9'));
    expect(gone.pages['home']!.footer).toBeUndefined();
    const set = edited(kept, (now) =>
      setValue(now, '', ['pages', 'more', 'overrides'], {
        o1: {
          id: 'o1',
          place: 'header/name',
          property: 'font-size',
          band: null,
          value: { kind: 'literal', css: '30px' },
          origin: 'set',
          reason: null,
        },
      }),
    );
    expect(edited(set, (now) => pageEnd(now, 'more', 'header', null)).pages['more']!.overrides).toEqual({});
  });
});
