import type { SiteIndex } from '../../reach/index.ts';
import type { PlacedJudgement } from './headings.ts';
import type { LayoutReading } from './layout-reading.ts';

/**
 * The space above a link target, px; the largest height of a sticky header (`scroll-padding` in `render/layout-css.ts`,
 * 6rem).
 */
export const KEPT_FREE = 96;

/**
 * A header that stays in sight covers nothing that a link leads to, and nothing that has the focus; one over a picture
 * covers nothing that is said there.
 */
export function covered(index: SiteIndex, readings: readonly LayoutReading[]): PlacedJudgement[] {
  return readings.flatMap(({ page, place: id, width, rule, found }): PlacedJudgement[] => {
    const place = index.byAddress.get(`${page} ${id}`);
    if (rule !== 'covered' || !place) return [];
    const needed = place.pictured ? 0 : KEPT_FREE;
    return [
      { place, rule, verdict: found <= needed ? 'pass' : 'fail', state: 'rest', width, found, needed, tokens: [] },
    ];
  });
}
