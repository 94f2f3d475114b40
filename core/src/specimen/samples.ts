import type { Block, Brand, Section, Site, TextStyle } from '../site/index.ts';

/** The styles in which samples are set, by what they are for. */
export interface SampleStyles { readonly heading: string; readonly minor: string; readonly lead: string; readonly running: string; readonly fine: string; readonly eyebrow: string }

/** Styles for samples: those made for a purpose, else the nearest there is. */
export function sampleStyles(brand: Brand): SampleStyles {
  const styles = brand.styleOrder.map((id) => brand.styles[id]!);
  const find = (wanted: (style: TextStyle) => boolean) => styles.find(wanted)?.id;
  const running = styles.filter((style) => style.use === 'running');
  const plain = running.at(-1)?.id ?? styles[0]!.id;
  const heading = find((style) => style.levels.includes(2)) ?? find((style) => style.use === 'heading') ?? plain;
  return {
    heading, running: plain, lead: running[0]?.id ?? plain,
    minor: find((style) => style.levels.includes(3)) ?? heading, fine: find((style) => style.use === 'fine') ?? plain, eyebrow: find((style) => style.slot === 'eyebrow') ?? plain,
  };
}

/** A section that shows everything that can stand on a ground, made of ordinary blocks. */
export function groundSection(site: Site, ground: string): Section {
  const { brand } = site;
  const styles = sampleStyles(brand);
  const id = (name: string) => `specimen-${ground}-${name}`;
  const [size] = brand.sizeOrder;
  const home = { to: 'page' as const, page: site.pageOrder[0]! };
  const text = (name: string, style: string, level: number | null, words: string): Block => ({ kind: 'text', id: id(name), style, level, content: [{ text: words }] });
  const button = (name: string, label: string, variant: string) => ({ id: name, label, href: home, variant, size: size! });
  const field = (name: string, label: string, kind: 'text' | 'select' | 'check' | 'area', help: string, error = '') => ({ id: name, label, kind, help, ...(error ? { error } : {}), options: kind === 'select' ? ['The first of three', 'The second', 'The third'] : [] });
  const words: Block[] = [
    text('eyebrow', styles.eyebrow, null, 'Eyebrow'), text('heading', styles.heading, 2, brand.grounds[ground]!.label), text('lead', styles.lead, null, 'A lead says in one breath what the section is about.'),
    {
      kind: 'text', id: id('running'), style: styles.running, level: null,
      content: [{ text: 'Running text with ' }, { text: 'strong words', mark: 'strong' }, { text: ', ' }, { text: 'emphasis', mark: 'em' }, { text: ', ' }, { id: 'link', link: home, text: 'a link in its place' }, { text: ' and ' }, { id: 'mark', marked: true, text: 'marked words' }, { text: '. It goes on long enough to show where lines end and how far apart they stand.' }],
    },
    { kind: 'quote', id: id('quote'), style: styles.lead, content: [{ text: 'What somebody said, in their own words.' }], source: 'Whose words they are', sourceStyle: styles.fine },
    text('fine', styles.fine, null, 'Fine print for what must be said and need not be read first.'),
    { kind: 'list', id: id('list'), style: styles.running, ordered: false, icon: 'check', order: ['a', 'b'], items: { a: { id: 'a', content: [{ text: 'An item of a list' }] }, b: { id: 'b', content: [{ text: 'and another one' }] } } },
    { kind: 'rule', id: id('rule') },
    { kind: 'figures', id: id('figures'), valueStyle: styles.minor, labelStyle: styles.fine, order: ['a', 'b'], items: { a: { id: 'a', value: '1 284', label: 'A figure' }, b: { id: 'b', value: '37 %', label: 'and a share' } } },
    { kind: 'buttons', id: id('buttons'), order: brand.variantOrder, items: Object.fromEntries(brand.variantOrder.map((variant) => [variant, button(variant, brand.variants[variant]!.label, variant)])) },
  ];
  const parts: Block[] = [
    {
      kind: 'form', id: id('form'), labelStyle: styles.fine, helpStyle: styles.fine, order: ['name', 'choice', 'more', 'agree'],
      items: {
        name: field('name', 'A field', 'text', 'Help stands below it.', 'An error says what to do.'), choice: field('choice', 'A choice', 'select', ''),
        more: field('more', 'Room for more', 'area', ''), agree: field('agree', 'A check', 'check', ''),
      },
      submit: button('send', 'Send', brand.variantOrder[0]!),
    },
    {
      kind: 'table', id: id('table'), style: styles.running, headStyle: styles.fine, caption: 'A table', columnOrder: ['what', 'much'], columns: { what: { id: 'what', label: 'What' }, much: { id: 'much', label: 'How much' } },
      order: ['a', 'b', 'c'], items: Object.fromEntries([['a', 'The first row', '12.50'], ['b', 'A striped row', '8.00'], ['c', 'The last row', '111.25']].map(([row, what, much]) => [row!, { id: row!, cells: { what: what!, much: much! } }])),
    },
  ];
  return {
    id: id('section'), label: brand.grounds[ground]!.label, ground, space: brand.spaceOrder.find((space) => brand.spaces[space]!.use === 'section')!, picture: null,
    columnOrder: ['words', 'parts'], columns: { words: { id: 'words', order: words.map((block) => block.id) }, parts: { id: 'parts', order: parts.map((block) => block.id) } },
    blocks: Object.fromEntries([...words, ...parts].map((block) => [block.id, block])),
  };
}
