import * as v from 'valibot';
import { byId, Copy, Id, Label, LIMITS, Order, PathSegment, record } from '../fields/index.ts';
import { Alt, asLine, asOrder, refTo } from '../kinds/index.ts';

/**
 * The types of collection fields. All but images and downloads are stored as typed text (rich text with `*`, `**` and
 * `[words](address)`), so a field that changes its type loses nothing.
 */
export const FIELD_KINDS = ['line', 'text', 'rich', 'date', 'number', 'choice', 'link', 'picture', 'download'] as const;
export type FieldKind = (typeof FIELD_KINDS)[number];

/** A field that every item of a collection has. */
export const CollectionField = v.strictObject({
  id: Id,
  label: Label,
  kind: v.picklist(FIELD_KINDS),
  /** The choices of a choice field. */
  options: v.optional(v.pipe(v.array(Label), v.maxLength(100))),
});
export type CollectionField = v.InferOutput<typeof CollectionField>;

/** Things of one kind with fields of the designer's own. Its items are kept beside it, each a document of its own. */
export const Collection = v.strictObject({
  id: Id,
  label: Label,
  /** The first part of the addresses of its items. */
  path: PathSegment,
  fields: byId(CollectionField),
  fieldOrder: v.pipe(asOrder(Order, 'fields'), v.minLength(1, 'must keep a field')),
  itemOrder: v.pipe(v.array(Id), v.maxLength(LIMITS.items, `must have at most ${LIMITS.items} items`)),
  /** The page that each item has one like. */
  page: v.optional(refTo('page', 'Page of an item')),
});
export type Collection = v.InferOutput<typeof Collection>;

/** One thing of a collection: what each field says, and the pictures of those that hold one. */
export const Item = v.strictObject({
  id: Id,
  collection: refTo('collection', 'Collection'),
  /** The last part of its address; unique in its collection. */
  slug: PathSegment,
  /** The ends of its formerly published addresses, which redirect to the current one. */
  former: v.optional(v.pipe(v.array(PathSegment), v.minLength(1), v.maxLength(LIMITS.list))),
  values: record(Id, asLine(Copy, null, { looks: false })),
  pictures: v.optional(record(Id, v.strictObject({ asset: refTo('asset', 'Image'), alt: Alt }))),
  downloads: v.optional(record(Id, refTo('download', 'Download'))),
});
export type Item = v.InferOutput<typeof Item>;
