import * as v from 'valibot';
import {
  acceptChange,
  applyChange,
  ChangeRefused,
  duplicateSection,
  planUndo,
  removeGround,
  removePage,
  removeStyle,
  setValue,
  styleUses,
} from '../change/index.ts';
import { readSite } from '../document/index.ts';
import { byId, Copy, Id } from '../fields/index.ts';
import { offeredFields, pageTree, partPatterns } from '../page/index.ts';
import { pageHtml, stylesCss } from '../render/index.ts';
import { SiteIssues, fieldProblem, isRunning, referencesTo, type Site } from '../site/index.ts';
import { groundParts } from '../specimen/colours.ts';
import { stressSite, type StressKind } from '../stress/index.ts';
import { smallSite } from '../testing/small-site.ts';
import {
  asLine,
  asLink,
  choiceOf,
  Content,
  element,
  Href,
  kindOfBlock,
  nameOf,
  orderOf,
  refTo,
  withKind,
  wordsIn,
  type Block,
  type Kind,
} from './index.ts';

/** A kind that nothing in the house knows: a board of departures. */
const board = kindOfBlock(
  'board',
  {
    style: refTo('style', 'Style of the board', true),
    ground: refTo('ground', 'Background', true),
    picture: v.nullable(refTo('asset', 'Picture')),
    tone: choiceOf(v.picklist(['loud', 'quiet']), 'Tone', ['loud', 'quiet'], { offered: true }),
    title: nameOf('heading'),
    note: Content,
    more: asLink(Href),
    order: orderOf('items'),
    items: byId(v.strictObject({ id: Id, time: asLine(Copy, 'cell'), variant: refTo('variant', 'Variant') })),
  },
  {
    label: 'Board',
    column: 'words',
    css: '.board { display: grid; }\n',
    tree(kit, { ground, title, order, tone }) {
      const { kit: on, properties } = kit.onSurface(
        { part: 'surface', label: `Board ${title}`, paint: [kit.paint.background(ground)] },
        `board ${tone}`,
        ground,
      );
      return element('div', properties, [
        on.words('h3', 'title', ['title'], ['style'], { level: 3 }),
        on.words('p', 'note', ['note'], ['style']),
        ...order.map((id) => on.words('p', `${id}/time`, ['items', id, 'time'], ['style'])),
      ]);
    },
    samples: ({ styles, ground, variants, page }) => [
      {
        name: 'board',
        style: styles.minor,
        ground: ground.id,
        picture: null,
        tone: 'loud' as const,
        title: 'A board',
        note: [{ text: 'Note' }],
        more: { to: 'page' as const, page },
        order: ['a'],
        items: { a: { id: 'a', time: '09:40', variant: variants[0]!.id } },
      },
    ],
  },
);
type Board = v.InferOutput<typeof board.schema>;
const made: Board = {
  kind: 'board',
  id: 'bo',
  style: 'title',
  ground: 'deep',
  picture: null,
  tone: 'loud',
  title: 'Departures',
  note: [{ text: 'See ' }, { id: 'bl', link: { to: 'page', page: 'more' }, text: 'all' }],
  more: { to: 'page', page: 'more' },
  order: ['a', 'b'],
  items: { a: { id: 'a', time: '09:40', variant: 'primary' }, b: { id: 'b', time: '12:05 late', variant: 'primary' } },
};
const at = ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'bo'];

/** A site with a board on its first page. */
function withBoard(change: (block: Board) => Board = (block) => block): Site {
  const site = smallSite();
  const section = (
    site.pages['home']!.sections['s1'] as unknown as {
      own: { blocks: Record<string, unknown>; columns: Record<string, { order: string[] }> };
    }
  ).own;
  section.blocks['bo'] = change(structuredClone(made));
  section.columns['col1']!.order.push('bo');
  return site;
}
const own = <T>(work: () => T): T => withKind(board as unknown as Kind, work);

describe('a kind of block that only its own file knows', () => {
  it('is no block while nobody knows it, and says which are', () => {
    expect(() => readSite(withBoard())).toThrowError(
      SiteIssues,
      /blocks\.bo is no block of a kind that is known: text, /,
    );
    expect(() => own(() => own(() => 1))).toThrowError(RangeError, /board already/);
    expect(() => readSite(withBoard())).toThrowError(SiteIssues);
  });
  it('is read by its schema, and refused with the path of what is wrong', () =>
    own(() => {
      expect(readSite(withBoard())).toEqual(withBoard());
      const path = (change: (block: Board) => Board) => {
        try {
          readSite(withBoard(change));
        } catch (error) {
          return (error as SiteIssues).issues[0]!.path;
        }
        return 'read';
      };
      const where = at.join('.');
      expect(path((block) => ({ ...block, style: 'nobody' }))).toBe(`${where}.style`);
      expect(path((block) => ({ ...block, picture: 'nobody' }))).toBe(`${where}.picture`);
      expect(
        path((block) => ({ ...block, note: [{ id: 'bl', link: { to: 'page', page: 'nobody' }, text: 'all' }] })),
      ).toBe(`${where}.note.bl.link.page`);
      expect(path((block) => ({ ...block, more: { to: 'page', page: 'nobody' } }))).toBe(`${where}.more.page`);
      expect(
        path((block) => ({ ...block, items: { ...block.items, a: { ...block.items['a']!, variant: 'nobody' } } })),
      ).toBe(`${where}.items.a.variant`);
      expect(path((block) => ({ ...block, order: ['a'] }))).toBe(`${where}.order`);
      expect(path((block) => ({ ...block, tone: 'shrill' as 'loud' }))).toBe(`${where}.tone`);
    }));
  it('stands on the page with its places, its look and its words, which are edited where they stand', () =>
    own(() => {
      const site = readSite(withBoard());
      expect(pageHtml(site, 'home')).toContain('class="board loud background--deep"');
      expect(stylesCss(site)).toContain('.board { display: grid; }');
      const places = pageTree(site, 'home').places.filter((place) => place.id.startsWith('bo/'));
      expect(places.map((place) => [place.id, place.ground, place.words?.slice(at.length).join('.') ?? null])).toEqual([
        ['bo/surface', 'pale', null],
        ['bo/title', 'deep', 'title'],
        ['bo/note', 'deep', 'note'],
        ['bo/bl', 'deep', null],
        ['bo/a/time', 'deep', 'items.a.time'],
        ['bo/b/time', 'deep', 'items.b.time'],
      ]);
      expect([
        isRunning(site, [...at, 'note']),
        isRunning(site, [...at, 'title']),
        isRunning(site, [...at, 'items', 'c', 'time']),
      ]).toEqual([true, false, false]);
      expect([
        fieldProblem(site, [...at, 'title'], ''),
        fieldProblem(site, [...at, 'items', 'a', 'time'], 'x'.repeat(4001)),
        fieldProblem(site, [...at, 'title'], 'Arrivals'),
      ]).toEqual(['must not be empty', 'must have at most 4000 characters', '']);
      expect(wordsIn(made as unknown as Block)).toEqual(['Departures', 'See all', '09:40', '12:05 late']);
    }));
  it('counts where the brand is used, and what is deleted is replaced in it by one operation that undo takes back', () =>
    own(() => {
      const site = readSite(withBoard());
      expect(styleUses(site, 'title').map((use) => use.join('.'))).toContain([...at, 'style'].join('.'));
      const edit = removeStyle(site, 'title', 'section')!;
      expect(edit.ops.filter((op) => op.op === 'redirect').length).toBe(1);
      const gone = acceptChange(site, edit);
      const board = () =>
        (gone.site.pages['home']!.sections['s1'] as unknown as { own: { blocks: Record<string, Board> } }).own.blocks[
          'bo'
        ]!;
      expect(board().style).toBe('section');
      expect(applyChange(gone.site, { ops: planUndo(gone.site, gone.inverse).ops }).site).toEqual(site);
      expect(() => acceptChange(site, { ops: edit.ops.filter((op) => op.op !== 'redirect') })).toThrowError(
        ChangeRefused,
        /still used/,
      );
      expect(JSON.stringify(acceptChange(site, removeGround(site, 'deep', 'pale')).site)).not.toContain('"deep"');
      const without = acceptChange(site, removePage(site, 'more')).site;
      expect(referencesTo(without, 'page', 'home').map((bytes) => bytes.join('.'))).toContain(
        [...at, 'note', 'bl', 'link', 'page'].join('.'),
      );
    }));
  it('is copied under a new id with all it points at', () =>
    own(() => {
      const site = readSite(withBoard());
      const copied = acceptChange(site, duplicateSection(site, 'home', 's1', 'again')).site;
      expect(
        pageTree(copied, 'home')
          .places.filter((place) => place.id.endsWith('/a/time'))
          .map((place) => place.label),
      ).toEqual(['title “09:40”', 'title “09:40”']);
      expect(referencesTo(copied, 'ground', 'deep').length).toBe(referencesTo(site, 'ground', 'deep').length + 1);
    }));
  it('gets hostile copy by what its words are', () =>
    own(() => {
      const site = readSite(withBoard());
      const hard = stressSite(site, new Set<StressKind>(['names', 'twice']));
      const words = pageTree(hard, 'home')
        .places.filter((place) => place.id.startsWith('bo/'))
        .map((place) => place.label);
      expect(words).toEqual([
        'Board Departures',
        'title “Departures”',
        'title “See all See all”',
        'Link “all”',
        'title “12:05 late”',
        'title “12:05 late”',
      ]);
      expect(JSON.stringify(stressSite(site, new Set<StressKind>(['language'])))).toContain('"title":"Departuresungs');
    }));
  it('has a look of its own: what paints it otherwise is told apart, its words are not', () =>
    own(() => {
      const shape = (change: (block: Board) => Board) => {
        const site = withBoard(change);
        return partPatterns(site, site.pages['home']!).find((part) => part.id === 's1')!.shape;
      };
      const plain = shape((block) => block);
      expect(
        shape((block) => ({
          ...block,
          title: 'Arrivals',
          more: { to: 'page', page: 'home' },
          note: [{ text: 'Look at ' }, { id: 'xx', link: { to: 'page', page: 'home' }, text: 'these' }],
        })),
      ).toBe(plain);
      for (const change of [
        (block: Board): Board => ({ ...block, style: 'running' }),
        (block: Board): Board => ({ ...block, tone: 'quiet' }),
        (block: Board): Board => ({ ...block, note: [{ text: 'Plain' }] }),
        (block: Board): Board => ({ ...block, order: ['a'], items: { a: block.items['a']! } }),
        (block: Board): Board => ({ ...block, items: { ...block.items, b: { ...block.items['b']!, time: '' } } }),
      ])
        expect(shape(change)).not.toBe(plain);
    }));
  it('is offered on the slip by what its fields say', () =>
    own(() => {
      const site = readSite(withBoard());
      const place = (id: string) => pageTree(site, 'home').places.find((entry) => entry.id === id)!;
      expect(offeredFields(site, place('bo/title')).map((field) => [field.label, field.value])).toEqual([
        ['Style of the board', 'title'],
        ['Tone', 'loud'],
        ['Link to', 'More'],
      ]);
      expect(offeredFields(site, place('bo/surface')).map((field) => [field.label, field.value])).toEqual([
        ['Background', 'deep'],
        ['Tone', 'loud'],
        ['Link to', 'More'],
      ]);
      const [, tone] = offeredFields(site, place('bo/title'));
      expect(acceptChange(site, setValue(site, 'x', tone!.address, tone!.kept('quiet'))).ops.length).toBe(1);
      const leads = offeredFields(site, place('bo/title')).at(-1)!;
      expect([leads.typed!.offers, leads.kept('home'), leads.typed!.problem('nowhere')]).toEqual([
        ['Home', 'More'],
        { to: 'page', page: 'home' },
        jasmine.stringContaining('is neither a page of this site'),
      ]);
    }));
  it('stands in the specimen with its sample', () =>
    own(() => {
      const site = readSite(withBoard());
      expect(JSON.stringify(groundParts(site).map((part) => part.element))).toContain('A board');
    }));
});
