/** Something in the document that points at a thing that is not there. */
export interface Dangling {
  /** Dotted path to where it is said. */
  readonly where: string;
  readonly kind:
    | 'swatch'
    | 'ground'
    | 'style'
    | 'variant'
    | 'size'
    | 'space'
    | 'page'
    | 'section'
    | 'asset'
    | 'form'
    | 'motion'
    | 'corner'
    | 'height'
    | 'shadow'
    | 'family'
    | 'order'
    | 'loop'
    | 'depth'
    | 'name'
    | 'file'
    | 'role'
    | 'id'
    | 'anchor'
    | 'under'
    | 'collection'
    | 'download'
    | 'slug'
    | 'field';
  readonly target: string;
}

/** Notes one. */
export type Miss = (where: string, kind: Dangling['kind'], target: string) => void;

/** Misses an id that a record has not. */
export function need(
  record: Readonly<Record<string, unknown>>,
  id: string,
  where: string,
  kind: Dangling['kind'],
  miss: Miss,
): void {
  if (!Object.hasOwn(record, id)) miss(where, kind, id);
}

/** Misses an order that is not that of the record's entries, each once. */
export function sameKeys(
  order: readonly string[],
  record: Readonly<Record<string, unknown>>,
  where: string,
  miss: Miss,
): void {
  const keys = Object.keys(record);
  if (
    new Set(order).size !== order.length ||
    keys.length !== order.length ||
    order.some((id) => !Object.hasOwn(record, id))
  )
    miss(where, 'order', order.join(' '));
}

/** Misses each value that is there again, whatever its case. */
export function unique(values: readonly string[], where: string, kind: Dangling['kind'], miss: Miss): void {
  const seen = new Set<string>();
  for (const value of values) {
    if (seen.has(value.toLowerCase())) miss(where, kind, value);
    seen.add(value.toLowerCase());
  }
}
