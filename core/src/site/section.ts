import * as v from 'valibot';
import { byId, Id, Label, Order, ranged } from '../fields/index.ts';
import { ARRANGEMENTS, arrangementOf, Block, choiceOf, orderOf, refTo } from '../kinds/index.ts';

const ARRANGEMENT_IDS = ARRANGEMENTS.map(({ id }) => id);

/**
 * Blocks in columns on a ground, arranged, with a padding and, if wanted, a picture under a shade of the ground's own
 * background.
 */
export const Section = v.pipe(
  v.strictObject({
    id: Id,
    label: Label,
    ground: refTo('ground', 'Background', true),
    space: refTo('space', 'Padding', true),
    /** How its columns stand; absent: evenly. It moves places and paints none. */
    arrangement: v.optional(
      choiceOf(v.picklist(ARRANGEMENT_IDS), 'Arrangement', ARRANGEMENT_IDS, { looks: false, offered: true }),
    ),
    columns: byId(v.strictObject({ id: Id, order: Order })),
    columnOrder: v.pipe(orderOf('columns'), v.minLength(1), v.maxLength(4)),
    blocks: byId(Block),
    picture: v.nullable(
      v.strictObject({
        asset: refTo('asset', 'Background image'),
        shade: v.pipe(v.number(), v.minValue(0), v.maxValue(1)),
        /**
         * The part of the picture that stays in sight where it is cropped, as shares from left and from top; absent:
         * its middle.
         */
        focus: v.optional(v.strictObject({ x: ranged('share'), y: ranged('share') })),
      }),
    ),
  }),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const section = dataset.value;
    const {
      label,
      columns: { min, max },
    } = arrangementOf(section);
    const has = section.columnOrder.length;
    if (has < min || has > max)
      addIssue({
        message: `is “${label}”, for ${min === max ? min : `${min} to ${max}`} ${max === 1 ? 'column' : 'columns'}; this section has ${has}`,
        path: [{ type: 'object', origin: 'value', input: section, key: 'arrangement', value: section.arrangement }],
      });
  }),
);
export type Section = v.InferOutput<typeof Section>;
