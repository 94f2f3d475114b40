/**
 * Version 3: a colour's part on a background is called a role everywhere. A ground
 * has `roles` (was `slots`), a value that follows another and a style name a
 * `role` (was `slot`), and a swatch keeps what was decided about similar colours as
 * `similar` (was `kin`), by keys that begin with `role:` (was `slot:`).
 * There are collections and downloads, none at first. An entry of the menu has a `link` (was the `page` it led to).
 */

type Json = Record<string, unknown>;

const isRecord = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The changes in a part of the document: new names of keys, and changes in their values; `each` for records by id. */
interface Part {
  readonly called?: (key: string) => string;
  readonly under?: Readonly<Record<string, Part>>;
  readonly each?: Part;
  /** Returns the new value of a key that only changes its value. */
  readonly as?: (value: unknown) => unknown;
}

const renamed =
  (from: string, to: string) =>
  (key: string): string =>
    key === from ? to : key;
const ROLE: Part = { called: renamed('slot', 'role') };
const LINKED: Part = {
  called: renamed('page', 'link'),
  under: { page: { as: (page) => (typeof page === 'string' ? { to: 'page', page } : page) } },
};
const DOCUMENT: Part = {
  under: {
    shared: { under: { header: { under: { items: { each: LINKED } } } } },
    brand: {
      under: {
        grounds: { each: { called: renamed('slots', 'roles'), under: { slots: { each: ROLE } } } },
        styles: { each: ROLE },
        swatches: {
          each: {
            called: renamed('kin', 'similar'),
            under: { kin: { called: (key) => key.replace(/^slot:/, 'role:') } },
          },
        },
      },
    },
  },
};

const within = (part: Part | undefined, key: string): Part | undefined =>
  part?.under && Object.hasOwn(part.under, key) ? part.under[key] : part?.each;

function told(value: unknown, part: Part | undefined): unknown {
  if (part?.as) return part.as(value);
  if (!part || !isRecord(value)) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, entry]) => [part.called?.(key) ?? key, told(entry, within(part, key))]),
  );
}

/** A document of version 2 as one of version 3. What is wrong with it stays as it is, for the reader to name. */
export function documentTo3(document: Json): Json {
  return {
    downloads: {},
    collections: {},
    collectionOrder: [],
    items: {},
    ...(told(document, DOCUMENT) as Json),
    schemaVersion: 3,
  };
}

/** An operation of version 2, as one of version 3. */
export function opTo3(op: Json): Json {
  const to = (path: unknown): { readonly path: unknown; readonly part: Part | undefined } => {
    if (!Array.isArray(path)) return { path, part: undefined };
    let part: Part | undefined = DOCUMENT;
    const now = path.map((key: unknown) => {
      const name = part?.called?.(String(key)) ?? key;
      part = within(part, String(key));
      return name;
    });
    return { path: now, part };
  };
  const values = (part: Part | undefined): Json =>
    Object.fromEntries(
      ['value', 'was'].filter((key) => op[key] !== undefined).map((key) => [key, told(op[key], part)]),
    );
  if (op['op'] === 'set') {
    const { path, part } = to(op['at']);
    return { ...op, at: path, ...values(part) };
  }
  if (op['op'] === 'insert' || op['op'] === 'remove') {
    const { path, part } = to(op['record']);
    return { ...op, record: path, ...values(within(part, String(op['id']))) };
  }
  if (op['op'] === 'redirect' && Array.isArray(op['at'])) return { ...op, at: op['at'].map((entry) => to(entry).path) };
  return op;
}
