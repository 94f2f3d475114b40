import type { Block, BlockOf, ButtonItem, Href, IconName, Inline, Page, Section, SectionEntry } from '@yohaku/core';

/**
 * Parts from which all sections of the demo are made. Ids come from the section's own id, so that they never change by
 * chance.
 */
export type Part = (section: string, number: number) => Block;

const blockId = (section: string, number: number): string => `${section}-b${number}`;

/** `page` id, or an address when it has a colon. */
export function href(target: string): Href {
  return target.includes(':') || target.startsWith('#') ? { to: 'url', url: target } : { to: 'page', page: target };
}

/** Copy with `**strong**`, `*emphasis*`, `==marked==` words and `[links](page)`. */
export function copy(text: string, prefix = 'l'): Inline[] {
  const runs: Inline[] = [];
  let links = 0;
  let marks = 0;
  for (const match of text.matchAll(/\*\*(.+?)\*\*|\*(.+?)\*|\[(.+?)\]\((.+?)\)|==(.+?)==|([^*[=]+)/g)) {
    if (match[1] !== undefined) runs.push({ text: match[1], mark: 'strong' });
    else if (match[2] !== undefined) runs.push({ text: match[2], mark: 'em' });
    else if (match[3] !== undefined) runs.push({ id: `${prefix}${++links}`, link: href(match[4]!), text: match[3] });
    else if (match[5] !== undefined) runs.push({ id: `m${++marks}`, marked: true, text: match[5] });
    else runs.push({ text: match[6]! });
  }
  return runs;
}

export const text =
  (style: string, content: string, level: number | null = null): Part =>
  (section, n) => ({ kind: 'text', id: blockId(section, n), style, level, content: copy(content) });
export const eyebrow = (content: string): Part => text('eyebrow', content);
export const title = (content: string): Part => text('title', content, 1);
export const heading = (content: string): Part => text('section', content, 2);
export const minor = (content: string): Part => text('small-heading', content, 3);
export const lead = (content: string): Part => text('lead', content);
export const para = (content: string): Part => text('body', content);
export const fine = (content: string): Part => text('small-print', content);
export const logo = (): Part => (section, n) => ({ kind: 'logo', id: blockId(section, n) });
export const rule = (): Part => (section, n) => ({ kind: 'rule', id: blockId(section, n) });

export const picture =
  (asset: string, alt: string, shape: 'wide' | 'square' | 'tall' = 'wide', caption?: string): Part =>
  (section, n) => ({
    kind: 'picture',
    id: blockId(section, n),
    asset,
    alt,
    shape,
    ...(caption ? { caption: { style: 'small-print', content: copy(caption) } } : {}),
  });
export const quote =
  (content: string, source: string): Part =>
  (section, n) => ({
    kind: 'quote',
    id: blockId(section, n),
    style: 'lead',
    content: copy(content),
    source,
    sourceStyle: 'small-print',
  });

const button = (id: string, label: string, target: string, variant = 'primary', size = 'regular'): ButtonItem => ({
  id,
  label,
  href: href(target),
  variant,
  size,
});

/** Buttons as `[label, page]` or `[label, page, variant, size]`. */
export const buttons =
  (...list: [string, string, string?, string?][]): Part =>
  (section, n) => {
    const items = list.map(([label, target, variant, size], i) => button(`k${i + 1}`, label, target, variant, size));
    return { kind: 'buttons', id: blockId(section, n), order: items.map((item) => item.id), items: byId(items) };
  };

export const list =
  (items: string[], icon?: IconName): Part =>
  (section, n) => {
    const made = items.map((content, i) => ({ id: `i${i + 1}`, content: copy(content) }));
    return {
      kind: 'list',
      id: blockId(section, n),
      style: 'body',
      ordered: false,
      ...(icon ? { icon } : {}),
      order: made.map((entry) => entry.id),
      items: byId(made),
    };
  };

export const table =
  (caption: string, head: string[], rows: string[][]): Part =>
  (section, n) => {
    const columns = head.map((label, i) => ({ id: `c${i + 1}`, label }));
    const items = rows.map((cells, i) => ({
      id: `r${i + 1}`,
      cells: Object.fromEntries(cells.map((value, at) => [`c${at + 1}`, value])),
    }));
    return {
      kind: 'table',
      id: blockId(section, n),
      style: 'body',
      headStyle: 'small-print',
      caption,
      columnOrder: columns.map((column) => column.id),
      columns: byId(columns),
      order: items.map((item) => item.id),
      items: byId(items),
    };
  };

export interface CardSpec {
  heading: string;
  text: string;
  picture?: [string, string];
  link?: [string, string];
  button?: [string, string, string?];
}
export const cards =
  (ground: string, across: number, specs: CardSpec[]): Part =>
  (section, n) => {
    const items = specs.map((spec, i) => ({
      id: `k${i + 1}`,
      heading: spec.heading,
      content: copy(spec.text),
      picture: spec.picture ? { asset: spec.picture[0], alt: spec.picture[1] } : null,
      link: spec.link ? { id: 'more', link: href(spec.link[1]), text: spec.link[0] } : null,
      button: spec.button ? button('go', spec.button[0], spec.button[1], spec.button[2] ?? 'primary', 'small') : null,
    }));
    return {
      kind: 'cards',
      id: blockId(section, n),
      ground,
      across,
      headingStyle: 'small-heading',
      headingLevel: 3,
      textStyle: 'body',
      order: items.map((item) => item.id),
      items: byId(items),
    } satisfies BlockOf<'cards'>;
  };

export const figures =
  (...pairs: [string, string][]): Part =>
  (section, n) => {
    const items = pairs.map(([value, label], i) => ({ id: `f${i + 1}`, value, label }));
    return {
      kind: 'figures',
      id: blockId(section, n),
      valueStyle: 'section',
      labelStyle: 'small-print',
      order: items.map((item) => item.id),
      items: byId(items),
    };
  };

type FieldSpec = [
  label: string,
  kind: 'text' | 'email' | 'date' | 'area' | 'select' | 'check',
  help?: string,
  options?: string[],
  error?: string,
];
export const form =
  (submit: string, ...fields: FieldSpec[]): Part =>
  (section, n) => {
    const items = fields.map(([label, kind, help, options, error], i) => ({
      id: `f${i + 1}`,
      label,
      kind,
      help: help ?? '',
      options: options ?? [],
      ...(i === 0 || kind === 'email' ? { required: true as const } : {}),
      ...(error ? { error } : {}),
    }));
    return {
      kind: 'form',
      id: blockId(section, n),
      labelStyle: 'body',
      helpStyle: 'small-print',
      order: items.map((item) => item.id),
      items: byId(items),
      submit: button('send', submit, '#', 'primary'),
      answer: 'It has arrived at the harbour office. We write back the same tide.',
    };
  };

/** Something from elsewhere, as a stand-in with a link to it. */
export const embed =
  (ground: string, heading: string, words: string, url: string): Part =>
  (section, n) => ({
    kind: 'embed',
    id: blockId(section, n),
    ground,
    style: 'body',
    title: heading,
    shape: 'wide',
    more: { id: 'there', link: { to: 'url', url }, text: words },
  });

/** Items of a collection one below the other, the latest first. */
export const latest =
  (
    collection: string,
    fields: { readonly heading: string; readonly text: string; readonly by: string },
    limit: number,
  ): Part =>
  (section, n) => ({
    kind: 'items',
    id: blockId(section, n),
    collection,
    look: 'rows',
    ...fields,
    down: true,
    limit,
    ground: 'paper',
    headingStyle: 'small-heading',
    headingLevel: 3,
    textStyle: 'body',
  });

export interface SectionOptions {
  picture?: { asset: string; shade: number };
}

/** A section: its blocks column by column. */
export function section(
  id: string,
  label: string,
  ground: string,
  space: string,
  columns: Part[][],
  options: SectionOptions = {},
): Section {
  let number = 0;
  const made = columns.map((parts, i) => ({ id: `col${i + 1}`, blocks: parts.map((part) => part(id, ++number)) }));
  return {
    id,
    label,
    ground,
    space,
    columnOrder: made.map((entry) => entry.id),
    columns: byId(made.map((entry) => ({ id: entry.id, order: entry.blocks.map((block) => block.id) }))),
    blocks: byId(made.flatMap((entry) => entry.blocks)),
    picture: options.picture ?? null,
  };
}

/** A page from its own sections and the names of shared ones. */
export function page(id: string, title: string, description: string, entries: (Section | string)[]): Page {
  const sections: SectionEntry[] = entries.map((entry) =>
    typeof entry === 'string' ? { id: `${id}-${entry}`, shared: entry } : { id: entry.id, own: entry },
  );
  return {
    id,
    title,
    description,
    file: id === 'home' ? 'index.html' : `${id}.html`,
    sectionOrder: sections.map((entry) => entry.id),
    sections: byId(sections),
    overrides: {},
  };
}

export function byId<T extends { id: string }>(items: readonly T[]): Record<string, T> {
  return Object.fromEntries(items.map((item) => [item.id, item]));
}
