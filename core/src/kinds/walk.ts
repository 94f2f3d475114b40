import * as v from 'valibot';
import { meaningOf, type Meaning } from './meaning.ts';

/** The fields with a meaning below a schema; null if there are none. */
type Node =
  | { readonly type: 'leaf'; readonly meaning: Meaning; readonly schema: v.GenericSchema }
  | { readonly type: 'object'; readonly meaning: Meaning | undefined; readonly entries: readonly Entry[] }
  | { readonly type: 'record'; readonly value: Node }
  | {
      readonly type: 'list';
      readonly meaning: Meaning | undefined;
      readonly item: Node | null;
      readonly schema: v.GenericSchema;
    }
  | { readonly type: 'either'; readonly meaning: Meaning | undefined; readonly options: readonly Option[] }
  /** Known only with the value: a block by its kind. */
  | { readonly type: 'by-value'; readonly get: (value: unknown) => v.GenericSchema };
/** How a field says that it has no value, where it may have none. */
export type Empty = 'null' | 'absent' | 'never';
/** A field of an object; `order` names the field that orders it. */
interface Entry {
  readonly key: string;
  readonly node: Node;
  readonly order: string | undefined;
  readonly empty: Empty;
}
/** One of several objects, known by its fields. */
interface Option {
  readonly fields: ReadonlySet<string>;
  readonly required: readonly string[];
  readonly literals: readonly (readonly [string, unknown])[];
  readonly node: Node | null;
}

type Schema = v.GenericSchema & {
  readonly type: string;
  readonly pipe?: readonly { readonly kind: string }[];
  readonly entries?: Readonly<Record<string, Schema>>;
  readonly wrapped?: Schema;
  readonly item?: Schema;
  readonly value?: Schema;
  readonly options?: readonly Schema[];
  readonly getter?: (value: unknown) => v.GenericSchema;
  readonly literal?: unknown;
};
type Fields = Readonly<Record<string, unknown>>;

const nodes = new WeakMap<v.GenericSchema, { readonly node: Node | null }>();

function nodeOf(schema: v.GenericSchema): Node | null {
  let known = nodes.get(schema);
  if (!known) nodes.set(schema, (known = { node: compile(schema) }));
  return known.node;
}

/** The schema that says what a piped one lets through. */
function inner(schema: v.GenericSchema): Schema {
  const piped = (schema as Schema).pipe?.findLast((entry) => entry.kind === 'schema') as Schema | undefined;
  return piped === undefined || piped === schema ? (schema as Schema) : inner(piped);
}

const OPTIONAL: ReadonlySet<string> = new Set(['optional', 'exact_optional', 'nullable', 'nullish', 'undefinedable']);

function compile(schema: v.GenericSchema): Node | null {
  const meaning = meaningOf(schema);
  const { type, entries, wrapped, item, value, options, getter } = inner(schema);
  if (OPTIONAL.has(type) && wrapped) return nodeOf(wrapped);
  if (entries) {
    const found = Object.entries(entries).flatMap(([key, entry]): Entry[] => {
      const node = nodeOf(entry);
      const { type: wrapper } = inner(entry);
      return node
        ? [
            {
              key,
              node,
              order: orderFor(entries, key),
              empty: !OPTIONAL.has(wrapper) ? 'never' : wrapper === 'nullable' ? 'null' : 'absent',
            },
          ]
        : [];
    });
    return found.length > 0 || meaning ? { type: 'object', meaning, entries: found } : null;
  }
  if (type === 'record' && value) {
    const node = nodeOf(value);
    return node && { type: 'record', value: node };
  }
  if (type === 'array' && item) {
    const node = nodeOf(item);
    return node || meaning ? { type: 'list', meaning, item: node, schema } : null;
  }
  if (type === 'lazy' && getter) return { type: 'by-value', get: getter };
  if (options && options.every((option) => typeof option === 'object' && inner(option).entries)) {
    const found = options.map(optionOf);
    return meaning || found.some(({ node }) => node) ? { type: 'either', meaning, options: found } : null;
  }
  return meaning ? { type: 'leaf', meaning, schema } : null;
}

function orderFor(entries: Readonly<Record<string, Schema>>, key: string): string | undefined {
  return Object.keys(entries).find((entry) => {
    const meaning = meaningOf(entries[entry]!);
    return meaning?.means === 'order' && meaning.of === key;
  });
}

function optionOf(schema: Schema): Option {
  const fields = Object.entries(inner(schema).entries!);
  return {
    fields: new Set(fields.map(([key]) => key)),
    required: fields.filter(([, entry]) => !OPTIONAL.has(inner(entry).type)).map(([key]) => key),
    literals: fields
      .filter(([, entry]) => inner(entry).type === 'literal')
      .map(([key, entry]) => [key, inner(entry).literal]),
    node: nodeOf(schema),
  };
}

function optionFor(options: readonly Option[], value: Fields): Node | null {
  const fits = ({ fields, required, literals }: Option) =>
    required.every((key) => key in value) &&
    literals.every(([key, entry]) => value[key] === entry) &&
    Object.keys(value).every((key) => fields.has(key));
  return options.find(fits)?.node ?? null;
}

const isObject = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Called for every field with a meaning. Returns `false` for a field whose own fields are not wanted.
 *
 * @param at keys from where the walk began, in lists the ids of their entries; the very same list each time, to be
 *   copied by who keeps it
 * @param beside the object that has the field
 */
export type See = (meaning: Meaning, value: unknown, at: readonly string[], beside: Fields) => unknown;

/**
 * Goes through every field of a value that has a meaning by its schema. A value
 * that does not fit the schema is passed over where it does not.
 *
 * @param inOrder whether records are gone through in the order that stands beside them, and by that only, rather than
 *   as they are kept
 */
export function walk(schema: v.GenericSchema, value: unknown, see: See, at: string[] = [], inOrder = false): void {
  const node = nodeOf(schema);
  if (node) go(node, value, see, at, {}, inOrder, undefined);
}

function go(
  node: Node,
  value: unknown,
  see: See,
  at: string[],
  beside: Fields,
  inOrder: boolean,
  order: unknown,
): void {
  if (value === undefined || value === null) {
    // An absent value is reported too, because the look can depend on it.
    if ('meaning' in node && node.meaning) see(node.meaning, value, at, beside);
    return;
  }
  if ('meaning' in node && node.meaning && see(node.meaning, value, at, beside) === false) return;
  switch (node.type) {
    case 'leaf':
      return;
    case 'by-value': {
      const known = nodeOf(node.get(value));
      if (known) go(known, value, see, at, beside, inOrder, undefined);
      return;
    }
    case 'list':
      if (node.item && Array.isArray(value))
        value.forEach((entry: unknown, i) =>
          within(node.item!, entry, listKey(entry, i), see, at, beside, inOrder, undefined),
        );
      return;
    case 'record':
      if (!isObject(value)) return;
      for (const key of inOrder && Array.isArray(order) ? (order as string[]) : Object.keys(value))
        if (Object.hasOwn(value, key)) within(node.value, value[key], key, see, at, beside, inOrder, undefined);
      return;
    case 'object':
      if (!isObject(value)) return;
      for (const { key, node: entry, order: by } of node.entries)
        within(entry, value[key], key, see, at, value, inOrder, by === undefined ? undefined : value[by]);
      return;
    case 'either': {
      const option = isObject(value) ? optionFor(node.options, value) : null;
      if (option) go(option, value, see, at, beside, inOrder, undefined);
    }
  }
}

function within(
  node: Node,
  value: unknown,
  key: string,
  see: See,
  at: string[],
  beside: Fields,
  inOrder: boolean,
  order: unknown,
): void {
  at.push(key);
  go(node, value, see, at, beside, inOrder, order);
  at.pop();
}

/** Returns the key of a list entry in an address: its id if it has one, because its position can change. */
function listKey(entry: unknown, position: number): string {
  return isObject(entry) && typeof entry['id'] === 'string' ? entry['id'] : String(position);
}

/**
 * The value with every field of a meaning put through `change`; the very same value when nothing changed. What `change`
 * has changed is not gone into.
 */
export function mapFields<T>(
  schema: v.GenericSchema,
  value: T,
  change: (meaning: Meaning, value: unknown, beside: Fields) => unknown,
): T {
  const node = nodeOf(schema);
  return node ? (changed(node, value, change, {}) as T) : value;
}

function changed(
  node: Node,
  value: unknown,
  change: (meaning: Meaning, value: unknown, beside: Fields) => unknown,
  beside: Fields,
): unknown {
  if (value === undefined || value === null) return value;
  if ('meaning' in node && node.meaning) {
    const other = change(node.meaning, value, beside);
    if (other !== value) return other;
  }
  switch (node.type) {
    case 'leaf':
      return value;
    case 'by-value': {
      const known = nodeOf(node.get(value));
      return known ? changed(known, value, change, beside) : value;
    }
    case 'list': {
      if (!node.item || !Array.isArray(value)) return value;
      const list = value.map((entry: unknown) => changed(node.item!, entry, change, beside));
      return list.some((entry, i) => entry !== value[i]) ? list : value;
    }
    case 'record':
      return isObject(value)
        ? withChanges(
            value,
            Object.keys(value).map((key) => [key, changed(node.value, value[key], change, beside)]),
          )
        : value;
    case 'object':
      return isObject(value)
        ? withChanges(
            value,
            node.entries.map(({ key, node: entry }) => [key, changed(entry, value[key], change, value)]),
          )
        : value;
    case 'either': {
      const option = isObject(value) ? optionFor(node.options, value) : null;
      return option ? changed(option, value, change, beside) : value;
    }
  }
}

function withChanges(value: Fields, entries: readonly (readonly [string, unknown])[]): Fields {
  let next: Record<string, unknown> | undefined;
  for (const [key, entry] of entries) if (entry !== value[key]) (next ??= { ...value })[key] = entry;
  return next ?? value;
}

/** One field of an object, as it is offered where the object stands. */
export interface FieldHere {
  readonly key: string;
  readonly meaning: Meaning;
  readonly value: unknown;
  readonly empty: Empty;
}

/**
 * Returns the field at an address below a value: its meaning, its schema, and the
 * fields with a meaning inside it.
 */
export function fieldAt(
  schema: v.GenericSchema,
  value: unknown,
  address: readonly string[],
): {
  readonly meaning: Meaning | undefined;
  readonly schema: v.GenericSchema | undefined;
  readonly fields: readonly FieldHere[];
} {
  let node = nodeOf(schema);
  let here = value;
  for (const key of ['', ...address]) {
    if (key !== '') {
      node = node && below(node, key);
      here = isObject(here) || Array.isArray(here) ? (here as unknown as Fields)[key] : undefined;
    }
    if (node?.type === 'by-value') node = here === undefined ? null : nodeOf(node.get(here));
    if (node?.type === 'either' && !node.meaning && isObject(here)) node = optionFor(node.options, here);
  }
  const fields =
    node?.type === 'object' && isObject(here)
      ? node.entries.flatMap(({ key, node: entry, empty }): FieldHere[] =>
          'meaning' in entry && entry.meaning
            ? [{ key, meaning: entry.meaning, value: (here as Fields)[key], empty }]
            : [],
        )
      : [];
  return {
    meaning: node && 'meaning' in node ? node.meaning : undefined,
    schema: node?.type === 'leaf' || node?.type === 'list' ? node.schema : undefined,
    fields,
  };
}

function below(node: Node, key: string): Node | null {
  switch (node.type) {
    case 'object':
      return node.entries.find((entry) => entry.key === key)?.node ?? null;
    case 'record':
      return node.value;
    case 'list':
      return node.item;
    case 'either':
      return (
        node.options.map(({ node: entry }) => (entry ? below(entry, key) : null)).find((entry) => entry !== null) ??
        null
      );
    default:
      return null;
  }
}

/** Returns the value at an address of a walk, where ids name the entries of lists; undefined if there is none. */
export function namedAt(value: unknown, address: readonly string[]): unknown {
  let here = value;
  for (const key of address) {
    if (Array.isArray(here)) here = here.find((entry: unknown, i) => listKey(entry, i) === key) as unknown;
    else here = isObject(here) && Object.hasOwn(here, key) ? here[key] : undefined;
  }
  return here;
}

/**
 * The value with every field at one of the addresses set that says `is`; the very
 * same value where none does. What lies above many of them is copied once.
 */
export function replaceAt<T>(
  value: T,
  addresses: readonly (readonly string[])[],
  is: unknown,
  to: unknown,
  depth = 0,
): T {
  if (addresses.some((address) => address.length === depth)) return value === is ? (to as T) : value;
  const below = new Map<string, (readonly string[])[]>();
  for (const address of addresses) {
    const list = below.get(address[depth]!);
    if (list) list.push(address);
    else below.set(address[depth]!, [address]);
  }
  if (Array.isArray(value)) {
    const list = value.map((entry: unknown, i) =>
      below.has(listKey(entry, i)) ? replaceAt(entry, below.get(listKey(entry, i))!, is, to, depth + 1) : entry,
    );
    return list.some((entry, i) => entry !== value[i]) ? (list as T) : value;
  }
  if (!isObject(value)) return value;
  return withChanges(
    value,
    [...below].flatMap(([key, list]): (readonly [string, unknown])[] =>
      Object.hasOwn(value, key) ? [[key, replaceAt(value[key], list, is, to, depth + 1)]] : [],
    ),
  ) as T;
}
