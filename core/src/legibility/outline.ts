import type { PageTree } from '../page/index.ts';
import type { Brand } from '../site/index.ts';
import { skippedLevel } from './rules/headings.ts';

/** A heading as the wall names it: its level, the style it is set in, and the level it leaves out, if any. */
export interface OutlineEntry {
  readonly place: string;
  readonly level: number;
  /** Label of its text style. */
  readonly style: string;
  /** The level that should have come: null when none is skipped. */
  readonly skipped: number | null;
}

/** The headings of a page in document order. */
export function outlineOf(tree: PageTree, brand: Brand): OutlineEntry[] {
  return skippedLevel(tree).map(({ place, verdict, found, needed }) => ({
    place: place.id,
    level: found!,
    style: place.style ? (brand.styles[place.style]?.label ?? '') : '',
    skipped: verdict === 'fail' ? needed : null,
  }));
}
