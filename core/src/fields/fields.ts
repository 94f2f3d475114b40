import * as v from 'valibot';
import { RANGES, type RangeName } from '../number/index.ts';
import { LIMITS } from './limits.ts';
import { cleanText } from './text.ts';

/** Names that every object or function of JavaScript answers to: no record here may have them. */
const RESERVED: ReadonlySet<string> = new Set(['prototype', ...Object.getOwnPropertyNames(Object.prototype)]);
export const isReservedName = (name: string): boolean => RESERVED.has(name);

/** Ids are made by the caller: letters, digits and hyphens, usable as a class name and in an address. */
export const Id = v.pipe(
  v.string(),
  v.regex(/^[a-z][a-z0-9-]{0,59}$/, 'must be 1 to 60 lower case letters, digits or hyphens, starting with a letter'),
  v.check((id) => !isReservedName(id), 'is a name that no id may have'),
);

/**
 * Id of a place: `block/part` or `block/item/part`, behind the entry or the section it stands in where that is shared:
 * `entry:block/part`.
 */
export const PlaceId = v.pipe(
  v.string(),
  v.maxLength(250),
  v.regex(/^(?:[a-z0-9-]+:)?[a-z0-9-]+(?:\/[a-z0-9-]+)*$/, 'is no id of a place'),
);

/**
 * Id of a page of a site, or of a file that only the published site has: ids joined by `~`, or ids that begin with `~`.
 */
export const PublishedId = v.pipe(
  v.string(),
  v.maxLength(200),
  v.regex(/^~?[a-z0-9-]+(?:~[a-z0-9-]+)*$/, 'is no id of a page'),
);

/** Any text of so many characters, made fit to be kept. */
export const text = (most: number) =>
  v.pipe(v.string(), v.transform(cleanText), v.maxLength(most, `must have at most ${most} characters`));

/** A name that people read. */
export const Label = v.pipe(
  v.string(),
  v.transform(cleanText),
  v.trim(),
  v.minLength(1, 'must not be empty'),
  v.maxLength(80, 'must have at most 80 characters'),
);

/** A stored token path segment. */
export const PathSegment = v.pipe(
  v.string(),
  v.regex(/^[a-z0-9]+(?:-[a-z0-9]+)*$/, 'must be lower case words joined by hyphens'),
  v.maxLength(60),
);

/** Most characters of running copy in one run. */
export const MOST_COPY = 4000;
/** Running copy. */
export const Copy = text(MOST_COPY);

/** An opaque colour as six hexadecimal digits. */
export const Hex = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/, 'must be a colour like #0e3b43'));

/** A finite number within a named range. */
export function ranged(name: RangeName) {
  const { min, max, unit } = RANGES[name];
  return v.pipe(
    v.number(),
    v.finite(),
    v.minValue(min, `must be at least ${min}${unit}`),
    v.maxValue(max, `must be at most ${max}${unit}`),
  );
}

/**
 * One of several objects, told apart by which field is there: what is wrong with it
 * is said of the one it is, with the path of the field. The last is taken where none is.
 */
export function byField<const S extends readonly (readonly [string | null, v.GenericSchema])[]>(
  options: S,
): v.GenericSchema<v.InferInput<S[number][1]>, v.InferOutput<S[number][1]>> {
  return v.lazy(
    (input) =>
      options.find(
        ([field]) => field === null || (typeof input === 'object' && input !== null && Object.hasOwn(input, field)),
      )![1] as never,
  );
}

/** A list of ids that orders a record. */
export const Order = v.pipe(v.array(Id), v.maxLength(LIMITS.list, `must have at most ${LIMITS.list} entries`));
export const PageOrder = v.pipe(v.array(Id), v.maxLength(LIMITS.pages, `must have at most ${LIMITS.pages} entries`));

type Key = v.GenericSchema<string>;

/**
 * A plain object with so many entries at most, none under a name that objects have anyway: a schema would pass those
 * over unseen.
 */
export function record<const K extends Key, const S extends v.GenericSchema>(
  key: K,
  value: S,
  most: number = LIMITS.list,
) {
  return v.pipe(
    v.custom<Record<string, unknown>>(
      (input) => typeof input === 'object' && input !== null && !Array.isArray(input),
      'must be an object',
    ),
    v.rawCheck(({ dataset, addIssue }) => {
      if (!dataset.typed) return;
      const names = Object.keys(dataset.value);
      if (names.length > most) addIssue({ message: `must have at most ${most} entries` });
      for (const name of names)
        if (isReservedName(name))
          addIssue({ message: 'is a name that nothing may have', path: [at(dataset.value, name)] });
    }),
    v.record(key, value),
  );
}

/** A record by id: each entry says its own id. */
export function byId<const S extends v.GenericSchema<unknown, { readonly id: string }>>(
  schema: S,
  most: number = LIMITS.list,
) {
  return v.pipe(
    record(Id, schema, most),
    v.rawCheck(({ dataset, addIssue }) => {
      if (!dataset.typed) return;
      for (const [key, entry] of Object.entries(dataset.value as Record<string, { readonly id: string }>))
        if (entry.id !== key)
          addIssue({
            message: `must be ${key}, the name it stands under`,
            path: [at(dataset.value as Record<string, unknown>, key), at(entry as never, 'id')],
          });
    }),
  );
}

const at = (input: Record<string, unknown>, key: string): v.ObjectPathItem => ({
  type: 'object',
  origin: 'value',
  input,
  key,
  value: input[key],
});
