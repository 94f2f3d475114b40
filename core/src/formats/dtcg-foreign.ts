import { readDtcgColor } from './dtcg-color.ts';
import { readPart, type IncomingPart } from './dtcg-parts.ts';
import type { Incoming, IncomingColor, LeftToken } from './incoming.ts';
import { labelOfPath } from './label.ts';

interface Node {
  readonly [key: string]: unknown;
}
interface Leaf {
  readonly path: string;
  readonly token: Node;
  readonly type: string | undefined;
}

/**
 * Reads a DTCG file of any tool: colours of every colour space; types inherited
 * from groups; groups that extend others; aliases by `{path}` or `$ref`, also of
 * aliases; text styles, shadows, transitions and corners. What has no use here is
 * kept, to be written out again.
 *
 * @param input the parsed JSON
 */
export function readForeignDtcg(input: Node): Pick<Incoming, 'colors' | 'parts' | 'left'> {
  const leaves = new Map<string, Leaf>();
  const left: LeftToken[] = [];
  collect(input, [], undefined, { root: input, trail: [], leaves, left });
  const colors: IncomingColor[] = [];
  const parts: IncomingPart[] = [];
  /** Returns a value, or a part of it, with its references replaced. */
  const resolve = (value: unknown): unknown => {
    const path = aliasOf({ $value: value });
    const leaf = path === undefined ? undefined : leaves.get(path);
    const end = leaf && follow(leaf, leaves);
    return path === undefined ? value : typeof end === 'object' ? end.token['$value'] : undefined;
  };
  for (const leaf of leaves.values()) {
    const { path, token } = leaf;
    const kept = JSON.stringify(leaf.type === undefined || '$type' in token ? token : { $type: leaf.type, ...token });
    const leave = (reason: string) => left.push({ path, reason, kept });
    const alias = aliasOf(token);
    if (alias !== undefined) {
      const end = follow(leaf, leaves);
      if (typeof end === 'string') leave(end);
      else
        leave(
          typeOf(end) === 'color' ||
            typeof readPart(end.path, typeOf(end) ?? '', end.token['$value'], '', resolve) === 'object'
            ? `names ${alias}, which is imported separately`
            : `names ${alias}, which is ${typeOf(end) ?? 'of no type'}`,
        );
      continue;
    }
    const type = typeOf(leaf);
    if (type !== undefined && type !== 'color') {
      const part = readPart(path, type, token['$value'], kept, resolve);
      if (typeof part === 'string') leave(part);
      else parts.push(part);
      continue;
    }
    const color = readDtcgColor(token['$value']);
    if (typeof color === 'string') leave(type === undefined ? 'has no type' : color);
    else colors.push({ key: path, label: labelOfPath(path), color, part: 'side', rule: null });
  }
  const extensions = input['$extensions'];
  if (typeof extensions === 'object' && extensions !== null && Object.keys(extensions).length > 0)
    left.push({ path: '$extensions', reason: 'is data of another tool', kept: JSON.stringify(extensions) });
  return { colors, parts, left };
}

interface Walk {
  readonly root: Node;
  readonly trail: readonly string[];
  readonly leaves: Map<string, Leaf>;
  readonly left: LeftToken[];
}

const DEEPEST = 30;

function collect(node: unknown, path: readonly string[], type: string | undefined, walk: Walk): void {
  const name = path.join('.');
  if (typeof node !== 'object' || node === null || Array.isArray(node))
    return void walk.left.push({ path: name, reason: 'is neither a token nor a group', kept: JSON.stringify(node) });
  if (path.length > DEEPEST)
    return void walk.left.push({ path: name, reason: `is nested deeper than ${DEEPEST} groups` });
  const group = node as Node;
  const own = typeof group['$type'] === 'string' ? group['$type'] : type;
  if (Object.hasOwn(group, '$value') || Object.hasOwn(group, '$ref'))
    return void walk.leaves.set(name, { path: name, token: group, type: own });
  const base = typeof group['$extends'] === 'string' ? pathOf(group['$extends']) : undefined;
  if (base !== undefined) {
    if (walk.trail.includes(base))
      walk.left.push({ path: name, reason: `extends itself: ${[...walk.trail, base].join(' ← ')}` });
    else {
      const target = at(walk.root, base);
      if (target === undefined) walk.left.push({ path: name, reason: `extends ${base}, which is not in the file` });
      else collect(target, path, own, { ...walk, trail: [...walk.trail, base] });
    }
  }
  for (const [key, child] of Object.entries(group)) {
    if (key === '$root') collect(child, [...path, '$root'], own, walk);
    else if (!key.startsWith('$')) collect(child, [...path, key], own, walk);
  }
}

const typeOf = (leaf: Leaf): string | undefined =>
  typeof leaf.token['$type'] === 'string' ? leaf.token['$type'] : leaf.type;

/** The path a token names, whether as `{a.b}` or by a JSON pointer. */
function aliasOf(token: Node): string | undefined {
  const value = token['$value'];
  const inner = typeof value === 'object' && value !== null ? (value as Node)['$ref'] : undefined;
  for (const text of [token['$ref'], inner, value]) {
    const path = typeof text === 'string' ? pathOf(text) : undefined;
    if (path !== undefined) return path;
  }
  return undefined;
}

function pathOf(reference: string): string | undefined {
  const curly = /^\{([^{}]+)\}$/.exec(reference.trim())?.[1];
  if (curly !== undefined) return curly;
  if (!reference.startsWith('#/')) return undefined;
  const steps = reference
    .slice(2)
    .split('/')
    .map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'));
  return (steps.at(-1) === '$value' ? steps.slice(0, -1) : steps).join('.');
}

/** The token at the end of a chain of aliases, or why there is none. */
function follow(start: Leaf, leaves: ReadonlyMap<string, Leaf>): Leaf | string {
  const trail = [start.path];
  let here = start;
  for (let next = aliasOf(here.token); next !== undefined; next = aliasOf(here.token)) {
    if (trail.includes(next)) return `names itself: ${[...trail, next].join(' ← ')}`;
    const leaf = leaves.get(next);
    if (!leaf) return `names ${next}, which is not in the file`;
    trail.push(next);
    here = leaf;
  }
  return here;
}

function at(root: Node, path: string): unknown {
  let here: unknown = root;
  for (const step of path.split('.')) {
    if (typeof here !== 'object' || here === null || !Object.hasOwn(here, step)) return undefined;
    here = (here as Node)[step];
  }
  return here;
}
