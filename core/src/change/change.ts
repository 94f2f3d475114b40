import * as v from 'valibot';
import { Id, LIMITS, isReservedName } from '../fields/index.ts';
import { TARGETS } from '../kinds/index.ts';
import { SCHEMA_VERSION } from '../site/index.ts';

/** Keys from the root of the site to a value: ids and field names, never positions in a list. */
const Step = v.pipe(
  v.string(),
  v.minLength(1),
  v.maxLength(300),
  v.regex(/^[^\p{Cc}\p{Cs}]+$/u, 'is not a field'),
  v.check((step) => !isReservedName(step), 'is not a field'),
);
/** How deep an address goes is said by the schema of what it leads into; this only keeps what is sent small. */
const DEEPEST = 40;
export const Address = v.pipe(v.array(Step), v.minLength(1), v.maxLength(DEEPEST));
export type Address = string[];

const Json = v.unknown();
const after = v.nullable(Id);

/**
 * The five things that can be done to the document. Lists are edited by
 * neighbour (`after`, null for first), so an edit survives edits beside it.
 * `set` without a value removes the field; `was` is the old value. `redirect` turns
 * what points at one thing towards another, everywhere or (to take that back) where
 * `at` says: however many they are, it is one operation.
 */
export const Op = v.variant('op', [
  v.strictObject({ op: v.literal('set'), at: Address, value: v.optional(Json), was: v.optional(Json) }),
  v.strictObject({ op: v.literal('insert'), record: Address, order: v.nullable(Address), id: Id, value: Json, after }),
  v.strictObject({ op: v.literal('remove'), record: Address, order: v.nullable(Address), id: Id, was: Json, after }),
  v.strictObject({ op: v.literal('move'), from: Address, to: Address, id: Id, after, wasAfter: after }),
  v.strictObject({
    op: v.literal('redirect'),
    target: v.picklist(TARGETS),
    from: Id,
    to: Id,
    at: v.optional(v.pipe(v.array(Address), v.maxLength(LIMITS.references))),
  }),
]);
export type Op = v.InferOutput<typeof Op>;

/** An edit as data: what undo, the server, other windows and the ripple all work from. */
export const Change = v.strictObject({
  id: v.pipe(v.string(), v.regex(/^[a-z0-9-]{6,60}$/)),
  /** Version of the document its operations are for; older ones are brought up to it where they are applied. */
  schemaVersion: v.pipe(
    v.number(),
    v.integer(),
    v.minValue(1),
    v.maxValue(SCHEMA_VERSION, `is of a newer Yohaku; this one reads up to ${SCHEMA_VERSION}`),
  ),
  /** Names the undo step: "Funnel lightness". */
  label: v.pipe(v.string(), v.minLength(1), v.maxLength(200)),
  ops: v.pipe(v.array(Op), v.minLength(1), v.maxLength(LIMITS.operations)),
  /** The change this one undoes or does again. */
  undoes: v.optional(v.pipe(v.string(), v.maxLength(60))),
});
export type Change = v.InferOutput<typeof Change>;
