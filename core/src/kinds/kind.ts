import type { Element } from 'hast';
import * as v from 'valibot';
import { Id } from '../fields/index.ts';
import type { Kit } from './kit.ts';

/** The fields that every block has. */
export interface BlockBase {
  readonly kind: string;
  readonly id: string;
}

/** The material of samples: styles by use, buttons, and links with a target. */
export interface SampleBrand {
  readonly styles: {
    readonly heading: string;
    readonly minor: string;
    readonly lead: string;
    readonly running: string;
    readonly fine: string;
    readonly eyebrow: string;
  };
  /** The ground that the sample stands on, by id and by name. */
  readonly ground: { readonly id: string; readonly label: string };
  readonly variants: readonly { readonly id: string; readonly label: string }[];
  readonly size: string;
  /** A space between things. */
  readonly space: string;
  /** A page that links lead to. */
  readonly page: string;
  /** A picture of the site; absent while it has none. */
  readonly asset: string | undefined;
  /** A collection of the site with what its items are named and told by; absent while it has none. */
  readonly collection:
    | {
        readonly id: string;
        readonly heading: string;
        readonly text: string | undefined;
        readonly picture: string | undefined;
      }
    | undefined;
  /** A download of the site; absent while it has none. */
  readonly download: string | undefined;
}

/**
 * A kind of block, whole: what is kept of it and what each field means, how it is
 * built, what puts its parts beside and below each other, and what it looks like
 * in the specimen. Nothing else in the house knows one kind from another.
 */
export interface Kind<B extends BlockBase = BlockBase> {
  readonly kind: B['kind'];
  /** The label on the desk. */
  readonly label: string;
  readonly schema: v.GenericSchema<B>;
  /** Its element, with its places noted. */
  tree(kit: Kit, block: B): Element;
  /** Layout that no token moves; everything painted comes from the brand. */
  readonly css: string;
  /** Samples, each with a name of its own, and the column of the specimen they stand in. */
  samples(brand: SampleBrand): readonly Sample<B>[];
  readonly column: 'words' | 'parts';
  readonly extras?: readonly Extra[];
}

/** Something that a block, or one of the things it has several of, may have or not. */
export interface Extra {
  readonly of: 'block' | 'item';
  /** Field in which it is kept. */
  readonly key: string;
  /** The label after `with`: `a picture`. */
  readonly label: string;
  /** One to begin with; undefined where the site has nothing it could show. */
  readonly make: (brand: SampleBrand, id: string) => unknown;
  /** The value of the field without this part. */
  readonly none: null | undefined | '';
}

/** A block without its id, and a name to make one of. */
export type Sample<B> = Omit<B, 'kind' | 'id'> & { readonly name: string };

/** The description of a kind beside its schema. */
interface Told<B> {
  readonly label: string;
  readonly column: Kind['column'];
  readonly css?: string;
  readonly extras?: readonly Extra[];
  readonly tree: (kit: Kit, block: B) => Element;
  readonly samples: (brand: SampleBrand) => readonly Sample<B>[];
}

const ownFields = <const K extends string, const E extends v.ObjectEntries>(kind: K, fields: E) =>
  v.strictObject({ kind: v.literal(kind), id: Id, ...fields });
type BlockSchema<K extends string, E extends v.ObjectEntries> = ReturnType<typeof ownFields<K, E>>;

/** A kind by its name, its own fields (`kind` and `id` it has anyway), and what is made of it. */
export function kindOfBlock<const K extends string, const E extends v.ObjectEntries>(
  kind: K,
  fields: E,
  told: Told<v.InferOutput<BlockSchema<K, E>>>,
) {
  return { css: '', ...told, kind, schema: ownFields(kind, fields) };
}
