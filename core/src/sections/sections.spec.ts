import { acceptChange, insertOp } from '../change/index.ts';
import { readSite } from '../document/index.ts';
import { pageTree } from '../page/index.ts';
import { sectionOf } from '../site/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { pageHtml } from '../render/index.ts';
import {
  SECTION_KINDS,
  SECTION_USES,
  canLayIn,
  inPageWords,
  layIn,
  wordsOfPage,
  type LaidIn,
  type SectionKind,
} from './index.ts';

const bare = smallSite();
/** With a picture, a download and a collection that stand in for all. */
const site = {
  ...bare,
  collections: {
    news: {
      id: 'news',
      label: 'News',
      path: 'news',
      fields: {
        name: { id: 'name', label: 'Name', kind: 'line' as const },
        text: { id: 'text', label: 'Text', kind: 'text' as const },
      },
      fieldOrder: ['name', 'text'],
      itemOrder: ['i1'],
    },
  },
  collectionOrder: ['news'],
  items: { i1: { id: 'i1', collection: 'news', slug: 'fog', values: { name: 'Fog', text: 'Boats wait.' } } },
  downloads: {
    plan: { id: 'plan', name: 'Plan', hash: 'b'.repeat(64), type: 'application/pdf' as const, bytes: 240_000 },
  },
  assets: {
    view: { id: 'view', name: 'View', hash: 'a'.repeat(64), type: 'image/png' as const, width: 1600, height: 900 },
  },
};
const put = (kind: SectionKind) =>
  acceptChange(site, {
    ops: [
      insertOp(site, ['pages', 'home', 'sections'], ['pages', 'home', 'sectionOrder'], 'new', {
        id: 'new',
        own: layIn(site, kind, 'new'),
      }),
    ],
  }).site;
const all = Object.values(SECTION_KINDS) as readonly SectionKind[];

describe('a kind of section', () => {
  it('there are enough of, each with a name of its own, something for every use, and four openers', () => {
    expect(all.length).toBeGreaterThanOrEqual(28);
    expect(new Set(all.map(({ label }) => label)).size).toBe(all.length);
    for (const use of SECTION_USES)
      expect(all.some((entry) => entry.use === use))
        .withContext(use)
        .toBe(true);
    expect(all.filter(({ use }) => use === 'openers').length).toBe(4);
  });
  for (const kind of all)
    it(`${kind.id}: is laid in with the site's own styles, read back whole, and every block of it is a place`, () => {
      const after = put(kind);
      expect(readSite(JSON.parse(JSON.stringify(after)))).toEqual(after);
      const places = pageTree(after, 'home').places.filter(({ id }) => id.startsWith('new-b'));
      expect(new Set(places.map(({ id }) => id.split('/')[0])).size).toBe(kind.columns.flat().length);
      expect(places.every(({ style }) => style === null || style in site.brand.styles)).toBe(true);
      expect(pageHtml(after, 'home')).toContain('</html>');
    });
  it('with pictures, items or downloads needs one: a site without any is told which it can have', () => {
    const pictured = all.filter((kind) => !canLayIn(bare, kind)).map(({ id }) => id);
    expect(pictured).toEqual([
      'opener-picture',
      'text-picture',
      'picture-text',
      'picture-wide',
      'gallery',
      'list-pictures',
      'latest',
      'one-item',
      'download-one',
      'people',
      'partners',
    ]);
    expect(all.every((kind) => canLayIn(site, kind))).toBe(true);
    expect(() => layIn(bare, SECTION_KINDS.gallery, 'new')).toThrowError(RangeError);
  });
  it('that opens a page says its title, and is no second first heading', () => {
    const opened = (more: LaidIn) =>
      Object.values(layIn(site, SECTION_KINDS['opener-act'], 'new', more).blocks).find(
        (block) => block.kind === 'text' && block.level !== null,
      );
    expect(opened({ title: 'Prices' })).toEqual(
      jasmine.objectContaining({ level: 1, style: 'title', content: [{ text: 'Prices' }] }),
    );
    expect(opened({ title: 'Prices', headed: true })).toEqual(
      jasmine.objectContaining({ level: 2, style: 'section', content: [{ text: 'A short, clear headline' }] }),
    );
  });
  it('is looked at in the words of a page, those of a style and a kind in turn, and keeps its own where the page says no more', () => {
    const say = (text: string) => ({
      kind: 'text' as const,
      id: text,
      style: 'heading',
      level: 2 as const,
      content: [{ text }],
    });
    const after = put({
      id: 'mine',
      label: 'Mine',
      use: 'words',
      columns: [
        [
          say('Donaudampfschifffahrt'),
          { kind: 'text', id: 'b', style: 'running', level: null, content: [{ text: 'Vor Anker.' }] },
        ],
      ],
    });
    const page = {
      ...after.pages['home']!,
      sections: { new: after.pages['home']!.sections['new']! },
      sectionOrder: ['new'],
    };
    const own = layIn(after, SECTION_KINDS['text-twice'], 'seen');
    const saidOf = (section: typeof own) =>
      Object.values(section.blocks).map((block) =>
        block.kind === 'text' ? block.content.map(({ text }) => text).join('') : '',
      );
    expect(saidOf(own)).toEqual([
      'First topic',
      'Two or three sentences about the first topic.',
      'Second topic',
      'Two or three sentences about the second topic.',
    ]);
    expect(saidOf(inPageWords(wordsOfPage(after, page), own))).toEqual([
      'Donaudampfschifffahrt',
      'Vor Anker.',
      'Second topic',
      'Two or three sentences about the second topic.',
    ]);
    // Of another kind of block nothing stands in; a page without words changes nothing.
    expect(inPageWords(wordsOfPage(after, page), layIn(after, SECTION_KINDS.hours, 'seen')).blocks['seen-b2']).toEqual(
      layIn(after, SECTION_KINDS.hours, 'seen').blocks['seen-b2'],
    );
    expect(inPageWords(wordsOfPage(after, { ...page, sections: {}, sectionOrder: [] }), own)).toBe(own);
  });
  it('is data: columns, arrangement, variants, links and pictures of any other follow from it', () => {
    const after = put({
      id: 'call',
      label: 'Call to action',
      use: 'offers',
      arrangement: 'first-wider',
      columns: [
        [{ kind: 'text', id: 'title', style: 'minor', level: 3, content: [{ text: 'Come by' }] }],
        [
          {
            kind: 'buttons',
            id: 'go',
            order: ['a'],
            items: {
              a: { id: 'a', variant: 'main', size: 'middle', label: 'Home', href: { to: 'page', page: 'home' } },
            },
          },
        ],
      ],
    });
    const section = sectionOf(after, after.pages['home']!.sections['new']!)!;
    expect([section.arrangement, section.blocks['new-b2']]).toEqual([
      'first-wider',
      jasmine.objectContaining({
        items: {
          a: jasmine.objectContaining({
            variant: site.brand.variantOrder[0]!,
            href: { to: 'page', page: site.pageOrder[0]! },
          }),
        },
      }),
    ]);
    expect(pageTree(after, 'home').places.some(({ id, kind }) => id.startsWith('new-b2') && kind === 'button')).toBe(
      true,
    );
  });
  it('that names a role there is none of is refused by name', () => {
    const wrong: SectionKind = {
      id: 'odd',
      label: 'Odd',
      use: 'words',
      columns: [[{ kind: 'text', id: 't', style: 'shouting', level: null, content: [{ text: 'x' }] }]],
    };
    expect(() => layIn(site, wrong, 'new')).toThrowError(
      RangeError,
      'The kind of section “odd” names style “shouting”, which is not a role.',
    );
  });
});
