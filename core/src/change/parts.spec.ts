import { kindOf, laidInto, markedWords } from '../kinds/index.ts';
import { readSite } from '../document/index.ts';
import { pageTree } from '../page/index.ts';
import { blockKinds } from '../sections/index.ts';
import type { Section, Site } from '../site/index.ts';
import { smallSite } from '../testing/small-site.ts';
import {
  acceptChange,
  addBlock,
  addBlockAt,
  addKept,
  extrasAt,
  partsOfPlaces,
  turnBlock,
  turnExtra,
  turnsOf,
  addSection,
  keepSection,
  ownSection,
  pagesWith,
  duplicatePart,
  movePart,
  partsAt,
  planUndo,
  removePart,
  setValue,
  type BlockPart,
  type Edit,
} from './index.ts';

const site = smallSite();
const place = (now: Site, id: string) => pageTree(now, 'home').places.find((entry) => entry.id === id)!;
const part = (now: Site, id: string, what: BlockPart['what']) =>
  partsAt(now, place(now, id)).find((entry) => entry.what === what)!;
const section = (now: Site) => (now.pages['home']!.sections['s1'] as unknown as { own: Section }).own;
const after = (now: Site, edit: Edit | undefined) => acceptChange(now, edit!).site;

describe('a part of a page', () => {
  it('is found from any place of it, the item before its block; the header has none', () => {
    expect(partsAt(site, place(site, 'k/k1')).map(({ what, label, id }) => [what, label, id])).toEqual([
      ['item', 'One of buttons', 'k1'],
      ['block', 'Buttons', 'k'],
    ]);
    expect(partsAt(site, place(site, 'p/text')).map(({ what }) => what)).toEqual(['block']);
    const header = pageTree(site, 'home').places.find(({ section: of }) => of === 'header')!;
    expect(partsAt(site, header)).toEqual([]);
  });
  it('goes on from the end of its column into the next one, and into the section beside its own where that is no kept one', () => {
    const wide = readSite(smallSite());
    const own = (of: Site, page: string, id: string) => (of.pages[page]!.sections[id] as { own: Section }).own;
    const split = after(
      wide,
      setValue(wide, '', ['pages', 'home', 'sections', 's1', 'own', 'columns', 'col1', 'order'], ['h', 'p', 'k']),
    );
    const two: Site = {
      ...split,
      pages: {
        ...split.pages,
        home: {
          ...split.pages['home']!,
          sections: {
            ...split.pages['home']!.sections,
            s1: {
              id: 's1',
              own: {
                ...own(split, 'home', 's1'),
                columns: { col1: { id: 'col1', order: ['h', 'p'] }, col2: { id: 'col2', order: ['k'] } },
                columnOrder: ['col1', 'col2'],
              },
            },
          },
        },
      },
    };
    const beside = after(two, movePart(two, part(two, 'p/text', 'block'), 1));
    expect([
      own(beside, 'home', 's1').columns['col1']!.order,
      own(beside, 'home', 's1').columns['col2']!.order,
    ]).toEqual([['h'], ['p', 'k']]);
    // Behind it stands a kept section: there it ends.
    expect(movePart(beside, part(beside, 'k/k1', 'block'), 1)).toBeUndefined();
    const more = after(wide, addSection(wide, 'home', 'next', 's1'));
    const over = after(more, movePart(more, part(more, 'k/k1', 'block'), 1));
    expect([
      own(over, 'home', 's1').columns['col1']!.order,
      own(over, 'home', 'next').columns[own(over, 'home', 'next').columnOrder[0]!]!.order[0],
    ]).toEqual([['h', 'p'], 'k']);
    expect(after(over, movePart(over, part(over, 'k/k1', 'block'), -1))).toEqual(more);
  });
  it('is moved among its like, and at the end stays', () => {
    const moved = after(site, movePart(site, part(site, 'p/text', 'block'), 1));
    expect(section(moved).columns['col1']!.order).toEqual(['h', 'k', 'p']);
    expect(movePart(moved, part(moved, 'p/text', 'block'), 1)).toBeUndefined();
  });
  it('is made once more behind itself: a block, and one button of a row', () => {
    const two = after(site, duplicatePart(site, part(site, 'k/k1', 'item'), 'k2'));
    expect(section(two).blocks['k']).toEqual(jasmine.objectContaining({ order: ['k1', 'k2'] }));
    expect(place(two, 'k/k2').kind).toBe('button');
    const twice = after(two, duplicatePart(two, part(two, 'k/k1', 'block'), 'kk'));
    expect(section(twice).columns['col1']!.order).toEqual(['h', 'p', 'k', 'kk']);
  });
  it('is deleted, with what is set on it, and comes back by undo', () => {
    const set = after(site, {
      label: 'set',
      ops: [
        {
          op: 'insert',
          record: ['pages', 'home', 'overrides'],
          order: null,
          id: 'o1',
          value: {
            id: 'o1',
            place: 'p/text',
            property: 'font-size',
            band: null,
            origin: 'set',
            value: { kind: 'literal', css: '20px' },
            reason: null,
          },
          after: null,
        },
      ],
    });
    const { site: gone, inverse } = acceptChange(set, removePart(set, part(set, 'p/text', 'block')));
    expect([section(gone).blocks['p'], Object.keys(gone.pages['home']!.overrides)]).toEqual([undefined, []]);
    expect(acceptChange(gone, { ops: planUndo(gone, inverse).ops }).site).toEqual(set);
  });
  for (const { kind, label } of blockKinds(site))
    it(`${label}: is added behind another with first words, and is a place`, () => {
      const added = after(site, addBlock(site, part(site, 'p/text', 'block'), kind, 'fresh'));
      expect([section(added).columns['col1']!.order, kindOf(section(added).blocks['fresh']!)!.label]).toEqual([
        ['h', 'p', 'fresh', 'k'],
        label,
      ]);
      expect(pageTree(added, 'home').places.some(({ id }) => id.startsWith('fresh/'))).toBe(true);
    });
  it('of a kind that is none, or that shows what the site has not, is refused', () => {
    const behind = part(site, 'p/text', 'block');
    for (const kind of ['nothing', 'picture'])
      expect(() => addBlock(site, behind, kind, 'fresh')).toThrowError(
        RangeError,
        `This site has nothing that a block “${kind}” could show.`,
      );
  });
});

describe('a kept section', () => {
  const set = {
    id: 'o1',
    place: 'p/text',
    property: 'font-size',
    band: null,
    origin: 'set',
    value: { kind: 'literal', css: '20px' },
    reason: null,
  };
  const valued = acceptChange(site, {
    ops: [{ op: 'insert', record: ['pages', 'home', 'overrides'], order: null, id: 'o1', value: set, after: null }],
  }).site;
  const kept = after(valued, keepSection(valued, 'home', 's1', 'one', 'e1'));

  it('stands where it stood, is the same one on another page, and what was set on it goes with it', () => {
    expect([
      kept.pages['home']!.sectionOrder,
      kept.pages['home']!.sections['e1'],
      kept.shared.sections['one']!.label,
    ]).toEqual([['e1', 's2'], { id: 'e1', shared: 'one' }, 'One']);
    expect(Object.values(kept.shared.overrides).map((override) => override.place)).toEqual(['one:one-b2/text']);
    expect(Object.keys(kept.pages['home']!.overrides)).toEqual([]);
    const both = after(kept, addKept(kept, 'more', 'e2', 'one'));
    expect(pagesWith(both, 'one')).toEqual(['home', 'more']);
    expect(pageTree(both, 'more').places.filter(({ id }) => id.startsWith('e2:')).length).toBe(
      pageTree(both, 'home').places.filter(({ id }) => id.startsWith('e1:')).length,
    );
    expect(() => keepSection(both, 'more', 'e2', 'two', 'e3')).toThrowError(/already reused/);
  });
  it('is made one of a page alone again, with its values; elsewhere it stays', () => {
    const both = after(kept, addKept(kept, 'more', 'e2', 'one'));
    const own = after(both, ownSection(both, 'more', 'e2', 'alone'));
    expect([
      own.pages['more']!.sectionOrder.at(-1),
      'own' in own.pages['more']!.sections['alone']!,
      pagesWith(own, 'one'),
    ]).toEqual(['alone', true, ['home']] as never);
    expect(Object.values(own.pages['more']!.overrides).map((override) => override.place)).toEqual(['alone-b2/text']);
  });
  it('comes back as it was by undo', () => {
    const { site: now, inverse } = acceptChange(valued, keepSection(valued, 'home', 's1', 'one', 'e1'));
    expect(acceptChange(now, { ops: planUndo(now, inverse).ops }).site).toEqual(valued);
  });
});

describe('what a part may be and have besides', () => {
  const words = (now: Site, content: unknown) =>
    after(now, setValue(now, '', ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'p', 'content'], content));
  const last = (now: Site) => section(now).blocks[section(now).columns['col1']!.order[1]!]!;
  it('a text becomes a list, a line each, with its emphasis and links, and a quote; a list becomes a text again', () => {
    const two = words(site, [
      { text: 'One\nand ' },
      { text: 'two', mark: 'em' },
      { text: '\n' },
      { id: 'l1', link: { to: 'page', page: 'more' }, text: 'three' },
    ]);
    expect(turnsOf(two, part(two, 'p/text', 'block')).map(({ kind }) => kind)).toEqual(['list', 'quote']);
    const list = after(two, turnBlock(two, part(two, 'p/text', 'block'), 'list', 'x1'));
    expect(last(list)).toEqual(jasmine.objectContaining({ kind: 'list', order: ['i1', 'i2', 'i3'] }));
    expect((last(list) as unknown as { items: Record<string, { content: unknown }> }).items['i2']!.content).toEqual([
      { text: 'and ' },
      { text: 'two', mark: 'em' },
    ]);
    const back = after(list, turnBlock(list, part(list, 'x1/i1/text', 'block'), 'text', 'x2'));
    expect((last(back) as unknown as { content: unknown }).content).toEqual([
      { text: 'One\nand ' },
      { text: 'two', mark: 'em' },
      { text: '\n' },
      { id: 'l1', link: { to: 'page', page: 'more' }, text: 'three' },
    ]);
    expect(last(after(two, turnBlock(two, part(two, 'p/text', 'block'), 'quote', 'x3'))).kind).toBe('quote');
    expect(turnsOf(site, part(site, 'k/k1', 'block'))).toEqual([]);
  });
  it('cards have pictures, links and buttons or not; a quote says whose words it is or not; what the site has nothing for is not offered', () => {
    const cards = after(site, addBlock(site, part(site, 'p/text', 'block'), 'cards', 'c'));
    const at = (now: Site) => extrasAt(now, place(now, 'c/a/heading'));
    expect(at(cards).map(({ label, has }) => [label, has])).toEqual([
      ['a link', true],
      ['a button', false],
    ]);
    const with_ = after(cards, turnExtra(cards, at(cards)[1]!, 'go'));
    expect(
      pageTree(with_, 'home').places.some(({ kind, id }) => kind === 'button' && id.startsWith('c/a/')),
    ).toBeTrue();
    expect(at(after(with_, turnExtra(with_, at(with_)[1]!, 'no')))[1]!.has).toBeFalse();
    const quote = after(site, addBlock(site, part(site, 'p/text', 'block'), 'quote', 'q'));
    const less = after(quote, turnExtra(quote, extrasAt(quote, place(quote, 'q/text'))[0]!, 'no'));
    expect(pageTree(less, 'home').places.some(({ id }) => id === 'q/source')).toBeFalse();
  });
  it('a block is laid in between two, and before all', () => {
    const at = ['pages', 'home', 'sections', 's1', 'own'];
    expect(section(after(site, addBlockAt(site, at, 'col1', null, 'rule', 'r'))).columns['col1']!.order).toEqual([
      'r',
      'h',
      'p',
      'k',
    ]);
    expect(section(after(site, addBlockAt(site, at, 'col1', 'h', 'space', 'r'))).columns['col1']!.order).toEqual([
      'h',
      'r',
      'p',
      'k',
    ]);
  });
  it('several in hand are each found once', () => {
    expect(
      partsOfPlaces(site, [place(site, 'k/k1'), place(site, 'k/k1'), place(site, 'p/text')], 'block').map(
        ({ id }) => id,
      ),
    ).toEqual(['k', 'p']);
  });
  it('words are marked as with a pen, and plain again; others are laid in among them; links stay what they are', () => {
    const link = { id: 'l', link: { to: 'url' as const, url: 'https://a.example' }, text: 'link' };
    const runs = [{ text: 'one two ' }, link];
    const marked = markedWords(runs, 4, 7, 'm');
    expect(marked).toEqual([{ text: 'one ' }, { id: 'm', marked: true, text: 'two' }, { text: ' ' }, link]);
    expect(markedWords(marked, 4, 7, 'n')).toEqual(runs);
    expect(markedWords(runs, 6, 10, 'm')).toEqual(runs);
    expect(laidInto(runs, 4, 7, [{ text: 'three', mark: 'strong' }])).toEqual([
      { text: 'one ' },
      { text: 'three', mark: 'strong' },
      { text: ' ' },
      link,
    ]);
    expect(laidInto([], 0, 0, [{ text: 'a' }])).toEqual([{ text: 'a' }]);
  });
});
