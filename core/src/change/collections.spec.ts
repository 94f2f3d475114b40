import fc from 'fast-check';
import { feedOf, filledPage, itemFile, itemPageOf, itemPages, listedItems, siteOfItem } from '../collections/index.ts';
import { readSite } from '../document/index.ts';
import { auditSite } from '../legibility/index.ts';
import { hrefFrom, hrefText, pageTree } from '../page/index.ts';
import { siteIndex } from '../reach/index.ts';
import { pageHtml, redirectHtml } from '../render/index.ts';
import type { Asset, Site } from '../site/index.ts';
import { planSheet, readSheet, writeSheet, type SheetPlan } from '../sheets/index.ts';
import { longer, stressSite } from '../stress/index.ts';
import { smallSite } from '../testing/small-site.ts';
import {
  acceptChange, addCollection, addField, addItem, addListSection, addPage, addPicture, applyChange, duplicateItem, pageOfItems, planUndo, removeCollection, removeField, removeItems, removePage, renamePage, setField, setItemPicture,
  setValue, type Edit,
} from './index.ts';

const after = (site: Site, ...makes: ((now: Site) => Edit | undefined)[]): Site => makes.reduce((now, make) => {
  const edit = make(now);
  return edit ? acceptChange(now, edit).site : now;
}, site);
let count = 0;
const fresh = () => `f${++count}`;
const picture: Asset = { id: 'a1', name: 'Boat.png', hash: 'cd'.repeat(32), type: 'image/png', width: 100, height: 60 };

/** Notices with a date and a price, three of them, one with a picture. */
const notices = after(readSite(smallSite()), (now) => addCollection(now, 'n', 'Notices'), (now) => addField(now, 'n', 'day', 'Day', 'date'), (now) => addField(now, 'n', 'price', 'Price', 'number'), (now) => addField(now, 'n', 'photo', 'Photo', 'picture'),
  (now) => addPicture(now, picture), (now) => addItem(now, 'n', 'i1', { name: 'Fog <b>', text: 'Boats wait.', day: '2026-03-01', price: '9' }), (now) => addItem(now, 'n', 'i2', { name: 'New ramp', day: '2026-05-01', price: '10' }),
  (now) => addItem(now, 'n', 'i3', { name: 'Fog <b>' }), (now) => setItemPicture(now, 'i1', 'photo', 'a1'));

describe('a collection', () => {
  it('has items with addresses of their own, and what it names must be there', () => {
    expect(['i1', 'i2', 'i3'].map((id) => notices.items[id]!.slug)).toEqual(['fog-b', 'new-ramp', 'fog-b-2']);
    expect(() => acceptChange(notices, setValue(notices, '', ['items', 'i2', 'slug'], 'fog-b'))).toThrowError(/Another item of the collection has the address fog-b/);
    expect(() => acceptChange(notices, setValue(notices, '', ['items', 'i2', 'values', 'nothing'], 'x'))).toThrow();
    expect(() => acceptChange(notices, { ops: [{ op: 'insert', record: ['items'], order: null, id: 'loose', value: { ...notices.items['i1'], id: 'loose', slug: 'loose' }, after: null }] })).toThrow();
    expect(readSite(JSON.parse(JSON.stringify(notices)))).toEqual(notices);
  });
  it('is ordered by figures as figures, dates as dates, and what says nothing comes last', () => {
    const ids = (more: object) => listedItems(notices, { collection: 'n', limit: 10, ...more }).map(({ id }) => id);
    expect([ids({}), ids({ by: 'price' }), ids({ by: 'price', down: true }), ids({ by: 'day', down: true, limit: 1 }), ids({ only: 'name', value: 'fog <B>' })])
      .toEqual([['i1', 'i2', 'i3'], ['i1', 'i2', 'i3'], ['i2', 'i1', 'i3'], ['i2'], ['i1', 'i3']]);
  });
  it('is deleted with its items when no list shows it, and comes back whole', () => {
    const listed = after(notices, (now) => addListSection(now, 'more', 'n', 'x1'));
    expect(() => removeCollection(listed, 'n')).toThrowError(/Notices is shown by a list/);
    const done = acceptChange(notices, removeCollection(notices, 'n'));
    expect([done.site.items, done.site.collections]).toEqual([{}, {}]);
    expect(applyChange(done.site, { ops: done.inverse }).site).toEqual(notices);
  });
  it('loses a field with what was said in it, lists that show it too; not its last', () => {
    const listed = after(notices, (now) => addListSection(now, 'more', 'n', 'x1'));
    const less = after(listed, (now) => removeField(now, 'n', 'text'), (now) => removeField(now, 'n', 'photo'));
    expect(less.items['i1']!.values).toEqual({ name: 'Fog <b>', day: '2026-03-01', price: '9' });
    expect(JSON.stringify(less.pages)).not.toContain('"picture":"photo"');
    const one = ['day', 'price', 'name'].reduce((now, id) => (Object.keys(now.collections['n']!.fields).length > 1 ? after(now, (site) => removeField(site, 'n', id)) : now), less);
    expect(() => removeField(one, 'n', one.collections['n']!.fieldOrder[0]!)).toThrowError(/needs at least one field/);
  });
  it('keeps a site that can be read through any edits of it, undone in any order', () => {
    const steps: ((now: Site) => Edit | undefined)[] = [
      (now) => addItem(now, 'n', fresh(), { name: 'Fog' }), (now) => removeItems(now, ['i2']), (now) => duplicateItem(now, 'i1', fresh()), (now) => setField(now, 'i1', 'name', 'Calm'), (now) => addField(now, 'n', fresh(), 'More', 'line'),
      (now) => removeField(now, 'n', 'price'), (now) => addListSection(now, 'more', 'n', fresh()), (now) => pageOfItems(now, 'n', 'more'), (now) => setItemPicture(now, 'i3', 'photo', 'a1'),
    ];
    fc.assert(fc.property(fc.shuffledSubarray(steps, { minLength: 2 }), fc.infiniteStream(fc.nat()), (makes, picks) => {
      let site = notices;
      const done: { ops: ReturnType<typeof acceptChange>['inverse'] }[] = [];
      for (const make of makes) {
        try {
          const made = acceptChange(site, make(site)!);
          site = made.site;
          done.push({ ops: made.inverse });
        } catch { /* What it is for is not there any more. */ }
      }
      while (done.length > 0) {
        const [step] = done.splice(picks.next().value % done.length, 1);
        try {
          site = acceptChange(site, { ops: planUndo(site, step!.ops).ops }).site;
        } catch { /* Refused: nothing was changed. */ }
        expect(readSite(site)).toEqual(site);
      }
    }), { numRuns: 40 });
  });
});

describe('a list of a collection', () => {
  const site = after(notices, (now) => addListSection(now, 'more', 'n', 'x1'));
  const list = (of: Site) => pageTree(of, 'more').places.filter(({ id }) => id.startsWith('x1-list/'));
  it('shows what its items say, each a place whose words are kept with the item', () => {
    expect(list(site).map(({ id }) => id)).toEqual(['x1-list/i2/surface', 'x1-list/i2/heading', 'x1-list/i1/surface', 'x1-list/i1/picture', 'x1-list/i1/heading', 'x1-list/i1/text', 'x1-list/i3/surface', 'x1-list/i3/heading']);
    expect(list(site).find(({ id }) => id === 'x1-list/i2/heading')!.words).toEqual(['items', 'i2', 'values', 'name']);
    expect(pageHtml(site, 'more')).toContain('Fog &#x3C;b>');
    // One look for all of them, counted.
    const index = siteIndex(site);
    expect(index.groupOf.get(list(site)[0]!)!.count).toBeGreaterThanOrEqual(3);
  });
  it('follows its items, in what is judged as in what is shown, and other pages stay the very same', () => {
    const home = pageTree(site, 'home');
    const said = after(site, (now) => setField(now, 'i3', 'text', 'Later.'));
    expect(list(said).some(({ id }) => id === 'x1-list/i3/text')).toBeTrue();
    expect(pageTree(said, 'home')).toBe(home);
    expect(auditSite(said).index.count).toBe(auditSite(site).index.count + 1);
    expect(pageHtml(after(site, (now) => removeItems(now, ['i1', 'i2', 'i3'])), 'more')).not.toContain('New ramp');
  });
  it('leads to the pages of its items where they have one', () => {
    const paged = after(site, (now) => addPage(now, 'p', null), (now) => pageOfItems(now, 'n', 'p'));
    expect(pageHtml(paged, 'more')).toContain('href="notices-new-ramp.html"');
    expect(list(paged).filter(({ kind }) => kind === 'link').length).toBe(3);
  });
});

describe('the page of an item', () => {
  const site = after(notices, (now) => addPage(now, 'p', null), (now) => pageOfItems(now, 'n', 'p'),
    (now) => setValue(now, '', ['pages', 'p', 'sections', now.pages['p']!.sectionOrder[0]!, 'own', 'blocks', `${now.pages['p']!.sectionOrder[0]!}-b1`, 'content'], [{ text: '{Name}: {price} crowns, {nothing}' }]));
  it('says what the item says where words name a field, for each of them', () => {
    expect(itemPages(site).map(({ file }) => file)).toEqual(['notices-fog-b.html', 'notices-new-ramp.html', 'notices-fog-b-2.html']);
    const html = (id: string) => pageHtml(siteOfItem(site, site.collections['n']!, site.items[id]!), 'p');
    expect(html('i1')).toContain('Fog &#x3C;b>: 9 crowns, {nothing}');
    expect(html('i2')).toContain('<title>New ramp, Small</title>');
    // On the wall it stands with the first of them.
    expect(pageHtml(site, 'p')).toContain('Fog &#x3C;b>: 9 crowns');
    expect(filledPage(site.pages['p']!, site.collections['n']!, site.items['i3']!).sectionOrder).toEqual(site.pages['p']!.sectionOrder);
  });
  it('fills the item’s values into link addresses, encoded, and into the page description', () => {
    const where = ['pages', 'p', 'sections', site.pages['p']!.sectionOrder[0]!, 'own', 'blocks', `${site.pages['p']!.sectionOrder[0]!}-b1`, 'content'];
    const link = (id: string, url: string) => ({ id, text: 'Go', link: { to: 'url', url } });
    const made = after(site, (now) => addField(now, 'n', 'site', 'Website', 'link'), (now) => addField(now, 'n', 'phone', 'Phone', 'text'), (now) => addField(now, 'n', 'mail', 'Mail', 'text'),
      (now) => setField(now, 'i1', 'site', 'https://boats.example/a?b=1'), (now) => setField(now, 'i1', 'phone', '+44 (20) 70'), (now) => setField(now, 'i1', 'mail', 'ada@boats.example'),
      (now) => setValue(now, '', where, [link('a', 'mailto:{Mail}?subject={Name} & more {Name}'), link('b', 'https://find.example/{Name}?q={price}#x'), link('c', 'tel:{Phone}'), link('d', 'https://{Website}'), link('e', 'https://find.example/{nothing}')]),
      (now) => setValue(now, '', ['pages', 'p', 'description'], 'All of {Name}'));
    const html = (id: string) => pageHtml(siteOfItem(made, made.collections['n']!, made.items[id]!), 'p');
    const leads = [...html('i1').matchAll(/href="((?:mailto|tel|https):[^"]*)"/g)].map(([, href]) => href);
    expect(leads).toEqual(jasmine.arrayContaining(['mailto:ada@boats.example?subject=Fog%20%3Cb%3E &#x26; more Fog%20%3Cb%3E', 'https://find.example/Fog%20%3Cb%3E?q=9#x', 'tel:+442070', 'https://boats.example/a?b=1', 'https://find.example/{nothing}']));
    // The item’s text is its description. An item without text gets the page’s description, filled in.
    expect(itemPageOf(made.pages['p']!, made.collections['n']!, made.items['i1']!, 'x').description).toBe('Boats wait.');
    expect(itemPageOf(made.pages['p']!, made.collections['n']!, made.items['i3']!, 'x').description).toBe('All of Fog <b>');
    // A designer can type a link field’s name as the target, and the field shows the name again.
    const typed = hrefFrom(made, '{website}');
    expect(typed).toEqual({ to: 'url', url: 'https://{website}' });
    expect(hrefText(made, typed as Exclude<typeof typed, string>)).toBe('{website}');
    expect(hrefFrom(made, '{Name}')).toContain('is neither a page');
  });
  it('keeps field names unchanged under stress, so that item values still fill them', () => {
    const hard = stressSite(site, new Set(['language', 'twice', 'names']));
    const html = pageHtml(hard, 'p');
    expect(html).toContain('Fog &#x3C;b>: 9 crowns');
    expect(html).not.toContain('{Name');
    expect(pageHtml(stressSite(after(site, (now) => setField(now, 'i1', 'name', 'Harbour')), new Set(['language'])), 'p')).toContain(longer('Harbour'));
  });
  it('leads to the other items from a list on it, and from words that link to one, as any page does', () => {
    const listed = after(site, (now) => addListSection(now, 'p', 'n', 'others'), (now) => addPage(now, 'q', null),
      (now) => setValue(now, '', ['pages', 'p', 'sections', now.pages['p']!.sectionOrder[0]!, 'own', 'blocks', `${now.pages['p']!.sectionOrder[0]!}-b1`, 'content'], [{ id: 'r', text: 'See', link: { to: 'page', page: 'p', item: 'i3' } }]));
    const leads = (html: string) => [...html.matchAll(/href="(notices-[^"]*\.html)"/g)].map(([, file]) => file);
    for (const id of ['i1', 'i2']) expect(leads(pageHtml(siteOfItem(listed, listed.collections['n']!, listed.items[id]!), 'p'))).withContext(id).toEqual(['notices-fog-b-2.html', ...listedItems(listed, { collection: 'n', limit: 3, by: 'day', down: true }).map((item) => itemFile(listed, item)!)]);
    expect(redirectHtml(listed, listed.pages['p']!)).toContain('url=notices-fog-b.html');
    expect(redirectHtml(listed, listed.pages['q']!)).toContain(`url=${listed.pages['q']!.file}`);
  });
  it('has an address that nothing else has, whichever of the two came first', () => {
    const taken = (make: (now: Site) => Edit) => () => after(site, make);
    expect(taken((now) => setValue(now, '', ['pages', 'more', 'file'], 'notices-new-ramp.html'))).toThrowError(/notices-new-ramp\.html would be the address of a page and of an item.*choose another/);
    expect(taken((now) => setValue(now, '', ['items', 'i1', 'slug'], 'at-night'))).not.toThrow();
    const paged = after(site, (now) => setValue(now, '', ['pages', 'more', 'file'], 'notices-at-night.html'));
    expect(() => after(paged, (now) => setValue(now, '', ['items', 'i1', 'slug'], 'at-night'))).toThrowError(/notices-at-night\.html/);
    // The desk turns a name into a free address.
    expect(after(paged, (now) => addItem(now, 'n', 'i9', { name: 'At night' })).items['i9']!.slug).toBe('at-night-2');
    const named = after(site, (now) => addPage(now, 'q', null), (now) => renamePage(now, 'q', 'Notices new ramp', true));
    expect(named.pages['q']!.file).toBe('notices-new-ramp-2.html');
    // Two collections whose addresses run into one another, and a page that becomes that of items.
    const two = after(site, (now) => addCollection(now, 'm', 'Notices new'), (now) => addItem(now, 'm', 'j', { name: 'Ramp' }), (now) => addPage(now, 'q', null));
    expect(two.collections['m']!.path).toBe('notices-new');
    expect(() => after(two, (now) => pageOfItems(now, 'm', 'q'))).toThrowError(/notices-new-ramp\.html/);
  });
  it('is not the home page, is that of one collection, and is given up when it goes', () => {
    expect(() => pageOfItems(site, 'n', 'home')).toThrowError(/home page/);
    const two = after(site, (now) => addCollection(now, 'm', 'More'));
    expect(() => pageOfItems(two, 'm', 'p')).toThrowError(/is the page of the items of Notices already/);
    expect(after(site, (now) => removePage(now, 'p')).collections['n']!.page).toBeUndefined();
  });
  it('is told by a feed, the latest first', () => {
    const feed = feedOf(site, site.collections['n']!);
    expect([...feed.matchAll(/<title>(.*)<\/title>/g)].map(([, title]) => title)).toEqual(['Small: Notices', 'New ramp', 'Fog &lt;b&gt;', 'Fog &lt;b&gt;']);
    expect(feed).toContain('<pubDate>Fri, 01 May 2026 00:00:00 GMT</pubDate>');
    // Characters that XML forbids are removed; the rest of the words stays.
    const odd = after(site, (now) => setField(now, 'i2', 'name', 'New\uFFFE ra\uFFFFmp'));
    expect(feedOf(odd, odd.collections['n']!)).toContain('<title>New ramp</title>');
  });
});

describe('a sheet', () => {
  const plan = (text: string, of = notices) => {
    const sheet = readSheet(text);
    return typeof sheet === 'string' ? sheet : planSheet(of, 'n', sheet, fresh);
  };
  it('changes items by their name, adds others and fields, and says beforehand what it will do', () => {
    const made = plan('Name;Price;Where;Photo\nNew ramp;12;Holm;boat.png\nTea;3;;nothing.png\n') as SheetPlan;
    expect([made.added, made.changed, made.same, made.columns.map(({ fresh: kind }) => kind)]).toEqual([1, 1, 0, [null, null, 'line', null]]);
    expect(made.left).toEqual([{ line: 3, why: 'no image of the site is called “nothing.png”; the other cells are imported' }]);
    const site = after(notices, () => made.edit!);
    expect([site.items['i2']!.values['price'], site.items['i2']!.pictures!['photo']!.asset, site.collections['n']!.itemOrder.length]).toEqual(['12', 'a1', 4]);
    expect((plan(writeSheet(site, site.collections['n']!), after(site, (now) => removeItems(now, ['i3']))) as SheetPlan).changed).toBe(0);
  });
  it('is read with commas, semicolons or tabs, quotes and line breaks within; of broken lines is said which and why', () => {
    for (const text of ['Name,Text\nA,"one, two\nthree"', 'Name\tText\nA\t"one, two\nthree"', '\uFEFFName;Text\r\nA;"one, two\nthree"']) expect(readSheet(text)).withContext(text).toEqual({ head: ['Name', 'Text'], rows: [{ line: 2, cells: ['A', 'one, two\nthree'] }], left: [] });
    expect(plan('Name,Text\nA,b,c\n,d\nE,f\nE,g')).toEqual(jasmine.objectContaining({ added: 1, left: [
      { line: 2, why: 'has 3 cells, and there are 2 columns' }, { line: 3, why: 'has no value in “Name”, which names the items' }, { line: 5, why: '“E” appears twice' },
    ] }));
    expect([plan(''), plan('Name,Text'), plan('Name,name\na,b')]).toEqual([jasmine.stringContaining('The file is empty'), jasmine.stringContaining('no rows below it'), 'Two columns are called “name”. Nothing was imported. Rename one of them.']);
    expect(plan(`Name\n${'x\n'.repeat(1_000_000)}`)).toContain('more than 10,000 rows');
  });
  it('keeps every value when it is exported and imported, including telephone numbers and formulas', () => {
    const values = ['+44 20 7946', '=1+1', '-5 degrees', '@home', 'plain'];
    const site = after(notices, (now) => removeItems(now, ['i1', 'i2', 'i3']), ...values.map((value, i) => (now: Site) => addItem(now, 'n', `v${i}`, { name: value, text: value })));
    const sheet = writeSheet(site, site.collections['n']!);
    // A spreadsheet program runs no cell.
    expect(sheet).not.toMatch(/(^|,|")[=+@-]/m);
    const read = readSheet(sheet);
    expect(typeof read === 'string' ? read : read.rows.map(({ cells }) => cells[0]).sort()).toEqual([...values].sort());
    expect((plan(sheet, site) as SheetPlan).changed).toBe(0);
  });
  it('of ten thousand rows is one edit, taken back in one', () => {
    const rows = Array.from({ length: 9_990 }, (_, i) => `Row ${i},${i}`).join('\n');
    const made = acceptChange(notices, (plan(`Name,Price\n${rows}`) as SheetPlan).edit!);
    expect(made.site.collections['n']!.itemOrder.length).toBe(9_993);
    expect(made.site.collections['n']!.itemOrder.slice(2, 5).map((id) => made.site.items[id]!.values['name'])).toEqual(['Fog <b>', 'Row 0', 'Row 1']);
    expect(applyChange(made.site, { ops: made.inverse }).site).toEqual(notices);
    expect(plan(`Name\n${Array.from({ length: 10_000 }, (_, i) => `Row ${i}`).join('\n')}`)).toContain('at most 10,000 are allowed');
  });
});
