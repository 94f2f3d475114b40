import { newSite } from '../begin/index.ts';
import { auditSite, findings } from '../legibility/index.ts';
import { readSite } from '../document/index.ts';
import { factProblemsByPage, offeredFields, pageTree, partShapes, publishedPages } from '../page/index.ts';
import { pageHtml, stylesCss } from '../render/index.ts';
import { PAGE_KINDS, SECTION_KINDS, clipSection, fromClip, matchClip, readClip } from '../sections/index.ts';
import { formerAddresses, sectionOf, type Asset, type Site } from '../site/index.ts';
import { cssColor, parseColor } from '../color/index.ts';
import { resolveToken, tokenTable } from '../style/index.ts';
import { smallSite } from '../testing/small-site.ts';
import {
  acceptChange, addClip, addKept, addMenuEntry, addPage, addPicture, addSection, addToMenu, addressPage, anchorSection, buttonMenuEntry, dragMenuEntry, gradientBehind, hideSection, keepSection, keptPictures, pageEnd, pagesWith, sectionAddress, menuEntries, menuFromPages, moveMenuEntry, nestMenuEntry, pictureBehind,
  placeSection, putUnder, removeKept, removeMenuEntry, removePage, removePicture, renamePage, replacePicture, setValue, type Edit,
} from './index.ts';

const after = (site: Site, ...makes: ((now: Site) => Edit | undefined)[]): Site => makes.reduce((now, make) => {
  const edit = make(now);
  return edit ? acceptChange(now, edit).site : now;
}, site);
const picture = (id: string): Asset => ({ id, name: `${id}.png`, hash: 'cd'.repeat(32), type: 'image/png', width: 100, height: 60 });

describe('the menu', () => {
  const three = after(readSite(smallSite()), (now) => addToMenu(now, 'home', 'm2'), (now) => addMenuEntry(now, 'm3', 'Write', { to: 'url', url: 'mailto:a@b.example' }));
  const lines = (site: Site) => menuEntries(site).map(({ id, under }) => (under === undefined ? id : `${under}>${id}`));
  it('has entries for pages and for what is elsewhere, moved among those they stand with', () => {
    expect(lines(three)).toEqual(['m1', 'm2', 'm3']);
    expect(pageHtml(three, 'home')).toContain('href="mailto:a@b.example"');
    expect(lines(after(three, (now) => moveMenuEntry(now, 'm3', -1), (now) => moveMenuEntry(now, 'm3', -1)))).toEqual(['m3', 'm1', 'm2']);
    expect(moveMenuEntry(three, 'm3', 1)).toBeUndefined();
  });
  it('nests one level: opened without script, and taken out again behind the one it was under', () => {
    const nested = after(three, (now) => nestMenuEntry(now, 'm2', true), (now) => nestMenuEntry(now, 'm3', true));
    expect(lines(nested)).toEqual(['m1', 'm1>m2', 'm1>m3']);
    const html = pageHtml(nested, 'home');
    expect(html).toContain('<details><summary');
    // The page that is open says so, and the entry above it still leads where it did.
    expect(html).toMatch(/href="index.html"[^>]*aria-current="page"/);
    expect([...html.matchAll(/href="more.html"/g)].length).toBeGreaterThan(1);
    expect(nestMenuEntry(nested, 'm2', true)).toBeUndefined();
    expect(nestMenuEntry(nested, 'm1', true)).toBeUndefined();
    expect(lines(after(nested, (now) => nestMenuEntry(now, 'm2', false)))).toEqual(['m1', 'm1>m3', 'm2']);
    expect(lines(after(nested, (now) => removeMenuEntry(now, 'm1')))).toEqual(['m2', 'm3']);
    expect(() => acceptChange(nested, setValue(nested, '', ['shared', 'header', 'items', 'm1', 'under'], 'm2'))).toThrowError(/can only be indented one level/);
  });
  it('takes an entry where it is dragged to, under the one above it when it is pulled inwards', () => {
    expect(lines(after(three, (now) => dragMenuEntry(now, 'm3', 0, false)))).toEqual(['m3', 'm1', 'm2']);
    const nested = after(three, (now) => dragMenuEntry(now, 'm2', 1, true));
    expect(lines(nested)).toEqual(['m1', 'm1>m2', 'm3']);
    // Dropped between an entry and what is under it, it is under it; what has some under it takes them along.
    expect(lines(after(nested, (now) => dragMenuEntry(now, 'm3', 1, false)))).toEqual(['m1', 'm1>m3', 'm1>m2']);
    expect(lines(after(nested, (now) => dragMenuEntry(now, 'm1', 1, false)))).toEqual(['m3', 'm1', 'm1>m2']);
    expect(lines(after(nested, (now) => dragMenuEntry(now, 'm2', 2, false)))).toEqual(['m1', 'm3', 'm2']);
    expect(dragMenuEntry(nested, 'm1', 1, true)).toBeUndefined();
    expect(dragMenuEntry(three, 'm2', 1, false)).toBeUndefined();
  });
  it('has a button where an entry is made one, which takes none under it', () => {
    const made = after(three, (now) => buttonMenuEntry(now, 'm2', 'primary'));
    expect(pageTree(made, 'home').places.find(({ id }) => id === 'header/m2')!.kind).toBe('button');
    expect(nestMenuEntry(made, 'm3', true)).toBeUndefined();
    expect(menuEntries(after(made, (now) => buttonMenuEntry(now, 'm2', null))).find(({ id }) => id === 'm2')!.look).toBeUndefined();
  });
  it('stands beside, below or centred under the name, and stays on scroll when asked to', () => {
    const set = after(three, (now) => setValue(now, '', ['shared', 'header', 'arrangement'], 'centred'), (now) => setValue(now, '', ['shared', 'header', 'stays'], true));
    expect(pageHtml(set, 'home')).toContain('class="header name-centred stays');
    expect(() => acceptChange(three, setValue(three, '', ['shared', 'header', 'arrangement'], 'sideways'))).toThrow();
  });
  it('folds on phones behind words that open it, and says above itself what everybody should read, on a ground of its own', () => {
    const set = after(three, (now) => setValue(now, '', ['shared', 'header', 'fold'], 'Menu'), (now) => setValue(now, '', ['shared', 'header', 'notice'], { ground: 'deep', style: 'running', content: [{ text: 'Closed on Monday.' }] }));
    expect(pageHtml(set, 'home')).toMatch(/<header[^>]*><div[^>]*class="notice surface--deep[^>]*><p[^>]*>Closed on Monday\.<\/p><\/div>/);
    const places = pageTree(set, 'home').places;
    expect(places.find(({ id }) => id === 'header/fold')!.hidden).toEqual(['tablet', 'desktop']);
    expect(places.find(({ id }) => id === 'header/notice-words')!.under!.id).toBe('header/notice');
    expect(findings(auditSite(set)).filter(({ place }) => place.section === 'header')).toEqual([]);
    expect(() => acceptChange(three, setValue(three, '', ['shared', 'header', 'fold'], ''))).toThrow();
  });
  it('lies over the picture of a page’s first section, judged by what that shows; elsewhere on its own ground', () => {
    const pictured = after(three, (now) => addPicture(now, picture('a1')), (now) => pictureBehind(now, ['pages', 'home', 'sections', 's1', 'own'], sectionOf(now, now.pages['home']!.sections['s1']!)!, 'a1'), (now) => setValue(now, '', ['shared', 'header', 'over'], true));
    const name = (page: string) => pageTree(pictured, page).places.find(({ id }) => id === 'header/name')!;
    expect([name('home').under!.id, name('home').pictured, name('more').under!.id, name('more').pictured]).toEqual(['s1/surface', true, 'header/surface', false]);
    expect(pageHtml(pictured, 'home')).toMatch(/<header[^>]*class="header over-first/);
    expect(pageHtml(pictured, 'more')).not.toContain('over-first');
    // Before the pixels are read it cannot be told; the same header elsewhere can.
    const told = findings(auditSite(pictured), new Set(['cannot-tell'])).filter(({ place }) => place.section === 'header');
    expect(new Set(told.map(({ place }) => place.page))).toEqual(new Set(['home']));
    expect(partShapes(pictured, pictured.pages['home']!)[0]!.shape).not.toBe(partShapes(pictured, pictured.pages['more']!)[0]!.shape);
  });
  it('stands once more in a section, and follows there', () => {
    const site = after(three, (now) => addSection(now, 'home', 'x1', undefined, SECTION_KINDS['footer-menu']));
    const links = (of: Site) => pageTree(of, 'home').places.filter(({ id }) => id.startsWith('x1-b2/menu/')).map(({ label }) => label);
    expect(links(site).length).toBe(3);
    expect(links(after(site, (now) => removeMenuEntry(now, 'm2'))).length).toBe(2);
    expect(auditSite(site).index.count).toBe(auditSite(after(site, (now) => removeMenuEntry(now, 'm2'))).index.count + publishedPages(site).length + 1);
  });
  it('follows the pages when asked to: in their order, those under another under its entry, the rest behind', () => {
    const pages = after(three, (now) => addPage(now, 'p1', null), (now) => putUnder(now, 'p1', 'more'));
    expect(lines(after(pages, (now) => menuFromPages(now, (page) => `m-${page}`)))).toEqual(['m2', 'm1', 'm1>m-p1', 'm3']);
  });
});

describe('a page with a header or footer of its own', () => {
  const kept = after(readSite(smallSite()), (now) => addSection(now, 'home', 'x1', undefined, SECTION_KINDS['footer-menu']), (now) => keepSection(now, 'home', 'x1', 'k1', 'x2'), (now) => addSection(now, 'more', 'x3'));
  const parts = (site: Site, page: string) => pageTree(site, page).parts.map(({ id, label }) => `${id}: ${label}`);
  it('shows the kept section there, on that page alone, or nothing at all', () => {
    const site = after(kept, (now) => pageEnd(now, 'more', 'header', 'k1'), (now) => pageEnd(now, 'more', 'footer', null));
    expect(parts(site, 'more').slice(0, 1)).toEqual(['header: Menu links']);
    expect(parts(site, 'more').some((part) => part.startsWith('footer'))).toBeFalse();
    expect(parts(site, 'home')).toEqual(parts(kept, 'home'));
    expect(pageHtml(site, 'more')).toMatch(/<header[^>]*data-part="header"/);
    expect(pageHtml(site, 'more')).not.toContain('<footer');
    expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
    // It is edited where the section is kept, and counted with its pages.
    expect(sectionAddress(site, 'more', 'header')).toEqual(['shared', 'sections', 'k1']);
    expect(pagesWith(site, 'k1')).toEqual(['home', 'more']);
    expect(partShapes(site, site.pages['more']!).map(({ id }) => id)).toEqual(pageTree(site, 'more').parts.map(({ id }) => id));
    expect(parts(after(site, (now) => pageEnd(now, 'more', 'header', undefined), (now) => pageEnd(now, 'more', 'footer', undefined)), 'more')).toEqual(parts(kept, 'more'));
  });
  it('has same as all pages back when the section goes, and values that were set on it go with it', () => {
    const site = after(kept, (now) => pageEnd(now, 'home', 'footer', 'k1'));
    const gone = after(site, (now) => removeKept(now, 'k1', true, () => 'x9'));
    expect(gone.pages['home']!.footer).toBeUndefined();
    const set = after(kept, (now) => setValue(now, '', ['pages', 'more', 'overrides'], { o1: { id: 'o1', place: 'header/name', property: 'font-size', band: null, value: { kind: 'literal', css: '30px' }, origin: 'set', reason: null } }));
    expect(after(set, (now) => pageEnd(now, 'more', 'header', null)).pages['more']!.overrides).toEqual({});
  });
});

describe('a section copied', () => {
  const from = after(readSite(smallSite()), (now) => addPicture(now, picture('a1')), (now) => addSection(now, 'home', 'x1', undefined, SECTION_KINDS['text-picture']));
  const section = sectionOf(from, from.pages['home']!.sections['x1']!)!;
  const clip = readClip(JSON.stringify(clipSection(from, section)))!;
  it('is the same on another page of its site', () => {
    const site = after(from, (now) => addClip(now, 'more', fromClip(now, clip, 'x2')));
    expect(Object.keys(site.assets)).toEqual(['a1']);
    const own = sectionOf(site, site.pages['more']!.sections['x2']!)!;
    expect({ ...own, blocks: Object.values(own.blocks).map(({ id: _id, ...block }) => block), columns: null, id: '' }).toEqual({ ...section, blocks: Object.values(section.blocks).map(({ id: _id, ...block }) => block), columns: null, id: '' } as never);
  });
  it('takes the looks of another site, found by name, by what they are for and by look; its picture comes along, what has no like is told', () => {
    const other = newSite({ id: 'other', name: 'Other', language: 'en' });
    const rows = matchClip(other, clip);
    expect(rows.every(({ target, to }) => Object.hasOwn(other.brand[`${target}s` as 'styles'], to))).toBeTrue();
    expect(rows.filter(({ sure }) => !sure).every(({ label }) => label !== '')).toBeTrue();
    const site = after(other, (now) => addClip(now, 'home', fromClip(now, clip, 'x2', { [`style ${rows.find(({ target }) => target === 'style')!.from}`]: other.brand.styleOrder[0]! })));
    expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
    expect(Object.values(site.assets).map(({ hash }) => hash)).toEqual(['cd'.repeat(32)]);
    expect(JSON.stringify(site.pages['home']!.sections['x2'])).toContain(`"style":"${other.brand.styleOrder[0]!}"`);
  });
  it('takes along what is set on its places; a token that another brand lacks comes as what it was, and is a raw value there', () => {
    const table = tokenTable(from.brand);
    const token = [...table.values()].find((one) => one.type === 'color' && !tokenTable(newSite({ id: 'other', name: 'Other', language: 'en' }).brand).has(one.path))!;
    const setOn = (now: Site, page: string, place: string) => setValue(now, '', ['pages', page, 'overrides'], {
      o1: { id: 'o1', place, property: 'font-size', band: 'phone', value: { kind: 'literal', css: '30px' }, origin: 'set', reason: 'Looks right' }, o2: { id: 'o2', place, property: 'color', band: null, value: { kind: 'token', path: token.path }, origin: 'set', reason: null },
    });
    const set = after(from, (now) => setOn(now, 'home', 'x1-b1/text'));
    const taken = readClip(JSON.stringify(clipSection(set, section, { page: 'home', entry: 'x1' })))!;
    const valuesOn = (site: Site, page: string) => Object.values(site.pages[page]!.overrides).map(({ place, value, origin, band }) => ({ place, value, origin, band }));
    const here = after(set, (now) => addClip(now, 'more', fromClip(now, taken, 'x2')));
    expect(valuesOn(here, 'more')).toEqual(valuesOn(set, 'home').map((one) => ({ ...one, place: 'x2-b1/text' })));
    const other = newSite({ id: 'other', name: 'Other', language: 'en' });
    const made = fromClip(other, taken, 'x2');
    const there = after(other, (now) => addClip(now, 'home', made));
    expect(readSite(JSON.parse(JSON.stringify(there)))).toEqual(there);
    expect(made.left).toEqual([]);
    expect(valuesOn(there, 'home')).toEqual([
      { place: 'x2-b1/text', value: { kind: 'literal', css: '30px' }, origin: 'set', band: 'phone' },
      { place: 'x2-b1/text', value: { kind: 'literal', css: cssColor(parseColor(resolveToken(table, token.path).css)!.rgb) }, origin: 'pasted', band: null },
    ]);
    // Of a kept section: what is set everywhere, and here.
    const kept = after(set, (now) => keepSection(now, 'home', 'x1', 'k1', 'x3'));
    const same = readClip(JSON.stringify(clipSection(kept, kept.shared.sections['k1']!, { page: 'home', entry: 'x3' })))!;
    expect(valuesOn(after(kept, (now) => addClip(now, 'more', fromClip(now, same, 'x4'))), 'more')).toEqual(valuesOn(set, 'home').map((one) => ({ ...one, place: 'x4-b1/text' })));
  });
  it('is read only as what it is', () => {
    for (const text of [null, '', '{}', '[1]', '{"clip":"section","schemaVersion":1,"section":{},"looks":{}}']) expect(readClip(text)).toBeUndefined();
  });
});

describe('a gradient behind a section', () => {
  it('is a background of the brand: made once, then taken again', () => {
    const site = readSite(smallSite());
    const at = ['pages', 'home', 'sections', 's1', 'own'];
    const section = () => sectionOf(site, site.pages['home']!.sections['s1']!)!;
    const made = after(site, (now) => gradientBehind(now, at, section(), 'g1'));
    expect(made.brand.grounds['g1']!.wash).toEqual({ angle: 180 });
    expect(sectionOf(made, made.pages['home']!.sections['s1']!)!.ground).toBe('g1');
    expect(stylesCss(made)).toMatch(/surface--g1 \{[^}]*background-image/);
    expect(Object.keys(after(made, (now) => setValue(now, '', [...at, 'ground'], section().ground), (now) => gradientBehind(now, at, section(), 'g2')).brand.grounds)).toEqual(Object.keys(made.brand.grounds));
  });
});

describe('an address', () => {
  it('of the specimen is no page’s: not by its title, nor by what is typed', () => {
    const site = after(readSite(smallSite()), (now) => addPage(now, 'p', null), (now) => renamePage(now, 'p', 'Specimen', true));
    expect(site.pages['p']!.file).toBe('specimen-2.html');
    expect(() => acceptChange(site, setValue(site, '', ['pages', 'p', 'file'], 'specimen.html'))).toThrowError(/is reserved for the specimen/);
    for (const bad of ['', 'a/b.html', '../up.html', 'Fares.html', 'fares', 'index.htm']) expect(() => acceptChange(site, setValue(site, '', ['pages', 'p', 'file'], bad))).withContext(bad).toThrow();
  });
});

describe('pages of a kind', () => {
  it('begin with a first heading that is their title, accepted and passing as far as the brand passes', () => {
    const site = after(readSite(newSite({ id: 'begun', name: 'Begun', language: 'en' })), (now) => addPicture(now, picture('a1')));
    const failing = (of: Site) => new Set(findings(auditSite(of)).map(({ rule }) => rule));
    for (const kind of Object.values(PAGE_KINDS)) {
      const made = after(site, (now) => addPage(now, 'p1', null, kind));
      const headings = pageTree(made, 'p1').places.filter(({ level }) => level !== null);
      expect(headings.filter(({ level }) => level === 1).length).withContext(kind.id).toBe(1);
      expect(made.pages['p1']!.title).withContext(kind.id).toBe(kind.title);
      expect([...failing(made)].filter((rule) => !failing(site).has(rule))).withContext(kind.id).toEqual([]);
    }
    expect(after(readSite(smallSite()), (now) => addPage(now, 'p1', null, PAGE_KINDS.item)).pages['p1']!.sectionOrder.length).withContext('without a picture').toBeLessThan(PAGE_KINDS.item.sections.length);
  });
  it('stand under another, one level, and move up when that one goes', () => {
    const site = after(readSite(smallSite()), (now) => addPage(now, 'p1', null), (now) => addPage(now, 'p2', null), (now) => putUnder(now, 'p1', 'more'));
    expect(() => putUnder(site, 'p2', 'p1')).toThrowError(/Pages nest one level deep/);
    expect(() => putUnder(site, 'more', 'p2')).toThrowError(/Pages nest one level deep/);
    expect(() => putUnder(site, 'p2', 'home')).toThrowError(/home page/);
    expect(() => acceptChange(site, setValue(site, '', ['pages', 'p2', 'under'], 'p1'))).toThrowError(/cannot be placed under New page/);
    expect(after(site, (now) => removePage(now, 'more')).pages['p1']!.under).toBeUndefined();
  });
  it('keep the addresses they had while they were live, until another page takes one', () => {
    const site = after(readSite(smallSite()), (now) => addressPage(now, 'more', 'further.html', true), (now) => addressPage(now, 'more', 'last.html', true));
    expect([...formerAddresses(site).keys()]).toEqual(['more.html', 'further.html']);
    const taken = after(site, (now) => addPage(now, 'p1', null), (now) => addressPage(now, 'p1', 'more.html', false));
    expect([...formerAddresses(taken).keys()]).toEqual(['further.html']);
    expect([...formerAddresses(after(site, (now) => addressPage(now, 'more', 'more.html', true))).keys()]).toEqual(['further.html', 'last.html']);
    expect(after(readSite(smallSite()), (now) => addressPage(now, 'more', 'new.html', false)).pages['more']!.former).toBeUndefined();
  });
});

describe('a section of a page', () => {
  const site = readSite(smallSite());
  it('is not judged at widths at which it is not shown, and says so in its class', () => {
    const small = setValue(site, '', ['pages', 'home', 'overrides', 'o1'], { id: 'o1', place: 'p/text', property: 'font-size', band: 'phone', origin: 'set', value: { kind: 'literal', css: '9px' }, reason: null });
    const failing = acceptChange(site, small).site;
    const onPhone = (of: Site) => findings(auditSite(of)).filter(({ place, width }) => place.id === 'p/text' && width < 640).length;
    expect(onPhone(failing)).toBeGreaterThan(0);
    const hidden = after(failing, (now) => hideSection(now, 'home', 's1', ['phone']));
    expect(onPhone(hidden)).toBe(0);
    expect(pageHtml(hidden, 'home')).toContain('hidden-phone');
    expect(stylesCss(hidden)).toMatch(/@media \(width <= \d+px\) \{ \.hidden-phone \{ display: none; \} \}/);
    expect(after(hidden, (now) => hideSection(now, 'home', 's1', [])).pages['home']!.sections['s1']!.hidden).toBeUndefined();
    expect(() => acceptChange(site, hideSection(site, 'home', 's1', ['phone', 'tablet', 'desktop']))).toThrowError(/must leave a width/);
  });
  it('is led to by its anchor, links follow when it is renamed, and those to one that is gone are listed', () => {
    const link = (now: Site) => setValue(now, '', ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'p', 'content'], [{ text: 'See ' }, { id: 'l1', link: { to: 'page', page: 'more', anchor: 'hours' }, text: 'more' }]);
    const led = after(site, (now) => anchorSection(now, 'more', 't1', 'hours'), link);
    expect(pageHtml(led, 'home')).toContain('href="more.html#hours"');
    expect(pageHtml(led, 'more')).toContain('id="hours"');
    const renamed = after(led, (now) => anchorSection(now, 'more', 't1', 'opening'));
    expect(pageHtml(renamed, 'home')).toContain('href="more.html#opening"');
    const gone = after(led, (now) => setValue(now, '', ['pages', 'more', 'sections', 't1', 'anchor'], undefined));
    expect([...factProblemsByPage(gone)].flat().map(({ words }) => words)).toContain('link to More › hours, which is not there');
    expect(() => acceptChange(led, anchorSection(led, 'more', 't2', 'hours'))).toThrowError(/Another section of the page has the anchor hours/);
  });
  it('that is kept is deleted as was asked: pages keep one of their own, or lose it', () => {
    let n = 0;
    const twice = after(site, (now) => addKept(now, 'more', 'again', 'common'));
    const owned = after(twice, (now) => removeKept(now, 'common', true, () => `x${++n}`));
    expect(Object.keys(owned.shared.sections)).toEqual([]);
    expect(['home', 'more'].map((id) => pageTree(owned, id).places.filter(({ label }) => label.includes('Shared')).length)).toEqual(['home', 'more'].map((id) => pageTree(twice, id).places.filter(({ label }) => label.includes('Shared')).length));
    const less = after(twice, (now) => removeKept(now, 'common', false, () => `x${++n}`));
    expect([less.pages['home']!.sectionOrder, Object.keys(less.shared.sections)]).toEqual([['s1'], []]);
  });
  it('is put behind any other, and has a picture behind it under a shade', () => {
    expect(after(site, (now) => placeSection(now, 'home', 's2', null)).pages['home']!.sectionOrder).toEqual(['s2', 's1']);
    expect(placeSection(site, 'home', 's2', 's1')).toBeUndefined();
    const at = ['pages', 'home', 'sections', 's1', 'own'];
    const behind = after(site, (now) => addPicture(now, picture('a1')), (now) => pictureBehind(now, at, sectionOf(now, now.pages['home']!.sections['s1']!)!, 'a1'));
    expect(pageTree(behind, 'home').places.find(({ id }) => id === 's1/backdrop')!.asset).toBe('a1');
  });
});

describe('pictures of the site', () => {
  const block = { kind: 'picture', id: 'pic', asset: 'a1', alt: 'A boat', shape: 'wide' } as const;
  const at = ['pages', 'home', 'sections', 's1', 'own'];
  const site = after(readSite(smallSite()), (now) => addPicture(now, picture('a1')), (now) => addPicture(now, picture('a2')),
    () => ({ label: '', ops: [{ op: 'insert', record: [...at, 'blocks'], order: [...at, 'columns', 'col1', 'order'], id: 'pic', value: block, after: null }] }));
  it('are known by where they are shown, replaced everywhere, and deleted only when nothing shows them', () => {
    expect(keptPictures(site).map(({ asset, uses, where }) => [asset.id, uses, where])).toEqual([['a1', 1, ['Home']], ['a2', 0, []]]);
    expect(() => removePicture(site, 'a1')).toThrowError(/is shown once\. Replace it there first/);
    const replaced = after(site, (now) => replacePicture(now, 'a1', 'a2'), (now) => removePicture(now, 'a1'));
    expect(Object.keys(replaced.assets)).toEqual(['a2']);
    expect(pageTree(replaced, 'home').places.find(({ kind }) => kind === 'picture')!.asset).toBe('a2');
  });
  it('are chosen where they stand, with the words that stand for them', () => {
    const place = pageTree(site, 'home').places.find(({ kind }) => kind === 'picture')!;
    const [asset, alt] = offeredFields(site, place);
    expect([asset!.label, asset!.options.map(({ label }) => label)]).toEqual(['Image', ['a1.png', 'a2.png']]);
    expect([alt!.value, alt!.typed!.problem('IMG_0012.jpg'), alt!.typed!.problem('')]).toEqual(['A boat', jasmine.stringContaining('This is a file name'), '']);
    expect(alt!.typed!.problem('x'.repeat(251))).toContain('251 characters');
  });
});
