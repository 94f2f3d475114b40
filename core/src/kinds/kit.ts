import type { Element } from 'hast';
import type { Properties } from './element.ts';
import type { Inline } from './inline.ts';
import type { IconName } from './icon-name.ts';

export type PlaceKind =
  'text' | 'link' | 'menu' | 'button' | 'field' | 'rule' | 'surface' | 'picture' | 'cell' | 'logo' | 'mark' | 'icon';

/** Keys from a block to one of its fields. */
export type Path = readonly string[];

/** The paints of the brand for a place of a block, on the background of the block. */
export interface Paints {
  /** A text style, in the colour it has on this ground unless another role is named. */
  text(style: string, role?: string): readonly string[];
  /** A text style without a colour. */
  style(style: string): string;
  background(ground: string): string;
  /** Padding of cards on all sides; nothing while the brand has none. */
  inset(): readonly string[];
  corner(use: 'button' | 'card' | 'picture' | 'field'): string;
  /** The colour of an edge, for a part that has one only if the brand says so. */
  edge(use: 'card' | 'picture'): readonly string[];
  /** Separates the rows of a part by one of the brand's spaces. */
  between(space: string): string;
  rule(): string;
  /** The line above a part, or below a row. */
  line(side: 'start' | 'end'): string;
  stripe(): string;
  field(): string;
}

/** A place of a block as it is painted. Its id is `block/part`. */
export interface PaintedAs {
  readonly part: string;
  readonly kind: PlaceKind;
  /** The label in lists: `Cell “12.50”`. */
  readonly label: string;
  readonly paint: readonly string[];
  /** Id of the text style, where text is painted. */
  readonly style?: string;
  /** Where its words are kept, when it shows some: they can be edited where they stand. */
  readonly words?: Path;
  /** Where the item is kept that it stands for. */
  readonly item?: Path;
}

/** The query of a list: fields by id, an order, a filter and a number. */
export interface ItemQuery {
  readonly collection: string;
  readonly heading?: string | undefined;
  readonly text?: string | undefined;
  readonly further?: string | undefined;
  readonly picture?: string | undefined;
  /** Field by whose values they are put together. */
  readonly group?: string | undefined;
  readonly by?: string | undefined;
  readonly down?: boolean | undefined;
  readonly only?: string | undefined;
  readonly value?: string | undefined;
  /** How many are left out at the beginning. */
  readonly from?: number | undefined;
  readonly limit: number;
  /** The rest goes on over further pages. */
  readonly paged?: boolean | undefined;
}

/** The shown fields of an item with a value, with their addresses. */
export interface ListedItem {
  readonly id: string;
  readonly name: string;
  /** Its own page, where it has one. */
  readonly href?: string;
  readonly heading?: ItemWords;
  readonly text?: ItemWords;
  readonly further?: ItemWords;
  /** The group of the item, with its number of items; empty without a value. */
  readonly group?: { readonly text: string; readonly count: number };
  readonly picture?: { readonly asset: string; readonly alt: string; readonly at: Path };
}
export interface ItemWords {
  readonly text: string;
  /** Address in the document; absent for words that are made. */ readonly at?: Path;
  /** Rich words. */ readonly runs?: readonly Inline[];
  /** Where they lead by themselves. */ readonly href?: string;
}

/** A page that a list goes on over. */
export interface ListPage {
  readonly number: number;
  readonly href: string;
  readonly here: boolean;
}

/** How words are set. */
export interface WordsHow {
  /** The label in lists in place of the style's: `Field label “Name”`. */
  readonly called?: string;
  readonly level?: number | null;
  readonly className?: string;
  /** Role of the ground that colours them, instead of the style's own. */
  readonly role?: string;
  readonly attributes?: Properties;
}

/**
 * The tools with which a kind of block builds its tree. Every painted element is made
 * here: it becomes a place with an id, its recipes, and the address of its text.
 */
export interface Kit {
  readonly paint: Paints;
  /** True if a picture lies behind the block. */
  readonly overPicture: boolean;
  /** Returns a name for the block or a part of it as an HTML id, unique on the page. */
  htmlId(name: string): string;
  /** File that answers a form of this block which is sent; undefined where it stands on no page. */
  answeredBy(): string | undefined;
  /** The items that a list of a collection shows. */
  items(query: ItemQuery): readonly ListedItem[];
  /** The pages that a list goes on over: the first, the last, and those around this one; none where one is enough. */
  listPages(query: ItemQuery): readonly ListPage[];
  /** Returns the headers of a list's table. */
  fieldNames(query: ItemQuery, fields: readonly (string | undefined)[]): readonly string[];
  /** Links to the pages that a list goes on over. */
  pageLinks(pages: readonly ListPage[], style: Path): readonly Element[];
  /**
   * The entries of the site's menu as items of a list, those under another in a list within; `style` is where the id of
   * their style is kept.
   */
  menu(style: Path): readonly Element[];
  /** Words of an item as an element; `href` makes a link of them. */
  itemWords(
    tag: string,
    part: string,
    words: ItemWords,
    style: Path,
    how: {
      readonly level?: number | null;
      readonly href?: string;
      /** Where their style is set, where that is not where it is kept now. */ readonly styledAt?: Path;
    },
  ): Element;
  /** A picture of an item. */
  itemPicture(part: string, picture: NonNullable<ListedItem['picture']>, className: string): Element;
  /** Notes a place and gives the attributes that mark its element. */
  painted(as: PaintedAs, className?: string, more?: Properties): Properties;
  /**
   * Words as an element: runs, one line, or one link.
   *
   * @param part names the place within the block; what comes before its last part names the ones of its links
   * @param at where the words are kept
   * @param style where the id of their style is kept
   */
  words(tag: string, part: string, at: Path, style: Path, how?: WordsHow): Element;
  /** A picture of the site as `part/picture`; `at` has its `asset` and its `alt`. */
  picture(part: string, at: Path, className: string): Element;
  /** A button as `part/id`; `at` is where it is kept. `submit`: it sends the form it stands in. */
  button(part: string, at: Path, how?: { readonly submit: boolean }): Element;
  /** An icon beside words that are built already, in the part `beside`. */
  icon(part: string, name: IconName, beside: string): Element;
  /** A link to the download whose id is kept at `at`, with its kind and size behind it. */
  download(at: Path, label: Path, style: Path, factsStyle: Path): readonly Element[];
  /** The site's logo in the form for this ground; undefined while it has none. */
  logo(part: string): Element | undefined;
  /** The same kit continued on a surface of its own, which is painted first. */
  onSurface(
    as: Omit<PaintedAs, 'kind'>,
    className: string,
    ground?: string,
  ): { readonly kit: Kit; readonly properties: Properties };
}
