import * as v from 'valibot';
import { IconName } from './icon.ts';
import { byId, Copy, Id, Label, Order, ranged, record, text } from './fields.ts';

/** Where a link leads: a page of the site by id, or an address. Scripts and unknown schemes are refused. */
export const Href = v.variant('to', [
  v.strictObject({ to: v.literal('page'), page: Id }),
  v.strictObject({ to: v.literal('url'), url: v.pipe(text(500), v.regex(/^(https?:\/\/|mailto:|tel:|#)/i, 'must start with https://, http://, mailto:, tel: or #')) }),
]);
export type Href = v.InferOutput<typeof Href>;

/** A run of text in a paragraph. Links and marked words carry their own id; strong and emphasis do not. */
export const Inline = v.union([
  v.strictObject({ text: Copy, mark: v.optional(v.picklist(['strong', 'em'])) }),
  v.strictObject({ id: Id, link: Href, text: Copy }),
  v.strictObject({ id: Id, marked: v.literal(true), text: Copy }),
]);
export type Inline = v.InferOutput<typeof Inline>;
export const Content = v.pipe(v.array(Inline), v.maxLength(200));

const level = v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(6)));

export const ButtonItem = v.strictObject({ id: Id, label: Label, href: Href, variant: Id, size: Id, icon: v.optional(IconName) });
export type ButtonItem = v.InferOutput<typeof ButtonItem>;

const Card = v.strictObject({
  id: Id, heading: Label, content: Content,
  picture: v.nullable(v.strictObject({ asset: Id, alt: Copy })),
  link: v.nullable(v.strictObject({ id: Id, link: Href, text: Copy })),
  button: v.nullable(ButtonItem),
});

const Field = v.strictObject({
  id: Id, label: Label, kind: v.picklist(['text', 'email', 'date', 'area', 'select', 'check']),
  help: Copy,
  /** What stands below the field when what was typed is no good. */
  error: v.optional(Copy),
  options: v.pipe(v.array(Label), v.maxLength(40)),
});

/** A part of a section. What a text looks like (`style`) is apart from its heading `level` (null: a paragraph). */
export const Block = v.variant('kind', [
  v.strictObject({ kind: v.literal('text'), id: Id, style: Id, level, content: Content }),
  v.strictObject({
    kind: v.literal('picture'), id: Id, asset: Id, alt: Copy, shape: v.picklist(['wide', 'square', 'tall']),
    /** What stands below the picture. */
    caption: v.optional(v.strictObject({ style: Id, content: Content })),
  }),
  v.strictObject({ kind: v.literal('quote'), id: Id, style: Id, content: Content, source: Copy, sourceStyle: Id }),
  v.strictObject({ kind: v.literal('buttons'), id: Id, order: Order, items: byId(ButtonItem) }),
  v.strictObject({ kind: v.literal('list'), id: Id, style: Id, ordered: v.boolean(), icon: v.optional(IconName), order: Order, items: byId(v.strictObject({ id: Id, content: Content })) }),
  v.strictObject({
    kind: v.literal('table'), id: Id, style: Id, headStyle: Id, caption: text(200),
    columnOrder: Order, columns: byId(v.strictObject({ id: Id, label: text(80) })),
    order: Order, items: byId(v.strictObject({ id: Id, cells: record(Id, Copy) })),
  }),
  v.strictObject({
    kind: v.literal('cards'), id: Id, ground: Id, headingStyle: Id, headingLevel: level, textStyle: Id,
    across: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(4)), order: Order, items: byId(Card),
  }),
  v.strictObject({ kind: v.literal('form'), id: Id, labelStyle: Id, helpStyle: Id, order: Order, items: byId(Field), submit: ButtonItem }),
  v.strictObject({ kind: v.literal('figures'), id: Id, valueStyle: Id, labelStyle: Id, order: Order, items: byId(v.strictObject({ id: Id, value: Label, label: Label })) }),
  v.strictObject({ kind: v.literal('rule'), id: Id }),
  v.strictObject({ kind: v.literal('logo'), id: Id }),
]);
export type Block = v.InferOutput<typeof Block>;
export type BlockOf<K extends Block['kind']> = Extract<Block, { kind: K }>;

/** Blocks in columns on a ground, with a padding and, if wanted, a picture under a shade of the ground's own background. */
export const Section = v.strictObject({
  id: Id, label: Label, ground: Id, space: Id,
  columns: byId(v.strictObject({ id: Id, order: Order })), columnOrder: v.pipe(Order, v.minLength(1), v.maxLength(4)),
  blocks: byId(Block),
  picture: v.nullable(v.strictObject({ asset: Id, shade: v.pipe(v.number(), v.minValue(0), v.maxValue(1)),
    /** The part of the picture that stays in sight where it is cropped, as shares from left and from top; absent: its middle. */
    focus: v.optional(v.strictObject({ x: ranged('share'), y: ranged('share') })),
  })),
});
export type Section = v.InferOutput<typeof Section>;
