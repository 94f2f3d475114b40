import type { State } from '../site/index.ts';
import type { PlaceKind } from '../kinds/index.ts';
import type { BandId } from '../shape/index.ts';
import type { PageTree, Place } from '../page/index.ts';
import type { Painting } from './painting.ts';

/** Places that look alike in every way that can be computed: one painting on one stack of surfaces. Over a picture or a gradient no two do. */
export interface Group {
  readonly kind: PlaceKind;
  readonly states: readonly State[];
  readonly painting: Painting;
  readonly under: Group | null;
  /** The group whose text values it takes where it has none of its own. */
  readonly inherits: Group | null;
  readonly overPicture: boolean;
  readonly pictured: boolean;
  readonly inline: boolean;
  readonly style: string | null;
  readonly ground: string;
  /** Widths at which none of its places is shown. */
  readonly hidden: readonly BandId[];
  /** How many places it has in all published files. To ask for the places themselves takes every page apart; this does not. */
  readonly count: number;
  /** Its places, those of files of one look once: `SiteIndex.times` says how many files that are. */
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
  /** How many places there are in all published files. */
  readonly count: number;
  /** How many HTML files have the look of a page: more than one for items that show the same fields. */
  times(page: string): number;
  /** How many places some are, each as often as its file's look is published. */
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
  /** How many places a part has in all published files, `header`, `footer` or the id of a section's entry: on one page of the site, or on all that have it. */
  countIn(part: string, page?: string): number;
}
