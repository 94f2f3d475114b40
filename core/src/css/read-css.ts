// Every program that reads this file needs the declaration, and none can import one at run time.
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./css-tree.d.ts" />
import parse from 'css-tree/parser';
import walk from 'css-tree/walker';
import type { CssNode, FunctionNode } from 'css-tree';

const PLAIN = {
  parseCustomProperty: false,
  parseValue: false,
  parseAtrulePrelude: false,
  parseRulePrelude: false,
} as const;

/**
 * The custom properties declared in a sheet, in order, the last value of each; everything else is passed over, and what
 * stands behind an error is read on from the next semicolon.
 */
export function customProperties(css: string): Map<string, string> {
  const found = new Map<string, string>();
  const collect = (tree: CssNode, depth: number) =>
    walk(tree, function enter(node: CssNode) {
      if (node.type === 'Declaration') {
        if (node.property.startsWith('--') && node.value.type === 'Raw')
          found.set(node.property, node.value.value.trim());
        return walk.skip;
      }
      const next = node.type === 'Raw' ? node.value.indexOf(';') : -1;
      if (node.type === 'Raw' && next >= 0 && depth < MOST.deep)
        collect(parse(node.value.slice(next + 1), { ...PLAIN, context: 'declarationList' }), depth + 1);
      return undefined;
    });
  collect(parse(css, PLAIN), 0);
  return found;
}

/** A value taken apart; undefined for a text that is none. */
function valueNodes(css: string): readonly CssNode[] | undefined {
  try {
    const value = parse(css, {
      context: 'value',
      positions: true,
      onParseError: (error) => {
        throw error;
      },
    });
    return value.type === 'Value' ? value.children.toArray() : undefined;
  } catch {
    return undefined;
  }
}

/**
 * The parts of a value between spaces, or between commas, that stand in no brackets and no quotes; a text that is no
 * value is one part.
 */
export function partsOf(css: string, separator: ' ' | ','): string[] {
  const parts: { start: number; end: number }[] = [];
  let open = false;
  const nodes = valueNodes(css);
  if (!nodes) return [css.trim()].filter((name) => name !== '');
  for (const node of nodes) {
    const { start, end } = { start: node.loc!.start.offset, end: node.loc!.end.offset };
    const comma = node.type === 'Operator' && node.value === ',';
    if (comma && separator === ',') open = false;
    else if (open && (separator === ',' || parts.at(-1)!.end === start)) parts.at(-1)!.end = end;
    else {
      parts.push({ start, end });
      open = true;
    }
  }
  return parts.map(({ start, end }) => css.slice(start, end));
}

/** One CSS value: a number with its unit in lower case (empty for none), a word, or a function with its arguments. */
export type One =
  | { readonly number: number; readonly unit: string }
  | { readonly word: string }
  | { readonly call: string; readonly of: readonly string[] };

/** One value taken apart; undefined for several, for none, and for any other. */
export function oneValue(css: string): One | undefined {
  const nodes = valueNodes(css.trim());
  const [node] = nodes ?? [];
  if (nodes?.length !== 1) return undefined;
  switch (node!.type) {
    case 'Number':
      return { number: Number(node.value), unit: '' };
    case 'Dimension':
      return { number: Number(node.value), unit: node.unit.toLowerCase() };
    case 'Percentage':
      return { number: Number(node.value), unit: '%' };
    case 'Identifier':
      return { word: node.name };
    case 'Function':
      return { call: node.name.toLowerCase(), of: argumentsOf(css.trim(), node) };
    default:
      return undefined;
  }
}

function argumentsOf(css: string, node: FunctionNode): string[] {
  const inside = css.slice(node.loc!.start.offset + node.name.length + 1, node.loc!.end.offset - 1);
  return inside.trim() === '' ? [] : partsOf(inside, ',');
}

/**
 * The names in a list of families: one string, or words, between commas (CSS Fonts 4, 2.1); undefined for any other
 * value.
 */
export function familyNames(css: string): string[] | undefined {
  const names: string[] = [];
  for (const part of partsOf(css, ',')) {
    const nodes = valueNodes(part) ?? [];
    const [first] = nodes;
    if (first?.type === 'String' && nodes.length === 1) names.push(first.value);
    else if (first && nodes.every((node) => node.type === 'Identifier'))
      names.push(nodes.map((node) => (node.type === 'Identifier' ? node.name : '')).join(' '));
    else return undefined;
  }
  return names.length > 0 ? names : undefined;
}

/** A reference to a custom property in a value, where it stands. */
interface Reference {
  readonly name: string;
  readonly fallback: string | undefined;
  readonly start: number;
  readonly end: number;
}

/** References by `var()`, outermost ones, in order. */
function referencesIn(css: string): Reference[] {
  const found: Reference[] = [];
  for (const top of valueNodes(css) ?? [])
    walk(top, function enter(node: CssNode) {
      if (node.type !== 'Function' || node.name.toLowerCase() !== 'var') return undefined;
      const {
        start: { offset: start },
        end: { offset: end },
      } = node.loc!;
      const [name, ...rest] = node.children.toArray();
      // The text after the comma is kept as it was written.
      const comma = rest.find((entry) => entry.type === 'Operator' && entry.value === ',');
      if (name?.type === 'Identifier')
        found.push({
          name: name.name,
          fallback: comma ? css.slice(comma.loc!.end.offset, end - 1).trim() : undefined,
          start,
          end,
        });
      return walk.skip;
    });
  return found;
}

/** The custom property that a value names, where it is nothing else; undefined for any other value. */
export function namedProperty(css: string): string | undefined {
  const text = css.trim();
  const [only] = referencesIn(text);
  return only && only.start === 0 && only.end === text.length ? only.name : undefined;
}

/** The limits of a value with references: nesting, number of references, length. */
const MOST = { deep: 20, references: 40, length: 4000 } as const;

/**
 * A value with what it names put in (CSS Custom Properties 1, 3); undefined when something leads nowhere, in a circle,
 * or grows without end.
 */
export function withReferences(css: string, values: ReadonlyMap<string, string>, depth = 0): string | undefined {
  const references = referencesIn(css);
  if (references.length === 0) return css;
  if (depth > MOST.deep || references.length > MOST.references) return undefined;
  let whole = '';
  let from = 0;
  for (const { name, fallback, start, end } of references) {
    const target = values.get(name) ?? fallback;
    const value = target === undefined ? undefined : withReferences(target, values, depth + 1);
    if (value === undefined) return undefined;
    whole += css.slice(from, start) + value;
    from = end;
    if (whole.length > MOST.length) return undefined;
  }
  return whole + css.slice(from);
}
