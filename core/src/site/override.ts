import * as v from 'valibot';
import { Copy, Id, PlaceId } from '../fields/index.ts';
import { literalCss } from './literal.ts';
import { OVERRIDE_PROPERTIES } from './painted.ts';

export const STATES = ['rest', 'visited', 'hover', 'focus', 'pressed', 'disabled', 'selected', 'busy'] as const;
export type State = (typeof STATES)[number];

/**
 * A value set on one place: in the record of a page on the place of that id there
 * (*here*), in the shared record on it wherever it is used. `band` null: at all widths. `origin` set: a person
 * put it there on purpose (an override); any other origin makes it a stray.
 * `value` is a token by path, or literal CSS. A `reason` settles it as left.
 */
export const Override = v.pipe(
  v.strictObject({
    id: Id,
    place: PlaceId,
    property: v.picklist(OVERRIDE_PROPERTIES),
    band: v.nullable(v.picklist(['phone', 'tablet', 'desktop'])),
    origin: v.picklist(['set', 'pasted', 'imported', 'raw']),
    value: v.variant('kind', [
      v.strictObject({
        kind: v.literal('token'),
        path: v.pipe(v.string(), v.maxLength(200), v.regex(/^[a-z0-9-]+(?:\.[a-z0-9-]+)+$/, 'is not a token path')),
      }),
      v.strictObject({
        kind: v.literal('literal'),
        css: v.pipe(
          v.string(),
          v.trim(),
          v.minLength(1),
          v.maxLength(120),
          v.regex(/^[^;{}<>\\@]*$/, 'must be one plain CSS value'),
        ),
      }),
    ]),
    reason: v.nullable(Copy),
  }),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const { property, value } = dataset.value;
    if (value.kind === 'literal' && literalCss(property, value.css) === undefined)
      addIssue({
        message: `is not a value of ${property} that Yohaku understands`,
        path: [
          { type: 'object', origin: 'value', input: dataset.value, key: 'value', value },
          { type: 'object', origin: 'value', input: value, key: 'css', value: value.css },
        ],
      });
  }),
);
export type Override = v.InferOutput<typeof Override>;
