import type { State } from '../site/index.ts';
import type { PlaceKind } from '../kinds/index.ts';
import type { BandId } from '../breakpoint/index.ts';
import type { PageTree, Place } from '../page/index.ts';
import type { Painting } from './painting.ts';

/**
 * Places that look alike in every way that can be computed: one painting on one stack of surfaces. Over a picture or a
 * gradient no two do.
 */
export interface Group {
  readonly kind: PlaceKind;
  readonly states: readonly State[];
  readonly painting: Painting;
  readonly under: Group | null;
  /** The group from which it inherits text values. */
  readonly inherits: Group | null;
  readonly overPicture: boolean;
  readonly pictured: boolean;
  readonly inline: boolean;
  readonly style: string | null;
  readonly ground: string;
  /** Widths at which none of its places is shown. */
  readonly hidden: readonly BandId[];
  /** The number of its places in all published files, known without analysing the pages. */
  readonly count: number;
  /** Its places, once for each look: `SiteIndex.times` gives the number of files with the look. */
  readonly places: readonly Place[];
}

/** Returns how many places some groups have together, in all published files. */
export const placesIn = (groups: Iterable<Group>): number => {
  let count = 0;
  for (const group of groups) count += group.count;
  return count;
};

/**
 * All places of a site in all published files, grouped by look, with the tokens
 * that paint them. It depends on structure only, never on token values. Counts are
 * known at once; a place or its look needs its page taken apart, all places need
 * all pages taken apart.
 */
export interface SiteIndex {
  readonly groups: readonly Group[];
  /** The number of places in all published files. */
  readonly count: number;
  /** Returns the number of HTML files with the look of a page; more than 1 for items that show the same fields. */
  times(page: string): number;
  /** Returns the number of published places, each counted once for every file with its look. */
  countOf(places: Iterable<{ readonly page: string }>): number;
  readonly trees: readonly PageTree[];
  readonly places: readonly Place[];
  readonly groupOf: { get(place: Place): Group | undefined; has(place: Place): boolean };
  /** Groups by the token their recipes or overrides name. */
  readonly byToken: ReadonlyMap<string, ReadonlySet<Group>>;
  /** Places by page and id: `page id` joined by a space. */
  readonly byAddress: { get(key: string): Place | undefined; has(key: string): boolean };
  /** One page taken apart: the very places that `groupOf` knows. */
  tree(page: string): PageTree | undefined;
  /** Lets go of a page that was taken apart: of a large site only what is looked at stays. */
  letGo(page: string): void;
  /** The places of one page that have one of the looks; only that page is taken apart. */
  placesOn(page: string, groups: ReadonlySet<Group>): readonly Place[];
  /** Pages on which some place has one of the looks, in order; none is taken apart. */
  pagesWith(groups: ReadonlySet<Group>): readonly string[];
  /** The first place that has one of the looks; only its page is taken apart. */
  firstOf(groups: ReadonlySet<Group>): Place | undefined;
  /**
   * Returns the number of published places of a part (`header`, `footer` or the id of a section's entry), on one page
   * of the site or on all.
   */
  countIn(part: string, page?: string): number;
}
