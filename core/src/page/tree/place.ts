import type { PlaceKind } from '../../kinds/index.ts';
import type { BandId } from '../../breakpoint/index.ts';
import type { State } from '../../site/index.ts';
import type { Recipe } from '../../style/index.ts';

/** One painted element of a page: where it stands, what paints it, and what it stands on. */
export interface Place {
  /**
   * Names the element on its page, where no other has the id: `block/part` or `block/item/part`, in a shared section
   * behind the entry that shows it: `entry:block/part`.
   */
  readonly id: string;
  /**
   * Names the element wherever it is used: in the header and the footer its id, in a shared section the same behind
   * that section's id. Null in what is this page's own.
   */
  readonly usedId: string | null;
  readonly page: string;
  readonly section: string;
  readonly kind: PlaceKind;
  /** The label in lists: `Button “Read the notice”`. */
  readonly label: string;
  readonly recipes: readonly Recipe[];
  readonly states: readonly State[];
  /** Widths at which it is not shown. */
  readonly hidden: readonly BandId[];
  readonly ground: string;
  /** The surface it is painted on; null for the page itself. */
  readonly under: Place | null;
  /** The place whose text values it takes where it has none of its own (links in a paragraph). */
  readonly inherits: Place | null;
  /**
   * True when no one colour lies behind it: a picture lies between it and the surface under it, or that surface is a
   * gradient.
   */
  readonly overPicture: boolean;
  /** True for the first of the two. */
  readonly pictured: boolean;
  /** Heading level, null for everything else. */
  readonly level: number | null;
  /** Text style by id; null where no text is painted. */
  readonly style: string | null;
  /** Part of a paragraph: exempt from the smallest target size (WCAG 2.5.8, inline). */
  readonly inline: boolean;
  /** Address of the words in the document, when they can be edited in place. */
  readonly words: readonly string[] | null;
  /** Address of the id of its text style, in a block. */
  readonly styled: readonly string[] | null;
  /** Address of the block it is part of. */
  readonly block: readonly string[] | null;
  /** Address of the item it is made from, for a button. */
  readonly item: readonly string[] | null;
  /** The picture it shows, by asset id. */
  readonly asset: string | null;
  /**
   * Other parts of its look that the document sets and no token paints: the strength of a shade, the focus of an image.
   */
  readonly look: string | null;
}

/** The states in which a kind of place is painted and judged. */
export const STATES_OF: Record<PlaceKind, readonly State[]> = {
  text: ['rest', 'selected'],
  cell: ['rest', 'selected'],
  mark: ['rest', 'selected'],
  icon: ['rest'],
  rule: ['rest'],
  surface: ['rest'],
  picture: ['rest'],
  logo: ['rest'],
  link: ['rest', 'visited', 'hover', 'focus', 'selected'],
  menu: ['rest', 'hover', 'focus'],
  field: ['rest', 'focus'],
  button: ['rest', 'hover', 'focus', 'pressed'],
};
