import { SECTION_KINDS } from '../sections/index.ts';
import { formsOf, linkOffers, hrefFrom, hrefText, lostLinks, pageTree, partPatterns } from '../page/index.ts';
import { itemPages, listPages, listedItems, richRuns, siteOfItem, siteOfListPage } from '../collections/index.ts';
import { readSite } from '../document/index.ts';
import { auditSite } from '../legibility/index.ts';
import { pageHtml } from '../render/index.ts';
import type { Site } from '../site/index.ts';
import { smallSite } from '../testing/small-site.ts';
import {
  acceptChange,
  addCollection,
  addDownload,
  addField,
  addItem,
  addListSection,
  addPage,
  addSection,
  keptDownloads,
  pageOfItems,
  removeDownload,
  removeItems,
  replaceDownload,
  setValue,
} from './index.ts';
import { edited } from '../testing/edited.ts';

const pdf = {
  id: 'plan',
  name: 'Plan of the works',
  hash: 'b'.repeat(64),
  type: 'application/pdf' as const,
  bytes: 1_240_000,
};

/** Fourteen works, each of one of two kinds or of none, with rich words and one file. */
const works = Array.from({ length: 14 }, (_, i) => i + 1).reduce(
  (site, n) =>
    edited(site, (now) =>
      addItem(now, 'w', `w${n}`, {
        name: `Work ${n}`,
        sort: ['stone', 'glass', ''][n % 3]!,
        rich: `A *quiet* one, [see](https://works.example/${n})`,
      }),
    ),
  edited(
    readSite(smallSite()),
    (now) => addCollection(now, 'w', 'Works'),
    (now) => addField(now, 'w', 'sort', 'Sort', 'choice'),
    (now) => setValue(now, '', ['collections', 'w', 'fields', 'sort', 'options'], ['stone', 'glass']),
    (now) => addField(now, 'w', 'rich', 'Said', 'rich'),
    (now) => addField(now, 'w', 'plan', 'Plan', 'download'),
    (now) => addDownload(now, pdf),
  ),
);
const listed = edited(
  works,
  (now) => setValue(now, '', ['items', 'w1', 'downloads'], { plan: 'plan' }),
  (now) => addListSection(now, 'more', 'w', 'x1'),
);
const at = ['pages', 'more', 'sections', 'x1', 'own', 'blocks', 'x1-list'];
const set = (site: Site, values: Readonly<Record<string, unknown>>): Site =>
  Object.entries(values).reduce(
    (now, [key, value]) => edited(now, (entry) => setValue(entry, '', [...at, key], value)),
    site,
  );

describe('a list of a collection, beyond one heap', () => {
  it('puts items together by a choice, in the order of its options, each with how many there are; what says nothing comes last', () => {
    const html = pageHtml(set(listed, { group: 'sort', limit: 48 }), 'more');
    expect([...html.matchAll(/<h3[^>]*>([^<]*)<\/h3>/g)].map(([, words]) => words)).toEqual([
      'stone (4)',
      'glass (5)',
      'Work 2',
      'Work 5',
      'Work 8',
      'Work 11',
      'Work 14',
    ]);
    expect(html.indexOf('Work 12')).toBeLessThan(html.indexOf('Work 1<'));
    expect(html).toMatch(/<p[^>]*>Work 12</);
    const group = { collection: 'w', group: 'sort', limit: 5, from: 3 };
    expect(listedItems(listed, group).map(({ id }) => id)).toEqual(['w12', 'w1', 'w4', 'w7', 'w10']);
  });
  it('goes on over further pages, each with its own items and links to the others', () => {
    const site = set(listed, { paged: true, limit: 6 });
    expect(listPages(site).map(({ file }) => file)).toEqual(['more-page-2.html', 'more-page-3.html']);
    const [first, second, third] = [
      pageHtml(site, 'more'),
      ...[2, 3].map((number) => pageHtml(siteOfListPage(site, site.pages['more']!, number), 'more')),
    ] as [string, string, string];
    const names = (html: string) =>
      [...html.matchAll(/Work (\d+)/g)].map(([, n]) => Number(n)).filter((n, i, all) => all.indexOf(n) === i);
    expect([names(first), names(second), names(third)]).toEqual([
      [1, 2, 3, 4, 5, 6],
      [7, 8, 9, 10, 11, 12],
      [13, 14],
    ]);
    expect(second).toContain('<title>More (2), Small</title>');
    expect(second).toMatch(
      /href="more.html"[^>]*>1<[\s\S]*aria-current="page"[^>]*>2<[\s\S]*href="more-page-3.html"[^>]*>3</,
    );
    // As many as fit need no further page.
    expect(listPages(set(listed, { paged: true, limit: 24 }))).toEqual([]);
  });
  it('stands as a table under the names of its fields, or as pictures; rich words keep their emphasis and links, files lead to themselves', () => {
    const html = pageHtml(set(listed, { look: 'table', text: 'rich', further: 'plan', limit: 3 }), 'more');
    expect([...html.matchAll(/<th[^>]*scope="col"[^>]*>([^<]*)</g)].map(([, words]) => words)).toEqual([
      'Name',
      'Said',
      'Plan',
    ]);
    expect(html).toMatch(/A <em>quiet<\/em> one, <a[^>]*href="https:\/\/works.example\/1"[^>]*>see<\/a>/);
    expect(html).toMatch(/href="downloads\/plan-b{10}.pdf"[^>]*>Plan of the works</);
    expect(pageHtml(set(listed, { look: 'gallery' }), 'more')).toContain('class="gallery across-3"');
  });
  it('is judged as it is shown: the shape of a part tells every look apart, and its places are those of the page', () => {
    for (const values of [
      {},
      { group: 'sort' },
      { paged: true, limit: 6 },
      { look: 'table', text: 'rich', further: 'plan' },
      { look: 'rows', from: 2 },
    ]) {
      const site = set(listed, values);
      expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
      const places = pageTree(site, 'more').places;
      expect(new Set(places.map(({ id }) => id)).size)
        .withContext(JSON.stringify(values))
        .toBe(places.length);
      expect(partPatterns(site, site.pages['more']!).map(({ shape }) => shape)).not.toEqual(
        Object.keys(values).length > 0 ? partPatterns(listed, listed.pages['more']!).map(({ shape }) => shape) : [],
      );
      expect(auditSite(site).index.count).toBeGreaterThan(0);
    }
  });
});

describe('a form on a page that is made for its publication', () => {
  it('is sent to the page that answers it, from that of an item as from one that a list goes on over', () => {
    const form = (site: Site, page: string) =>
      edited(site, (now) => addSection(now, page, `${page}-form`, undefined, SECTION_KINDS.form));
    const site = form(
      form(
        edited(
          set(listed, { paged: true, limit: 6 }),
          (now) => addPage(now, 'p', null),
          (now) => pageOfItems(now, 'w', 'p'),
        ),
        'p',
      ),
      'more',
    );
    const actions = (html: string) => [...html.matchAll(/action="([^"]+)"/g)].map(([, action]) => action);
    const answers = formsOf(site).map(({ file }) => file);
    const item = itemPages(site)[3]!;
    for (const html of [
      pageHtml(siteOfItem(site, item.collection, item.item), 'p'),
      pageHtml(siteOfListPage(site, site.pages['more']!, 2), 'more'),
      pageHtml(site, 'more'),
    ]) {
      expect(actions(html).length).toBe(1);
      expect(answers).toContain(actions(html)[0]!);
    }
  });
});

describe('rich words of an item', () => {
  it('are emphasis, strong words and links; what leads nowhere stays as it was typed', () => {
    expect(richRuns('a **b** *c* [d](https://d.example) [e](nowhere) * f')).toEqual([
      { text: 'a ' },
      { text: 'b', mark: 'strong' },
      { text: ' ' },
      { text: 'c', mark: 'em' },
      { text: ' ' },
      { id: 'r6', link: { to: 'url', url: 'https://d.example' }, text: 'd' },
      { text: ' [e](nowhere) * f' },
    ]);
    expect(richRuns('[x](javascript:alert(1))').every((run) => !('link' in run))).toBeTrue();
  });
  it('stand on the page of their item with their marks, and links become the item’s', () => {
    const first = (site: Site) => site.pages['p']!.sectionOrder[0]!;
    const block = (site: Site) => [
      'pages',
      'p',
      'sections',
      first(site),
      'own',
      'blocks',
      `${first(site)}-b2`,
      'content',
    ];
    const site = edited(
      works,
      (now) => addPage(now, 'p', null),
      (now) => pageOfItems(now, 'w', 'p'),
      (now) => setValue(now, '', block(now), [{ text: 'So: {Said}!' }]),
    );
    expect(pageHtml(site, 'p')).toMatch(/So: A <em>quiet<\/em> one, <a[^>]*>see<\/a>!/);
  });
});

describe('a link to an item', () => {
  const paged = edited(
    listed,
    (now) => addPage(now, 'p', null),
    (now) => pageOfItems(now, 'w', 'p'),
  );
  it('is offered, typed and shown by the names of collection and item, and leads to its page', () => {
    expect(linkOffers(paged)).toContain('Works › Work 3');
    const link = hrefFrom(paged, 'works › work 3');
    expect(link).toEqual({ to: 'page', page: 'p', item: 'w3' });
    expect(hrefText(paged, link as never)).toBe('Works › Work 3');
    const site = edited(paged, (now) =>
      setValue(now, '', ['shared', 'header', 'items', now.shared.header.order[0]!, 'link'], link),
    );
    expect(pageHtml(site, 'home')).toContain('href="works-work-3.html"');
    const gone = edited(site, (now) => removeItems(now, ['w3']));
    expect(lostLinks(gone).map(({ words }) => words)).toEqual([jasmine.stringContaining('an item which is not there')]);
    expect(readSite(gone)).toEqual(gone);
  });
});

describe('a download', () => {
  it('is named by links and items, replaced wherever it is, and goes when no links', () => {
    const site = edited(listed, (now) =>
      setValue(
        now,
        '',
        ['shared', 'header', 'items', now.shared.header.order[0]!, 'link'],
        hrefFrom(now, 'Download › plan of the works'),
      ),
    );
    expect(pageHtml(site, 'home')).toContain(`href="downloads/plan-${'b'.repeat(10)}.pdf"`);
    expect(keptDownloads(site).map(({ uses, where }) => [uses, where])).toEqual([[2, ['Works', 'shared parts']]]);
    expect(() => removeDownload(site, 'plan')).toThrowError(/2 links lead to Plan of the works/);
    expect(() => acceptChange(site, setValue(site, '', ['downloads'], {}))).toThrow();
    const other = edited(
      site,
      (now) => addDownload(now, { ...pdf, id: 'new', name: 'New plan', hash: 'c'.repeat(64) }),
      (now) => replaceDownload(now, 'plan', 'new'),
      (now) => removeDownload(now, 'plan'),
    );
    expect(other.items['w1']!.downloads).toEqual({ plan: 'new' });
    expect(addDownload(other, { ...pdf, id: 'again', hash: 'c'.repeat(64) })).toBeUndefined();
  });
});
