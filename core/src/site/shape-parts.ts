import * as v from 'valibot';
import { byId, Id, Label, PathSegment, ranged } from '../fields/index.ts';
import { orderOf, refTo } from '../kinds/index.ts';

/** The elements with a corner, a border and a shadow. */
export const CornerUse = v.picklist(['button', 'card', 'picture', 'field']);
export type CornerUse = v.InferOutput<typeof CornerUse>;
export const CORNER_USES = CornerUse.options;

/** A named corner: one radius in px, four from top left clockwise, or a share of the height of what has it. */
export const Corner = v.strictObject({
  id: Id,
  label: Label,
  path: PathSegment,
  value: v.variant('kind', [
    v.strictObject({
      kind: v.literal('px'),
      radii: v.union([
        v.strictTuple([ranged('corner')]),
        v.strictTuple([ranged('corner'), ranged('corner'), ranged('corner'), ranged('corner')]),
      ]),
    }),
    v.strictObject({ kind: v.literal('share'), share: ranged('cornerShare') }),
  ]),
});
export type Corner = v.InferOutput<typeof Corner>;
export type CornerValue = Corner['value'];

/** A named shadow: offsets, blur and spread in px, in a swatch thinned to an opacity. */
export const Shadow = v.strictObject({
  id: Id,
  label: Label,
  path: PathSegment,
  x: ranged('shadowOffset'),
  y: ranged('shadowOffset'),
  blur: ranged('shadowBlur'),
  spread: ranged('shadowOffset'),
  color: refTo('swatch', 'Colour'),
  alpha: ranged('share'),
});
export type Shadow = v.InferOutput<typeof Shadow>;

/** The elements with their own border width; `rule` are the lines between parts and rows. */
export const EDGE_USES = [...CORNER_USES, 'rule'] as const;
export type EdgeUse = (typeof EDGE_USES)[number];
const Edges = v.strictObject({
  button: ranged('edge'),
  card: ranged('edge'),
  picture: ranged('edge'),
  field: ranged('edge'),
  rule: ranged('edge'),
});

/** Underline of links: its distance below the words in em, its thickness in px or as the font has it. */
const Underline = v.strictObject({
  offset: ranged('underlineOffset'),
  thickness: v.nullable(ranged('underlineWidth')),
});
export const PLAIN_UNDERLINE: v.InferOutput<typeof Underline> = { offset: 0.15, thickness: null };

/** Edges of a brand that says nothing of them, px. */
export const PLAIN_EDGES: v.InferOutput<typeof Edges> = { button: 2, card: 0, picture: 0, field: 1, rule: 1 };

const named = v.union([ranged('corner'), Id]);
const shadowOf = v.nullable(Id);

/**
 * The differences of one button variant from all buttons: a corner as above, a border in px, a shadow by id or none.
 * Absent parts are as on all buttons.
 */
export const OwnShape = v.strictObject({
  corner: v.optional(named),
  edge: v.optional(ranged('edge')),
  shadow: v.optional(shadowOf),
});
export type OwnShape = v.InferOutput<typeof OwnShape>;

/** The part of a brand that shapes buttons, cards, pictures and fields alike. */
export const shapeFields = {
  /** The corner of each: a radius in px, or a named corner by id. */
  corners: v.strictObject({ button: named, card: named, picture: named, field: named }),
  cornerList: v.optional(v.strictObject({ items: byId(Corner), order: orderOf('items') })),
  edges: v.optional(Edges, PLAIN_EDGES),
  underline: v.optional(Underline, PLAIN_UNDERLINE),
  shadows: v.optional(
    v.strictObject({
      items: byId(Shadow),
      order: orderOf('items'),
      uses: v.strictObject({ button: shadowOf, card: shadowOf, picture: shadowOf, field: shadowOf }),
    }),
  ),
} as const;
