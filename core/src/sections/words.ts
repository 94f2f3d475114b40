import type { Block, BlockOf } from '../kinds/index.ts';

/** Short ways to write the blocks of a kind of section; ids of styles, variants and grounds are roles. */

export const heading = (text: string, level: 1 | 2 | 3 = 2): Block => ({
  kind: 'text',
  id: 'title',
  style: level === 1 ? 'opening' : level === 2 ? 'heading' : 'minor',
  level,
  content: [{ text }],
});
export const eyebrow = (text: string): Block => ({
  kind: 'text',
  id: 'eyebrow',
  style: 'eyebrow',
  level: null,
  content: [{ text }],
});
export const lead = (text: string): Block => ({
  kind: 'text',
  id: 'lead',
  style: 'lead',
  level: null,
  content: [{ text }],
});
export const running = (text: string, id = 'words'): Block => ({
  kind: 'text',
  id,
  style: 'running',
  level: null,
  content: [{ text }],
});

const numbered = <T>(items: readonly T[], make: (entry: T, id: string) => object) => {
  const ids = items.map((_, i) => `i${i + 1}`);
  return { order: ids, items: Object.fromEntries(ids.map((id, i) => [id, { id, ...make(items[i]!, id) }])) };
};
const home = { to: 'page' as const, page: 'home' };
const button = (label: string, variant: 'main' | 'other') => ({ label, variant, size: 'middle', href: home });

export const buttons = (main: string, other?: string): Block =>
  ({
    kind: 'buttons',
    id: 'go',
    ...numbered([main, ...(other ? [other] : [])], (label) => button(label, label === main ? 'main' : 'other')),
  }) as BlockOf<'buttons'>;
export const list = (...items: readonly string[]): Block =>
  ({
    kind: 'list',
    id: 'list',
    style: 'running',
    ordered: false,
    ...numbered(items, (text) => ({ content: [{ text }] })),
  }) as BlockOf<'list'>;
export const steps = (...items: readonly (readonly [string, string])[]): Block =>
  ({
    kind: 'steps',
    id: 'steps',
    headingStyle: 'minor',
    headingLevel: 3,
    textStyle: 'running',
    ...numbered(items, ([title, text]) => ({ heading: title, content: [{ text }] })),
  }) as BlockOf<'steps'>;
export const questions = (...items: readonly (readonly [string, string])[]): Block =>
  ({
    kind: 'questions',
    id: 'questions',
    questionStyle: 'minor',
    answerStyle: 'running',
    ...numbered(items, ([question, text]) => ({ question, answer: [{ text }] })),
  }) as BlockOf<'questions'>;
export const figures = (...items: readonly (readonly [string, string])[]): Block =>
  ({
    kind: 'figures',
    id: 'figures',
    valueStyle: 'heading',
    labelStyle: 'fine',
    ...numbered(items, ([value, label]) => ({ value, label })),
  }) as BlockOf<'figures'>;
export const quote = (text: string, source: string, id = 'quote'): Block => ({
  kind: 'quote',
  id,
  style: 'lead',
  content: [{ text }],
  source,
  sourceStyle: 'fine',
});
export const links = (flow: 'below' | 'beside', ...items: readonly string[]): Block =>
  ({
    kind: 'links',
    id: 'links',
    style: 'running',
    flow,
    ...numbered(items, (text, id) => ({ more: { id: `${id}-more`, link: home, text } })),
  }) as BlockOf<'links'>;
export const table = (caption: string, columns: readonly string[], ...rows: readonly (readonly string[])[]): Block =>
  ({
    kind: 'table',
    id: 'table',
    style: 'running',
    headStyle: 'fine',
    caption,
    columnOrder: columns.map((_, i) => `c${i + 1}`),
    columns: Object.fromEntries(columns.map((label, i) => [`c${i + 1}`, { id: `c${i + 1}`, label }])),
    ...numbered(rows, (cells) => ({ cells: Object.fromEntries(cells.map((cell, i) => [`c${i + 1}`, cell])) })),
  }) as BlockOf<'table'>;

interface CardWords {
  readonly heading: string;
  readonly text: string;
  readonly picture?: true;
  readonly button?: string;
  readonly link?: string;
}
export const cards = (across: 1 | 2 | 3 | 4, ...items: readonly CardWords[]): Block =>
  ({
    kind: 'cards',
    id: 'cards',
    ground: 'other',
    headingStyle: 'minor',
    headingLevel: 3,
    textStyle: 'running',
    across,
    ...numbered(items, (words, id) => ({
      heading: words.heading,
      content: [{ text: words.text }],
      picture: words.picture ? { asset: 'picture', alt: words.heading } : null,
      link: words.link ? { id: `${id}-more`, link: home, text: words.link } : null,
      button: words.button ? { id: `${id}-go`, ...button(words.button, 'main') } : null,
    })),
  }) as BlockOf<'cards'>;
/** Items of the first collection; fields by the role they have there. */
export const items = (look: 'cards' | 'rows', limit: number): Block => ({
  kind: 'items',
  id: 'items',
  collection: 'first',
  look,
  heading: 'naming',
  text: 'text',
  picture: 'picture',
  by: 'date',
  down: true,
  limit,
  ground: 'other',
  headingStyle: 'minor',
  headingLevel: 3,
  textStyle: 'running',
});
export const download = (label: string): Block => ({
  kind: 'download',
  id: 'download',
  download: 'first',
  label,
  style: 'running',
  factsStyle: 'fine',
});
export const menu = (flow: 'below' | 'beside'): Block => ({ kind: 'menu', id: 'menu', style: 'running', flow });
export const picture = (alt: string, caption?: string, shape: 'wide' | 'square' | 'tall' = 'wide'): Block => ({
  kind: 'picture',
  id: 'picture',
  asset: 'picture',
  alt,
  shape,
  ...(caption ? { caption: { style: 'fine', content: [{ text: caption }] } } : {}),
});
export const gallery = (across: 2 | 3 | 4, shape: 'wide' | 'square', ...alts: readonly string[]): Block =>
  ({
    kind: 'gallery',
    id: 'gallery',
    across,
    shape,
    ...numbered(alts, (alt) => ({ asset: 'picture', alt })),
  }) as BlockOf<'gallery'>;
export const embed = (title: string, shape: 'wide' | 'square', url: string, text: string): Block => ({
  kind: 'embed',
  id: 'embed',
  ground: 'other',
  style: 'running',
  title,
  shape,
  more: { id: 'there', link: { to: 'url', url }, text },
});
export const form = (send: string, ...fields: readonly (readonly [string, 'text' | 'email' | 'area'])[]): Block =>
  ({
    kind: 'form',
    id: 'form',
    labelStyle: 'fine',
    helpStyle: 'fine',
    ...numbered(fields, ([label, kind]) => ({ label, kind, help: '', options: [] })),
    submit: { id: 'send', ...button(send, 'main') },
  }) as BlockOf<'form'>;
