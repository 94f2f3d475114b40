import type { Block, Inline, Section, Site } from '../site/index.ts';

/** Ways in which real content is harder than the words a design was made with. */
export type StressKind = 'names' | 'pictures' | 'twice' | 'language' | 'spacing' | 'zoom';

export const STRESS_KINDS: readonly { readonly kind: StressKind; readonly label: string; readonly copy: boolean }[] = [
  { kind: 'names', label: 'longest names', copy: true }, { kind: 'pictures', label: 'no pictures', copy: true }, { kind: 'twice', label: 'twice the text', copy: true },
  { kind: 'language', label: 'a longer language', copy: true }, { kind: 'spacing', label: 'text spacing', copy: false }, { kind: 'zoom', label: 'text at 200 %', copy: false },
];

/**
 * A site with hostile copy: every short name as long as the longest of its kind
 * that the site knows, no picture at hand, running text doubled, headings and
 * labels in a language of longer words. Structure, ids and tokens stay, so that
 * what breaks can be named. The same site comes back when nothing of it is asked.
 */
export function stressSite(site: Site, kinds: ReadonlySet<StressKind>): Site {
  if (!STRESS_KINDS.some(({ kind, copy }) => copy && kinds.has(kind))) return site;
  const longest = kinds.has('names') ? longestNames(site) : undefined;
  const name = (kind: NameKind, text: string): string => {
    const long = longest && text !== '' ? (longest.get(kind) ?? text) : text;
    return kinds.has('language') ? longer(long) : long;
  };
  const section = (one: Section): Section => ({ ...one, blocks: Object.fromEntries(Object.entries(one.blocks).map(([id, block]) => [id, stressBlock(block, kinds, name)])) });
  const { shared } = site;
  return {
    ...site,
    assets: kinds.has('pictures') ? Object.fromEntries(Object.entries(site.assets).filter(([id]) => Object.values(shared.logo?.forms ?? {}).some((form) => form.asset === id))) : site.assets,
    shared: {
      ...shared, footer: section(shared.footer), sections: mapped(shared.sections, section),
      header: { ...shared.header, items: mapped(shared.header.items, (item) => ({ ...item, label: name('menu', item.label) })) },
    },
    pages: mapped(site.pages, (page) => ({ ...page, sections: mapped(page.sections, (entry) => ('own' in entry ? { ...entry, own: section(entry.own) } : entry)) })),
  };
}

/** Styles that make text as wide as readers may set it: WCAG 2.2, 1.4.12 (text spacing) and 1.4.4 (text at 200 %). */
export function stressCss(kinds: ReadonlySet<StressKind>): string {
  return (kinds.has('spacing') ? '* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important; }\np { margin-block-end: 2em !important; }\n' : '')
    + (kinds.has('zoom') ? 'html { font-size: 200%; }\n' : '');
}

type NameKind = 'menu' | 'button' | 'card' | 'label' | 'cell' | 'heading';

const mapped = <T>(record: Readonly<Record<string, T>>, change: (value: T) => T): Record<string, T> => Object.fromEntries(Object.entries(record).map(([id, value]) => [id, change(value)]));

function stressBlock(block: Block, kinds: ReadonlySet<StressKind>, name: (kind: NameKind, text: string) => string): Block {
  const copy = (content: readonly Inline[]): Inline[] => (kinds.has('twice') ? doubled(content) : [...content]);
  switch (block.kind) {
    case 'text': return { ...block, content: block.level === null ? copy(block.content) : block.content.map((run) => ({ ...run, text: kinds.has('language') ? longer(run.text) : run.text })) };
    case 'buttons': return { ...block, items: mapped(block.items, (item) => ({ ...item, label: name('button', item.label) })) };
    case 'list': return { ...block, items: mapped(block.items, (item) => ({ ...item, content: copy(item.content) })) };
    case 'table': return { ...block, items: mapped(block.items, (row) => ({ ...row, cells: mapped(row.cells, (text) => name('cell', text)) })) };
    case 'cards': return {
      ...block, items: mapped(block.items, (card) => ({ ...card, heading: name('card', card.heading), content: copy(card.content), button: card.button && { ...card.button, label: name('button', card.button.label) } })),
    };
    case 'form': return { ...block, items: mapped(block.items, (field) => ({ ...field, label: name('label', field.label) })), submit: { ...block.submit, label: name('button', block.submit.label) } };
    case 'figures': return { ...block, items: mapped(block.items, (item) => ({ ...item, label: name('label', item.label) })) };
    case 'quote': return { ...block, content: copy(block.content), source: name('label', block.source) };
    case 'picture': return block.caption ? { ...block, caption: { ...block.caption, content: copy(block.caption.content) } } : block;
    case 'rule': case 'logo': return block;
  }
}

/** The same words again behind themselves; links and marks are not doubled, for their ids stand once. */
function doubled(content: readonly Inline[]): Inline[] {
  const plain = content.map((run) => run.text).join('');
  return plain === '' ? [...content] : [...content, { text: ` ${plain}` }];
}

/** The longest name of each kind on the site. */
function longestNames(site: Site): Map<NameKind, string> {
  const found = new Map<NameKind, string>();
  const add = (kind: NameKind, text: string) => {
    if (text.length > (found.get(kind)?.length ?? 0)) found.set(kind, text);
  };
  const section = (one: Section) => {
    for (const block of Object.values(one.blocks)) {
      if (block.kind === 'buttons') for (const item of Object.values(block.items)) add('button', item.label);
      if (block.kind === 'table') for (const row of Object.values(block.items)) for (const cell of Object.values(row.cells)) add('cell', cell);
      if (block.kind === 'cards') for (const card of Object.values(block.items)) { add('card', card.heading); if (card.button) add('button', card.button.label); }
      if (block.kind === 'form') { for (const field of Object.values(block.items)) add('label', field.label); add('button', block.submit.label); }
      if (block.kind === 'figures') for (const item of Object.values(block.items)) add('label', item.label);
    }
  };
  section(site.shared.footer);
  Object.values(site.shared.sections).forEach(section);
  for (const page of Object.values(site.pages)) for (const entry of Object.values(page.sections)) if ('own' in entry) section(entry.own);
  for (const item of Object.values(site.shared.header.items)) add('menu', item.label);
  return found;
}

/** Endings of words in languages that join theirs. */
const ENDINGS = 'ungsverzeichnislichkeitsfahrt';

/** Words of four letters and more, longer by two in five: about what short labels gain from English into the longest of Europe's large languages. */
export function longer(text: string): string {
  return text.replace(/\p{L}{4,}/gu, (word) => word + ENDINGS.slice(0, Math.max(2, Math.round(word.length * 0.4))));
}
