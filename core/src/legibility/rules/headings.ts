import { WALL_WIDTHS } from '../../breakpoint/index.ts';
import type { TokenTable } from '../../style/index.ts';
import type { PageTree, Place } from '../../page/index.ts';
import { cellValue, fontSizeAt, type Group, type SiteIndex } from '../../reach/index.ts';
import { bandOf } from '../../breakpoint/index.ts';
import type { Judgement } from '../outcome.ts';

/** A judgement about one place that needs the whole page. */
export interface PlacedJudgement extends Judgement {
  readonly place: Place;
}

const headings = (tree: PageTree): Place[] => tree.places.filter((place) => place.level !== null);

/** A heading must be smaller than the smallest heading of the level above it on the same page, at 390 and 1280. */
export function headingOrder(table: TokenTable, index: SiteIndex, tree: PageTree): PlacedJudgement[] {
  const found: PlacedJudgement[] = [];
  for (const width of [WALL_WIDTHS.phone, WALL_WIDTHS.desktop]) {
    const size = (place: Place) => fontSizeAt(table, (index.groupOf.get(place) as Group).painting, width);
    const smallest = new Map<number, number>();
    for (const place of headings(tree))
      smallest.set(place.level!, Math.min(smallest.get(place.level!) ?? Infinity, size(place)));
    for (const place of headings(tree)) {
      const above = Math.min(...[...smallest].filter(([level]) => level < place.level!).map(([, px]) => px));
      if (above === Infinity) continue;
      const px = size(place);
      const cell = index.groupOf.get(place)!.painting.at('font-size', 'rest', bandOf(width));
      found.push({
        place,
        rule: 'heading-order',
        verdict: px < above ? 'pass' : 'fail',
        state: 'rest',
        width,
        found: px,
        needed: above,
        tokens: cell ? cellValue(table, cell).chain : [],
      });
    }
  }
  return found;
}

/** Going down the page, a heading may go at most one level deeper than the one before it. */
export function skippedLevel(tree: PageTree): PlacedJudgement[] {
  let before = 0;
  return headings(tree).map((place): PlacedJudgement => {
    const level = place.level!;
    const fails = level > before + 1;
    const judgement: PlacedJudgement = {
      place,
      rule: 'skipped-level',
      verdict: fails ? 'fail' : 'pass',
      state: 'rest',
      width: WALL_WIDTHS.desktop,
      found: level,
      needed: before + 1,
      tokens: [],
    };
    before = level;
    return judgement;
  });
}
