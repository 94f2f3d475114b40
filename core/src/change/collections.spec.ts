import fc from 'fast-check';
import { feedOf, filledPage, itemFile, itemPageOf, itemPages, listedItems, siteOfItem } from '../collections/index.ts';
import { readSite } from '../document/index.ts';
import { auditSite } from '../legibility/index.ts';
import { hrefFrom, hrefText, pageTree } from '../page/index.ts';
import { siteIndex } from '../reach/index.ts';
import { pageHtml, redirectHtml } from '../render/index.ts';
import type { Site } from '../site/index.ts';
import { longer, stressSite } from '../stress/index.ts';
import {
  acceptChange,
  addCollection,
  addField,
  addItem,
  addListSection,
  addPage,
  applyChange,
  duplicateItem,
  pageOfItems,
  planUndo,
  removeCollection,
  removeField,
  removeItems,
  removePage,
  renamePage,
  setField,
  setItemPicture,
  setValue,
  type Edit,
} from './index.ts';
import { edited } from '../testing/edited.ts';
import { fresh, notices } from '../testing/notices.ts';

describe('a collection', () => {
  it('has items with addresses of their own, and what it names must be there', () => {
    expect(['i1', 'i2', 'i3'].map((id) => notices.items[id]!.slug)).toEqual(['fog-b', 'new-ramp', 'fog-b-2']);
    expect(() => acceptChange(notices, setValue(notices, '', ['items', 'i2', 'slug'], 'fog-b'))).toThrowError(
      /Another item of the collection has the address fog-b/,
    );
    expect(() => acceptChange(notices, setValue(notices, '', ['items', 'i2', 'values', 'nothing'], 'x'))).toThrow();
    expect(() =>
      acceptChange(notices, {
        ops: [
          {
            op: 'insert',
            record: ['items'],
            order: null,
            id: 'loose',
            value: { ...notices.items['i1'], id: 'loose', slug: 'loose' },
            after: null,
          },
        ],
      }),
    ).toThrow();
    expect(readSite(JSON.parse(JSON.stringify(notices)))).toEqual(notices);
  });
  it('is ordered by figures as figures, dates as dates, and what says nothing comes last', () => {
    const ids = (more: object) => listedItems(notices, { collection: 'n', limit: 10, ...more }).map(({ id }) => id);
    expect([
      ids({}),
      ids({ by: 'price' }),
      ids({ by: 'price', down: true }),
      ids({ by: 'day', down: true, limit: 1 }),
      ids({ only: 'name', value: 'fog <B>' }),
    ]).toEqual([['i1', 'i2', 'i3'], ['i1', 'i2', 'i3'], ['i2', 'i1', 'i3'], ['i2'], ['i1', 'i3']]);
  });
  it('is deleted with its items when no list shows it, and comes back whole', () => {
    const listed = edited(notices, (now) => addListSection(now, 'more', 'n', 'x1'));
    expect(() => removeCollection(listed, 'n')).toThrowError(/Notices is shown by a list/);
    const done = acceptChange(notices, removeCollection(notices, 'n'));
    expect([done.site.items, done.site.collections]).toEqual([{}, {}]);
    expect(applyChange(done.site, { ops: done.inverse }).site).toEqual(notices);
  });
  it('loses a field with what was said in it, lists that show it too; not its last', () => {
    const listed = edited(notices, (now) => addListSection(now, 'more', 'n', 'x1'));
    const less = edited(
      listed,
      (now) => removeField(now, 'n', 'text'),
      (now) => removeField(now, 'n', 'photo'),
    );
    expect(less.items['i1']!.values).toEqual({ name: 'Fog <b>', day: '2026-03-01', price: '9' });
    expect(JSON.stringify(less.pages)).not.toContain('"picture":"photo"');
    const entry = ['day', 'price', 'name'].reduce(
      (now, id) =>
        Object.keys(now.collections['n']!.fields).length > 1 ? edited(now, (site) => removeField(site, 'n', id)) : now,
      less,
    );
    expect(() => removeField(entry, 'n', entry.collections['n']!.fieldOrder[0]!)).toThrowError(
      /needs at least one field/,
    );
  });
  it('keeps a site that can be read through any edits of it, undone in any order', () => {
    const steps: ((now: Site) => Edit | undefined)[] = [
      (now) => addItem(now, 'n', fresh(), { name: 'Fog' }),
      (now) => removeItems(now, ['i2']),
      (now) => duplicateItem(now, 'i1', fresh()),
      (now) => setField(now, 'i1', 'name', 'Calm'),
      (now) => addField(now, 'n', fresh(), 'More', 'line'),
      (now) => removeField(now, 'n', 'price'),
      (now) => addListSection(now, 'more', 'n', fresh()),
      (now) => pageOfItems(now, 'n', 'more'),
      (now) => setItemPicture(now, 'i3', 'photo', 'a1'),
    ];
    fc.assert(
      fc.property(fc.shuffledSubarray(steps, { minLength: 2 }), fc.infiniteStream(fc.nat()), (makes, picks) => {
        let site = notices;
        const done: { ops: ReturnType<typeof acceptChange>['inverse'] }[] = [];
        for (const make of makes) {
          try {
            const made = acceptChange(site, make(site)!);
            site = made.site;
            done.push({ ops: made.inverse });
          } catch {
            /* What it is for is not there any more. */
          }
        }
        while (done.length > 0) {
          const [step] = done.splice(picks.next().value % done.length, 1);
          try {
            site = acceptChange(site, { ops: planUndo(site, step!.ops).ops }).site;
          } catch {
            /* Refused: nothing was changed. */
          }
          expect(readSite(site)).toEqual(site);
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe('a list of a collection', () => {
  const site = edited(notices, (now) => addListSection(now, 'more', 'n', 'x1'));
  const list = (of: Site) => pageTree(of, 'more').places.filter(({ id }) => id.startsWith('x1-list/'));
  it('shows what its items say, each a place whose words are kept with the item', () => {
    expect(list(site).map(({ id }) => id)).toEqual([
      'x1-list/i2/surface',
      'x1-list/i2/heading',
      'x1-list/i1/surface',
      'x1-list/i1/picture',
      'x1-list/i1/heading',
      'x1-list/i1/text',
      'x1-list/i3/surface',
      'x1-list/i3/heading',
    ]);
    expect(list(site).find(({ id }) => id === 'x1-list/i2/heading')!.words).toEqual(['items', 'i2', 'values', 'name']);
    expect(pageHtml(site, 'more')).toContain('Fog &#x3C;b>');
    // One look for all of them, counted.
    const index = siteIndex(site);
    expect(index.groupOf.get(list(site)[0]!)!.count).toBeGreaterThanOrEqual(3);
  });
  it('follows its items, in what is judged as in what is shown, and other pages stay the very same', () => {
    const home = pageTree(site, 'home');
    const said = edited(site, (now) => setField(now, 'i3', 'text', 'Later.'));
    expect(list(said).some(({ id }) => id === 'x1-list/i3/text')).toBeTrue();
    expect(pageTree(said, 'home')).toBe(home);
    expect(auditSite(said).index.count).toBe(auditSite(site).index.count + 1);
    expect(
      pageHtml(
        edited(site, (now) => removeItems(now, ['i1', 'i2', 'i3'])),
        'more',
      ),
    ).not.toContain('New ramp');
  });
  it('leads to the pages of its items where they have one', () => {
    const paged = edited(
      site,
      (now) => addPage(now, 'p', null),
      (now) => pageOfItems(now, 'n', 'p'),
    );
    expect(pageHtml(paged, 'more')).toContain('href="notices-new-ramp.html"');
    expect(list(paged).filter(({ kind }) => kind === 'link').length).toBe(3);
  });
});

describe('the page of an item', () => {
  const site = edited(
    notices,
    (now) => addPage(now, 'p', null),
    (now) => pageOfItems(now, 'n', 'p'),
    (now) =>
      setValue(
        now,
        '',
        [
          'pages',
          'p',
          'sections',
          now.pages['p']!.sectionOrder[0]!,
          'own',
          'blocks',
          `${now.pages['p']!.sectionOrder[0]!}-b1`,
          'content',
        ],
        [{ text: '{Name}: {price} crowns, {nothing}' }],
      ),
  );
  it('says what the item says where words name a field, for each of them', () => {
    expect(itemPages(site).map(({ file }) => file)).toEqual([
      'notices-fog-b.html',
      'notices-new-ramp.html',
      'notices-fog-b-2.html',
    ]);
    const html = (id: string) => pageHtml(siteOfItem(site, site.collections['n']!, site.items[id]!), 'p');
    expect(html('i1')).toContain('Fog &#x3C;b>: 9 crowns, {nothing}');
    expect(html('i2')).toContain('<title>New ramp, Small</title>');
    // On the wall it stands with the first of them.
    expect(pageHtml(site, 'p')).toContain('Fog &#x3C;b>: 9 crowns');
    expect(filledPage(site.pages['p']!, site.collections['n']!, site.items['i3']!).sectionOrder).toEqual(
      site.pages['p']!.sectionOrder,
    );
  });
  it('fills the item’s values into link addresses, encoded, and into the page description', () => {
    const where = [
      'pages',
      'p',
      'sections',
      site.pages['p']!.sectionOrder[0]!,
      'own',
      'blocks',
      `${site.pages['p']!.sectionOrder[0]!}-b1`,
      'content',
    ];
    const link = (id: string, url: string) => ({ id, text: 'Go', link: { to: 'url', url } });
    const made = edited(
      site,
      (now) => addField(now, 'n', 'site', 'Website', 'link'),
      (now) => addField(now, 'n', 'phone', 'Phone', 'text'),
      (now) => addField(now, 'n', 'mail', 'Mail', 'text'),
      (now) => setField(now, 'i1', 'site', 'https://boats.example/a?b=1'),
      (now) => setField(now, 'i1', 'phone', '+44 (20) 70'),
      (now) => setField(now, 'i1', 'mail', 'ada@boats.example'),
      (now) =>
        setValue(now, '', where, [
          link('a', 'mailto:{Mail}?subject={Name} & more {Name}'),
          link('b', 'https://find.example/{Name}?q={price}#x'),
          link('c', 'tel:{Phone}'),
          link('d', 'https://{Website}'),
          link('e', 'https://find.example/{nothing}'),
        ]),
      (now) => setValue(now, '', ['pages', 'p', 'description'], 'All of {Name}'),
    );
    const html = (id: string) => pageHtml(siteOfItem(made, made.collections['n']!, made.items[id]!), 'p');
    const leads = [...html('i1').matchAll(/href="((?:mailto|tel|https):[^"]*)"/g)].map(([, href]) => href);
    expect(leads).toEqual(
      jasmine.arrayContaining([
        'mailto:ada@boats.example?subject=Fog%20%3Cb%3E &#x26; more Fog%20%3Cb%3E',
        'https://find.example/Fog%20%3Cb%3E?q=9#x',
        'tel:+442070',
        'https://boats.example/a?b=1',
        'https://find.example/{nothing}',
      ]),
    );
    // The item’s text is its description. An item without text gets the page’s description, filled in.
    expect(itemPageOf(made.pages['p']!, made.collections['n']!, made.items['i1']!, 'x').description).toBe(
      'Boats wait.',
    );
    expect(itemPageOf(made.pages['p']!, made.collections['n']!, made.items['i3']!, 'x').description).toBe(
      'All of Fog <b>',
    );
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
    expect(
      pageHtml(
        stressSite(
          edited(site, (now) => setField(now, 'i1', 'name', 'Harbour')),
          new Set(['language']),
        ),
        'p',
      ),
    ).toContain(longer('Harbour'));
  });
  it('leads to the other items from a list on it, and from words that link to one, as any page does', () => {
    const listed = edited(
      site,
      (now) => addListSection(now, 'p', 'n', 'others'),
      (now) => addPage(now, 'q', null),
      (now) =>
        setValue(
          now,
          '',
          [
            'pages',
            'p',
            'sections',
            now.pages['p']!.sectionOrder[0]!,
            'own',
            'blocks',
            `${now.pages['p']!.sectionOrder[0]!}-b1`,
            'content',
          ],
          [{ id: 'r', text: 'See', link: { to: 'page', page: 'p', item: 'i3' } }],
        ),
    );
    const leads = (html: string) => [...html.matchAll(/href="(notices-[^"]*\.html)"/g)].map(([, file]) => file);
    for (const id of ['i1', 'i2'])
      expect(leads(pageHtml(siteOfItem(listed, listed.collections['n']!, listed.items[id]!), 'p')))
        .withContext(id)
        .toEqual([
          'notices-fog-b-2.html',
          ...listedItems(listed, { collection: 'n', limit: 3, by: 'day', down: true }).map((item) =>
            itemFile(listed, item)!,
          ),
        ]);
    expect(redirectHtml(listed, listed.pages['p']!)).toContain('url=notices-fog-b.html');
    expect(redirectHtml(listed, listed.pages['q']!)).toContain(`url=${listed.pages['q']!.file}`);
  });
  it('has an address that nothing else has, whichever of the two came first', () => {
    const taken = (make: (now: Site) => Edit) => () => edited(site, make);
    expect(taken((now) => setValue(now, '', ['pages', 'more', 'file'], 'notices-new-ramp.html'))).toThrowError(
      /notices-new-ramp\.html would be the address of a page and of an item.*choose another/,
    );
    expect(taken((now) => setValue(now, '', ['items', 'i1', 'slug'], 'at-night'))).not.toThrow();
    const paged = edited(site, (now) => setValue(now, '', ['pages', 'more', 'file'], 'notices-at-night.html'));
    expect(() => edited(paged, (now) => setValue(now, '', ['items', 'i1', 'slug'], 'at-night'))).toThrowError(
      /notices-at-night\.html/,
    );
    // The desk turns a name into a free address.
    expect(edited(paged, (now) => addItem(now, 'n', 'i9', { name: 'At night' })).items['i9']!.slug).toBe('at-night-2');
    const named = edited(
      site,
      (now) => addPage(now, 'q', null),
      (now) => renamePage(now, 'q', 'Notices new ramp', true),
    );
    expect(named.pages['q']!.file).toBe('notices-new-ramp-2.html');
    // Two collections whose addresses run into one another, and a page that becomes that of items.
    const two = edited(
      site,
      (now) => addCollection(now, 'm', 'Notices new'),
      (now) => addItem(now, 'm', 'j', { name: 'Ramp' }),
      (now) => addPage(now, 'q', null),
    );
    expect(two.collections['m']!.path).toBe('notices-new');
    expect(() => edited(two, (now) => pageOfItems(now, 'm', 'q'))).toThrowError(/notices-new-ramp\.html/);
  });
  it('is not the home page, is that of one collection, and is given up when it goes', () => {
    expect(() => pageOfItems(site, 'n', 'home')).toThrowError(/home page/);
    const two = edited(site, (now) => addCollection(now, 'm', 'More'));
    expect(() => pageOfItems(two, 'm', 'p')).toThrowError(/is the page of the items of Notices already/);
    expect(edited(site, (now) => removePage(now, 'p')).collections['n']!.page).toBeUndefined();
  });
  it('is told by a feed, the latest first', () => {
    const feed = feedOf(site, site.collections['n']!);
    expect([...feed.matchAll(/<title>(.*)<\/title>/g)].map(([, title]) => title)).toEqual([
      'Small: Notices',
      'New ramp',
      'Fog &lt;b&gt;',
      'Fog &lt;b&gt;',
    ]);
    expect(feed).toContain('<pubDate>Fri, 01 May 2026 00:00:00 GMT</pubDate>');
    // Characters that XML forbids are removed; the rest of the words stays.
    const odd = edited(site, (now) => setField(now, 'i2', 'name', 'New\uFFFE ra\uFFFFmp'));
    expect(feedOf(odd, odd.collections['n']!)).toContain('<title>New ramp</title>');
  });
});
