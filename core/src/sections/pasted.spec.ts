import { acceptChange, addPasted } from '../change/index.ts';
import { readSite } from '../document/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { blocksFromPasted, type PastedNode } from './index.ts';

const site = readSite(smallSite());
const tag = (name: string, ...children: readonly PastedNode[]): PastedNode => ({ tag: name, foreign: false, children });
const link = (href: string, ...children: readonly PastedNode[]): PastedNode => ({
  tag: 'a',
  href,
  foreign: false,
  children,
});
const pasted = (nodes: readonly PastedNode[], headed = true) =>
  blocksFromPasted(site, nodes, headed, (count) => `x-b${count}`);
const words = (nodes: readonly PastedNode[], headed = true) =>
  pasted(nodes, headed).blocks.map((block) => {
    if (block.kind === 'text')
      return `${block.level ?? 'p'} ${block.style}: ${block.content.map((run) => ('link' in run ? `[${run.text}]` : 'mark' in run ? `*${run.text}*` : run.text)).join('')}`;
    if (block.kind === 'list')
      return `${block.ordered ? 'ol' : 'ul'}: ${block.order.map((id) => block.items[id]!.content.map(({ text }) => text).join('')).join('|')}`;
    return block.kind === 'table'
      ? `table: ${block.columnOrder.map((id) => block.columns[id]!.label).join()} / ${block.order.map((id) => Object.values(block.items[id]!.cells).join()).join(';')}`
      : block.kind;
  });

describe('pasted HTML', () => {
  it('becomes blocks in the brand’s own styles: headings, paragraphs, lists, quotes, tables, rules, with emphasis and links', () => {
    const nodes = [
      tag(
        'div',
        tag('h1', 'Opening'),
        'Loose ',
        tag('b', 'words'),
        ' and ',
        link('https://b.example/x', 'a link'),
        tag('p', 'One', tag('br'), 'two'),
        tag('ul', tag('li', 'First'), '\n', tag('li', tag('p', 'Second'))),
      ),
      tag('blockquote', 'Said'),
      tag('hr'),
      tag(
        'table',
        tag('tbody', tag('tr', tag('th', 'Day'), tag('th', 'From')), tag('tr', tag('td', 'Monday'), tag('td', '9'))),
      ),
    ];
    expect(words(nodes)).toEqual([
      '2 section: Opening',
      'p running: Loose *words* and [a link]',
      'p running: One\ntwo',
      'ul: First|Second',
      'quote',
      'rule',
      'table: Day,From / Monday,9',
    ]);
    expect(pasted(nodes).taken).toEqual([
      'one heading',
      '2 paragraphs',
      'one list',
      'one quote',
      'one rule',
      'one table',
    ]);
  });
  it('keeps the order of levels: one first heading a page, and none left out', () => {
    expect(words([tag('h1', 'A'), tag('h4', 'B'), tag('h1', 'C')], false).map((word) => word[0])).toEqual([
      '1',
      '2',
      '2',
    ]);
    expect(words([tag('h3', 'A'), tag('h6', 'B')], true).map((word) => word[0])).toEqual(['2', '3']);
  });
  it('says what it leaves out: scripts, embeds, pictures, forms, looks of elsewhere, links that lead nowhere', () => {
    const made = pasted([
      { tag: 'p', foreign: true, children: ['Red ', { tag: 'span', foreign: true, children: ['words'] }] },
      tag('script', 'alert(1)'),
      tag('p', link('javascript:alert(1)', 'press'), tag('img')),
      tag('iframe'),
      tag('form', 'Name'),
    ]);
    expect(made.blocks.map((block) => JSON.stringify(block)).join()).not.toContain('alert');
    expect(made.left).toEqual([
      '2 looks of its own',
      'one script',
      'one link without a target here',
      'one picture',
      'one embed',
      'one form',
    ]);
  });
  it('is laid in whole whatever comes: tables within tables, two million characters, five thousand paragraphs', () => {
    const table = (inner: PastedNode) =>
      tag('table', tag('tr', tag('td', inner), tag('td', 'b')), tag('tr', tag('td', 'c'), tag('td', 'd')));
    let deep: PastedNode = 'inmost';
    for (let i = 0; i < 30; i++) deep = table(deep);
    for (const nodes of [
      [deep],
      [tag('p', 'x'.repeat(2_000_000))],
      Array.from({ length: 5000 }, (_, i) => tag('p', `Paragraph ${i}`)),
      [tag('p', '\u0000\u202e', 'x')],
    ]) {
      const made = pasted(nodes);
      expect(
        readSite(acceptChange(site, addPasted(site, 'home', 'x', made)!).site).pages['home']!.sections['x'],
      ).toBeDefined();
    }
    expect(pasted(Array.from({ length: 5000 }, (_, i) => tag('p', `Paragraph ${i}`))).left).toEqual([
      '4500 parts over the limit of a section',
    ]);
    expect(addPasted(site, 'home', 'x', pasted([tag('p', '  ')]))).toBeUndefined();
  });
});
