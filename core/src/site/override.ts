import * as v from 'valibot';
import { Copy, Id } from './fields.ts';

export const STATES = ['rest', 'visited', 'hover', 'focus', 'pressed', 'disabled', 'selected', 'busy'] as const;
export type State = (typeof STATES)[number];

/**
 * A value set on one place. `band` null: at all widths. `origin` set: a person
 * put it there on purpose (an override); any other origin makes it a stray.
 * `value` is a token by path, or literal CSS. A `reason` settles it as left.
 */
export const Override = v.strictObject({
  id: Id,
  place: v.pipe(v.string(), v.maxLength(200), v.regex(/^[a-z0-9-]+(?:\/[a-z0-9-]+)*$/)),
  property: v.picklist([
    'color', 'background-color', 'border-color', 'font-size', 'font-weight', 'font-family', 'line-height', 'letter-spacing',
    'padding-block', 'padding-inline', 'border-radius', 'margin-block-start', 'margin-block-end',
  ]),
  band: v.nullable(v.picklist(['phone', 'tablet', 'desktop'])),
  origin: v.picklist(['set', 'pasted', 'imported', 'raw']),
  value: v.variant('kind', [
    v.strictObject({ kind: v.literal('token'), path: v.pipe(v.string(), v.maxLength(200)) }),
    v.strictObject({ kind: v.literal('literal'), css: v.pipe(v.string(), v.minLength(1), v.maxLength(120), v.regex(/^[^;{}<>\\@]*$/, 'must be one plain CSS value')) }),
  ]),
  reason: v.nullable(Copy),
});
export type Override = v.InferOutput<typeof Override>;
export type OverrideProperty = Override['property'];
