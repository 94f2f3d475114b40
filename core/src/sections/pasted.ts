import { hrefIs, type Block, type Inline } from '../kinds/index.ts';
import { LIMITS, MOST_COPY, cleanText } from '../fields/index.ts';
import { literalCss, type Site } from '../site/index.ts';
import { stylesByRole } from '../style/index.ts';

/** A node of pasted HTML as plain data: an element by its tag, with what of its attributes may matter, or a text. */
export type PastedNode =
  | string
  | {
      readonly tag: string;
      readonly href?: string;
      readonly foreign: boolean;
      /** Its own look, as CSS values. */ readonly look?: PastedLook;
      readonly children: readonly PastedNode[];
    };
/** The parts of foreign formatting that can be kept as raw values. */
export type PastedLook = Readonly<Partial<Record<(typeof PASTED_LOOKS)[number], string>>>;
export const PASTED_LOOKS = ['color', 'font-size', 'font-weight', 'line-height', 'letter-spacing'] as const;

/** The result of pasting. */
export interface Pasted {
  readonly blocks: readonly Block[];
  /** The pasted parts in words: `2 headings`, `a list`. */
  readonly taken: readonly string[];
  /** Values of elsewhere that headings and paragraphs came with: kept as raw values only where that is asked for. */
  readonly looks: readonly {
    readonly block: string;
    readonly property: (typeof PASTED_LOOKS)[number];
    readonly css: string;
  }[];
  /** The parts that were not pasted, with the reason, in words. */
  readonly left: readonly string[];
}

/** Elements of which nothing is taken, by what they are called. */
const LEFT: Readonly<Record<string, string>> = {
  script: 'script',
  style: 'style sheet',
  template: 'script',
  noscript: 'script',
  iframe: 'embed',
  object: 'embed',
  embed: 'embed',
  img: 'picture',
  picture: 'picture',
  svg: 'picture',
  video: 'film',
  audio: 'sound',
  form: 'form',
  input: 'form',
  button: 'form',
  select: 'form',
  textarea: 'form',
  canvas: 'picture',
};
const BLOCKS = new Set([
  'p',
  'div',
  'section',
  'article',
  'main',
  'header',
  'footer',
  'aside',
  'nav',
  'body',
  'html',
  'figure',
  'figcaption',
  'address',
  'pre',
  'dl',
  'dt',
  'dd',
  'center',
  'details',
  'summary',
  'ul',
  'ol',
  'li',
  'blockquote',
  'table',
  'thead',
  'tbody',
  'tfoot',
  'tr',
  'td',
  'th',
  'caption',
  'hr',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
]);

/**
 * Makes blocks of pasted HTML, in the brand's own styles: headings by their level,
 * paragraphs, lists, quotes, tables and rules; emphasis and links stay. Looks of
 * elsewhere, scripts, embeds, forms and pictures are left out, and said.
 *
 * @param headed whether the page has its first heading: then those of the first level are of the second
 * @param id of each block, from 1
 */
export function blocksFromPasted(
  site: Site,
  nodes: readonly PastedNode[],
  headed: boolean,
  id: (count: number) => string,
): Pasted {
  const { brand } = site;
  const role = stylesByRole(brand);
  const ofLevel = (level: number) =>
    brand.styleOrder.find((style) => brand.styles[style]!.levels.includes(level as never)) ??
    (level === 1 ? role.opening : level === 2 ? role.heading : role.minor);
  const blocks: Block[] = [];
  const taken = new Map<string, number>();
  const left = new Map<string, number>();
  const count = (list: Map<string, number>, what: string, by = 1) => list.set(what, (list.get(what) ?? 0) + by);
  let last = headed ? 1 : 0;
  let links = 0;
  let beyond = 0;
  let look: PastedLook = {};
  const looks: Pasted['looks'][number][] = [];
  const add = (what: string, make: (key: string) => Block) => {
    if (blocks.length >= LIMITS.list) return void beyond++;
    const block = make(id(blocks.length + 1));
    blocks.push(block);
    count(taken, what);
    if (block.kind === 'text')
      for (const property of PASTED_LOOKS) {
        const css = look[property];
        if (css !== undefined && literalCss(property, css) !== undefined)
          looks.push({ block: block.id, property, css });
      }
  };

  const inline = (list: readonly PastedNode[], mark?: 'strong' | 'em'): Inline[] =>
    list.flatMap((node): Inline[] => {
      if (typeof node === 'string') return [{ text: node.replaceAll(/\s+/g, ' '), ...(mark ? { mark } : {}) }];
      if (left_(node)) return [];
      if (node.tag === 'br') return [{ text: '\n' }];
      if (node.foreign) count(left, 'look of its own');
      if (node.tag === 'a') {
        const text = plain(node.children);
        const href = node.href === undefined ? undefined : hrefIs(node.href);
        if (text.trim() === '') return [];
        if (!href) {
          count(left, 'link without a target here');
          return [{ text, ...(mark ? { mark } : {}) }];
        }
        return [{ id: `l${++links}`, link: href, text }];
      }
      return inline(
        node.children,
        ['strong', 'b'].includes(node.tag) ? 'strong' : ['em', 'i'].includes(node.tag) ? 'em' : mark,
      );
    });
  const left_ = (node: Exclude<PastedNode, string>): boolean => {
    if (!Object.hasOwn(LEFT, node.tag)) return false;
    count(left, LEFT[node.tag]!);
    return true;
  };
  const plain = (list: readonly PastedNode[]): string =>
    list
      .map((node) => (typeof node === 'string' ? node : Object.hasOwn(LEFT, node.tag) ? '' : plain(node.children)))
      .join('')
      .replaceAll(/\s+/g, ' ');
  /** Runs as a paragraph has them: joined, trimmed, none longer than it may be. */
  const runs = (list: readonly PastedNode[]): Inline[] => {
    const joined: Inline[] = [];
    for (const run of inline(list)) {
      const before = joined.at(-1);
      const text = cleanText(run.text);
      if (text === '') continue;
      if (before && !('id' in before) && !('id' in run) && before.mark === run.mark)
        joined[joined.length - 1] = { ...before, text: `${before.text}${text}`.replaceAll(/ {2,}/g, ' ') };
      else joined.push({ ...run, text: 'id' in run ? text.slice(0, MOST_COPY) : text });
    }
    const [first, final] = [joined[0], joined.at(-1)];
    if (first) joined[0] = { ...first, text: first.text.trimStart() };
    if (final) joined[joined.length - 1] = { ...joined.at(-1)!, text: joined.at(-1)!.text.trimEnd() };
    return joined
      .filter(({ text }) => text !== '')
      .flatMap((run): Inline[] => ('id' in run ? [run] : split(run.text).map((text) => ({ ...run, text }))));
  };
  const paragraph = (list: readonly PastedNode[]) => {
    const all = runs(list);
    for (let at = 0; at < all.length; at += 150)
      add('paragraph', (key) => ({
        kind: 'text',
        id: key,
        style: role.running,
        level: null,
        content: all.slice(at, at + 150),
      }));
  };

  const visit = (list: readonly PastedNode[]): void => {
    let loose: PastedNode[] = [];
    const flush = () => {
      if (loose.some((node) => typeof node !== 'string' || node.trim() !== '')) paragraph(loose);
      loose = [];
    };
    for (const node of list) {
      if (typeof node === 'string' || (!BLOCKS.has(node.tag) && !Object.hasOwn(LEFT, node.tag) && !holdsBlocks(node))) {
        loose.push(node);
        continue;
      }
      flush();
      if (left_(node)) continue;
      if (node.foreign) count(left, 'look of its own');
      const { tag, children } = node;
      const around = look;
      look = { ...look, ...wholeLook(node) };
      if (/^h[1-6]$/.test(tag)) {
        const content = runs(children);
        if (content.length === 0) {
          look = around;
          continue;
        }
        // Levels follow one another, and a page has one first heading.
        const level = Math.min(6, Math.max(last === 0 ? 1 : 2, Math.min(Number(tag[1]), last + 1)));
        last = level;
        add('heading', (key) => ({ kind: 'text', id: key, style: ofLevel(level), level: level as 1, content }));
      } else if (tag === 'ul' || tag === 'ol') {
        const items = children
          .flatMap((child): { content: Inline[] }[] => {
            const content = typeof child === 'string' ? [] : runs(child.children);
            return content.length > 0 ? [{ content }] : [];
          })
          .slice(0, LIMITS.list)
          .map((item, i) => ({ id: `i${i + 1}`, ...item }));
        if (items.length > 0)
          add('list', (key) => ({
            kind: 'list',
            id: key,
            style: role.running,
            ordered: tag === 'ol',
            order: items.map((item) => item.id),
            items: Object.fromEntries(items.map((item) => [item.id, item])),
          }));
      } else if (tag === 'blockquote') {
        const content = runs(children);
        if (content.length > 0)
          add('quote', (key) => ({
            kind: 'quote',
            id: key,
            style: role.lead,
            content,
            source: '',
            sourceStyle: role.fine,
          }));
      } else if (tag === 'table') tableFrom(node);
      else if (tag === 'hr') add('rule', (key) => ({ kind: 'rule', id: key }));
      else visit(children);
      look = around;
    }
    flush();
  };
  const tableFrom = (node: Exclude<PastedNode, string>): void => {
    const rows: string[][] = [];
    let nested = 0;
    const collect = (list: readonly PastedNode[], depth: number): void => {
      for (const entry of list) {
        if (typeof entry === 'string') continue;
        if (entry.tag === 'table' && depth > 0) nested++;
        if (entry.tag === 'tr')
          rows.push(
            entry.children.flatMap((cell) =>
              typeof cell === 'string' || !['td', 'th'].includes(cell.tag)
                ? []
                : [plain(cell.children).trim().slice(0, MOST_COPY)],
            ),
          );
        else collect(entry.children, depth + 1);
      }
    };
    collect(node.children, 0);
    const [head = [], ...body] = rows.filter((row) => row.length > 0);
    if (head.length === 0) return;
    // A table that only places things side by side is read as text.
    if (body.length === 0 || head.length === 1)
      return visit(
        node.children.flatMap(function cells(child): PastedNode[] {
          return typeof child === 'string'
            ? [child]
            : ['td', 'th'].includes(child.tag)
              ? [{ ...child, tag: 'div' }]
              : child.children.flatMap(cells);
        }),
      );
    if (nested > 0) count(left, 'table within a table', nested);
    const columns = head.slice(0, 12).map((label, i) => ({ id: `c${i + 1}`, label: label.slice(0, 80) }));
    const items = body.slice(0, LIMITS.list).map((row, i) => ({
      id: `r${i + 1}`,
      cells: Object.fromEntries(columns.map((column, at) => [column.id, row[at] ?? ''])),
    }));
    add('table', (key) => ({
      kind: 'table',
      id: key,
      style: role.running,
      headStyle: role.fine,
      caption: '',
      columnOrder: columns.map((column) => column.id),
      columns: Object.fromEntries(columns.map((column) => [column.id, column])),
      order: items.map((item) => item.id),
      items: Object.fromEntries(items.map((item) => [item.id, item])),
    }));
  };
  visit(nodes);
  if (beyond > 0) count(left, 'part over the limit of a section', beyond);
  return { blocks, taken: told(taken), looks, left: told(left) };
}

/** The look of an element, with that of the one element in it that holds all of its words. */
function wholeLook(node: Exclude<PastedNode, string>): PastedLook {
  const inside = node.children.filter((child) => typeof child !== 'string' || child.trim() !== '');
  const only = inside.length === 1 && typeof inside[0] === 'object' ? inside[0] : undefined;
  return { ...node.look, ...(only && !holdsBlocks(only) ? wholeLook(only) : {}) };
}

const holdsBlocks = (node: PastedNode): boolean =>
  typeof node !== 'string' && (BLOCKS.has(node.tag) || node.children.some(holdsBlocks));

/** A long text in parts that may be kept; nothing of it is lost. */
function split(text: string): string[] {
  const parts: string[] = [];
  for (let at = 0; at < text.length;) {
    let end = Math.min(text.length, at + MOST_COPY);
    if (end < text.length && /[\ud800-\udbff]/.test(text[end - 1]!)) end--;
    parts.push(text.slice(at, end));
    at = end;
  }
  return parts;
}

const told = (list: ReadonlyMap<string, number>): string[] =>
  [...list].map(([what, n]) =>
    n === 1
      ? `one ${what}`
      : `${n} ${what.replace(/^(look|part|link|table)\b/, '$1s').replace(/^(?!looks|parts|links|tables)(.*)$/, '$1s')}`,
  );
