import * as v from 'valibot';
import { Copy, Id, Label, Order, text } from '../fields/index.ts';

/** The parts of a site that a field can refer to, by id. */
export const TARGETS = [
  'style',
  'ground',
  'variant',
  'size',
  'space',
  'asset',
  'page',
  'section',
  'swatch',
  'collection',
  'download',
] as const;
export type Target = (typeof TARGETS)[number];

/** The kinds of short names: under stress-test content each becomes as long as the longest of its kind. */
export type NameKind = 'menu' | 'button' | 'card' | 'label' | 'cell' | 'heading';

/** One of a few values, and what it is called. */
export interface Option {
  readonly value: string | number | boolean;
  readonly label: string;
}

/**
 * The meaning of a field of the document, declared beside its schema. Everything that
 * depends on the meaning of fields uses it: references and replacements, links,
 * stress-test content, search, the shape that groups equal looks, the choices on the
 * desk, and the texts that are edited in place.
 */
export type Meaning =
  /** The id of something else. `label` names it where it is chosen. */
  | { readonly means: 'ref'; readonly to: Target; readonly label: string; readonly offered: boolean }
  /** Runs of words, with emphasis and links. `level` names the field beside it that makes a heading of them. */
  | { readonly means: 'words'; readonly level?: string }
  /** One line of plain words that a page shows. */
  | { readonly means: 'line'; readonly name: NameKind | null; readonly looks: boolean }
  /** Words that stand for a picture where it cannot be seen. */
  | { readonly means: 'alt' }
  /** Where a link leads. */
  | { readonly means: 'link' }
  /** The id of a field of the collection that the field `of` beside it names. `kinds`: those it may be of. */
  | { readonly means: 'field'; readonly of: string; readonly label: string; readonly kinds: readonly string[] }
  /** The crop focus of an image: a side, or a point as shares of width and height. */
  | { readonly means: 'focus'; readonly label: string }
  /**
   * Plain words that are said elsewhere than on the page, typed where the thing itself stands: the name of a tray, an
   * answer. `many`: a list of them.
   */
  | { readonly means: 'said'; readonly label: string; readonly many: boolean; readonly most: number }
  /**
   * One of a few values. `looks`: whether places are painted otherwise by it; `unless`: the field beside it that puts
   * it out of use.
   */
  | {
      readonly means: 'choice';
      readonly label: string;
      readonly options: readonly Option[];
      /** The label of “none”, where no option is allowed. */ readonly none: string;
      readonly looks: boolean;
      readonly offered: boolean;
      readonly unless?: string;
    }
  /** The order of a record that stands beside it. */
  | { readonly means: 'order'; readonly of: string };

/** The schema with its meaning beside it; what it lets through stays what it was. */
function means<const S extends v.GenericSchema>(schema: S, meaning: Meaning): S {
  return v.pipe(schema, v.metadata({ ...meaning })) as unknown as S;
}

/** An id of something the brand or the site has. `offered`: chosen where the thing itself stands. */
export const refTo = (to: Target, label: string, offered = false) => means(Id, { means: 'ref', to, label, offered });

/** A line of plain words that must not be empty. `looks: false`: its place is there and painted alike when it is. */
export const nameOf = (name: NameKind) => means(Label, { means: 'line', name, looks: true });
/** A line of plain words that may be empty. */
export const lineOf = (name: NameKind | null, options: { readonly looks: boolean } = { looks: true }) =>
  means(Copy, { means: 'line', name, ...options });
/** Any schema of a text as a line that a page shows. */
export const asLine = <const S extends v.GenericSchema<string>>(
  schema: S,
  name: NameKind | null,
  options: { readonly looks: boolean } = { looks: true },
) => means(schema, { means: 'line', name, ...options });

export const Alt = means(Copy, { means: 'alt' });

/** One of a few values, named on the desk by `label`. */
export function choiceOf<const S extends v.GenericSchema>(
  schema: S,
  label: string,
  options: readonly (Option | string)[],
  how: { readonly looks?: boolean; readonly offered?: boolean; readonly unless?: string; readonly none?: string } = {},
) {
  return means(schema, {
    means: 'choice',
    label,
    options: options.map((option) => (typeof option === 'string' ? { value: option, label: option } : option)),
    none: how.none ?? 'none',
    looks: how.looks ?? true,
    offered: how.offered ?? false,
    ...(how.unless === undefined ? {} : { unless: how.unless }),
  });
}

/** The order of the record in the field `of` beside it. */
export const orderOf = (of: string) => asOrder(Order, of);
/** A field of the collection named beside it, of one of some kinds. */
export const fieldOf = (of: string, label: string, kinds: readonly string[]) =>
  means(Id, { means: 'field', of, label, kinds });

/** A short line that is said elsewhere; a list of such with `saidList`. */
export const said = (label: string, most = 300) => means(text(most), { means: 'said', label, many: false, most });
export const saidList = (label: string, most: number) =>
  means(v.pipe(v.array(Label), v.maxLength(most)), { means: 'said', label, many: true, most });

/** Any schema of a list of ids as the order of the record in the field `of` beside it. */
export const asOrder = <const S extends v.GenericSchema<string[]>>(schema: S, of: string) =>
  means(schema, { means: 'order', of });

/** A schema of runs as words. */
export const asWords = <const S extends v.GenericSchema>(schema: S, level?: string) =>
  means(schema, { means: 'words', ...(level === undefined ? {} : { level }) });
/** A schema of what a cropped picture keeps. */
export const asFocus = <const S extends v.GenericSchema>(schema: S, label: string) =>
  means(schema, { means: 'focus', label });
/** A schema of where a link leads. */
export const asLink = <const S extends v.GenericSchema>(schema: S) => means(schema, { means: 'link' });

/** The meaning of a schema's own field; undefined where it has none. */
export function meaningOf(schema: v.GenericSchema): Meaning | undefined {
  const data = v.getMetadata(schema as never) as Partial<Meaning>;
  return data.means === undefined ? undefined : (data as Meaning);
}
