import * as v from 'valibot';
import { RANGES, type RangeName } from '../shape/index.ts';

/** Ids are made by the caller: letters, digits and hyphens, usable as a class name and in an address. */
export const Id = v.pipe(v.string(), v.regex(/^[a-z][a-z0-9-]{0,59}$/, 'must be 1 to 60 lower case letters, digits or hyphens, starting with a letter'));

/** A name that people read. */
export const Label = v.pipe(v.string(), v.trim(), v.minLength(1, 'must not be empty'), v.maxLength(80, 'must have at most 80 characters'));

/** A stored token path segment. */
export const PathSegment = v.pipe(v.string(), v.regex(/^[a-z0-9]+(?:-[a-z0-9]+)*$/, 'must be lower case words joined by hyphens'), v.maxLength(60));

/** Running copy. */
export const Copy = v.pipe(v.string(), v.maxLength(4000, 'must have at most 4000 characters'));

/** An opaque colour as six hexadecimal digits. */
export const Hex = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/, 'must be a colour like #0e3b43'));

/** A finite number within a named range. */
export function ranged(name: RangeName) {
  const { min, max, unit } = RANGES[name];
  return v.pipe(v.number(), v.finite(), v.minValue(min, `must be at least ${min}${unit}`), v.maxValue(max, `must be at most ${max}${unit}`));
}

/** A list of ids that orders a record. */
export const Order = v.pipe(v.array(Id), v.maxLength(500));

/** A record by id. */
export function byId<const S extends v.GenericSchema>(schema: S) {
  return v.record(Id, schema);
}
