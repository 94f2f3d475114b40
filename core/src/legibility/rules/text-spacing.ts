import { bandOf } from '../../breakpoint/index.ts';
import type { SiteIndex } from '../../reach/index.ts';
import type { PlacedJudgement } from './headings.ts';
import type { LayoutReading } from './layout-reading.ts';

/**
 * Readers may space text out without losing any of it: WCAG 2.2, 1.4.12 (lines
 * 1.5, paragraphs 2, letters 0.12 and words 0.16 times the size). Readings tell
 * by how many px words were cut off, or stood out of the page, when they did.
 */
export function textSpacing(index: SiteIndex, readings: readonly LayoutReading[]): PlacedJudgement[] {
  return readings.flatMap(({ page, place: id, width, rule, found }): PlacedJudgement[] => {
    const place = index.byAddress.get(`${page} ${id}`);
    if (rule !== 'text-spacing' || !place) return [];
    const cell = index.groupOf.get(place)?.painting.at('font-size', 'rest', bandOf(width));
    return [
      {
        place,
        rule,
        verdict: found > 0 ? 'fail' : 'pass',
        state: 'rest',
        width,
        found,
        needed: 0,
        tokens: cell?.token ? [cell.token] : [],
      },
    ];
  });
}
