/**
 * One way to break a document: a value at an address. `sure`: no document may have it; else what is taken of it must be
 * fit to be read again.
 */
export interface Breakage {
  /** Address without list positions: what an edit would set. */
  readonly at: readonly string[];
  readonly value: unknown;
  readonly kind:
    'type' | 'length' | 'range' | 'reference' | 'alphabet' | 'literal' | 'order' | 'key' | 'field' | 'missing';
  readonly sure: boolean;
  readonly words: string;
}

const HOSTILE = [
  'red; } body { display: none } /*',
  'x) ; } body { display: none } /*',
  'rgb(184, 58, 30',
  'url(http://a.example/x.png)',
  '"',
  "'",
  '/*',
  '\\',
  '</style><script>',
  '@import "x"',
  'expression(1)',
  'var(--x',
  '[',
  'a\u0000b',
  '\ud83d',
  ' x ',
  'constructor',
  '__proto__',
  'prototype',
];

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Breaks every field of a document in turn, once for each place of the schema:
 * records by id are gone into at their first entry of each shape only.
 */
export function* brokenDocuments(document: Record<string, unknown>): Generator<Breakage> {
  const seen = new Set<string>();
  const ids = new Set<string>();
  collectIds(document, ids);
  yield* broken(document, [], '', seen, ids, (value) => value);
}

function collectIds(value: unknown, ids: Set<string>): void {
  if (Array.isArray(value)) value.forEach((entry) => collectIds(entry, ids));
  else if (isObject(value))
    for (const [key, entry] of Object.entries(value)) {
      if (key === 'id' && typeof entry === 'string') ids.add(entry);
      collectIds(entry, ids);
    }
}

/** `put` makes of a new value here what stands at the address: within lists, the list with it in its place. */
function* broken(
  value: unknown,
  at: readonly string[],
  shape: string,
  seen: Set<string>,
  ids: ReadonlySet<string>,
  put: (value: unknown) => unknown,
): Generator<Breakage> {
  const make = (kind: Breakage['kind'], sure: boolean, wrong: unknown, words: string): Breakage => ({
    at,
    value: put(wrong),
    kind,
    sure,
    words: `${at.join('.')} ${words}`,
  });
  if (!seen.has(shape) && at.length > 0) yield* breakHere(value, make, ids, shape);
  seen.add(shape);
  if (Array.isArray(value)) {
    for (const [i, entry] of value.entries()) {
      const inner = `${shape}/[]${isObject(entry) ? Object.keys(entry).sort().join('+') : typeof entry}`;
      if (seen.has(inner)) continue;
      yield* broken(entry, at, inner, seen, ids, (wrong) =>
        put(value.map((other: unknown, j) => (j === i ? wrong : other))),
      );
    }
    return;
  }
  if (!isObject(value)) return;
  const record = isRecord(value);
  for (const [key, entry] of Object.entries(value)) {
    const inner = record ? `${shape}/*${shapeOf(entry)}` : `${shape}/${key}`;
    if (record && seen.has(inner)) continue;
    const within = put === identity || at.length === 0;
    if (within || isOwnAddress(put)) yield* broken(entry, [...at, key], inner, seen, ids, identity);
    else yield* broken(entry, at, inner, seen, ids, (wrong) => put({ ...value, [key]: wrong }));
  }
}

const identity = (value: unknown): unknown => value;
const isOwnAddress = (put: (value: unknown) => unknown): boolean => put === identity;

/** A record by id: each entry says its own. */
const isRecord = (value: Record<string, unknown>): boolean =>
  Object.keys(value).length > 0 &&
  Object.entries(value).every(([key, entry]) => isObject(entry) && entry['id'] === key);
const shapeOf = (value: unknown): string =>
  isObject(value)
    ? `${String(value['kind'] ?? '')}${'own' in value ? 'own' : 'shared' in value ? 'shared' : ''}`
    : typeof value;

function* breakHere(
  value: unknown,
  make: (kind: Breakage['kind'], sure: boolean, wrong: unknown, words: string) => Breakage,
  ids: ReadonlySet<string>,
  shape: string,
): Generator<Breakage> {
  const isKept = shape.startsWith('/brand/kept') || shape.endsWith('/similar');
  yield make('missing', false, undefined, 'missing');
  if (typeof value === 'string') {
    // A corner is a name or a figure.
    yield make('type', !/\/corners\//.test(shape), 12, 'a number');
    yield make('type', true, { x: 1 }, 'an object');
    yield make('length', true, 'x'.repeat(30_000), 'of 30,000 letters');
    if (ids.has(value) && !shape.endsWith('/id'))
      yield make('reference', !/\/(text|label|path|name|title|typed)$/.test(shape), 'nobody-here', 'names nobody');
    // Words may say anything; what they may not do is the same for all of them.
    const isWords =
      /\/(text|label|heading|alt|source|caption|help|error|title|description|name|value|cells\/.*|options.*)$/.test(
        shape,
      );
    for (const hostile of isWords ? HOSTILE.filter((_entry, i) => i % 4 === 0) : HOSTILE)
      yield make('literal', false, hostile, JSON.stringify(hostile));
  } else if (typeof value === 'number') {
    yield make('type', true, '12', 'a text');
    yield make('range', true, 1e12, '1e12');
    yield make('range', true, -1e12, '-1e12');
    yield make('type', true, [1], 'a list');
  } else if (typeof value === 'boolean') yield make('type', true, 'yes', 'a text');
  else if (Array.isArray(value)) {
    yield make('type', true, { 0: 'x' }, 'an object');
    yield make('order', true, [...(value as unknown[]), { nonsense: 1 }], 'with an entry that is nothing');
    if (value.length > 0 && value.every((entry) => typeof entry === 'string') && !/(levels|options)$/.test(shape)) {
      yield make('order', true, [...(value as unknown[]), value[0]], 'with one twice');
      yield make('order', true, [...(value as unknown[]), 'nobody-here'], 'with a stranger');
      yield make('order', !/apart/.test(shape), value.slice(1), 'with one missing');
    }
    yield make(
      'length',
      true,
      Array.from({ length: 6000 }, () => value[0] ?? 'x'),
      'of 6,000',
    );
  } else if (isObject(value)) {
    yield make('type', true, 'x', 'a text');
    yield make('type', true, [], 'a list');
    yield make('field', !isKept, { ...value, nonsense: 1 }, 'with a field that is none');
    yield make(
      'key',
      true,
      JSON.parse(`{"__proto__": {"x": 1}, "constructor": 1}`) as unknown,
      'with a name that all objects have',
    );
    if (isRecord(value)) {
      const [[key, entry]] = Object.entries(value) as [[string, Record<string, unknown>]];
      const { [key]: _gone, ...rest } = value;
      for (const name of ['constructor', 'prototype', 'Upper', 'a b', 'x'.repeat(80), 'nobody-here'])
        yield make(
          name === 'nobody-here' ? 'key' : 'alphabet',
          true,
          { ...rest, [name]: { ...entry, id: name === 'nobody-here' ? key : name } },
          `with an entry under ${name.slice(0, 12)}`,
        );
      yield make(
        'length',
        true,
        Object.fromEntries(Array.from({ length: 25_000 }, (_, i) => [`x${i}`, { ...entry, id: `x${i}` }])),
        'of 25,000',
      );
    }
  }
}
