import type { SiteIndex } from '../../reach/index.ts';
import { bandOf } from '../../breakpoint/index.ts';
import type { Brand } from '../../site/index.ts';
import type { PlacedJudgement } from './headings.ts';
import type { LayoutReading } from './layout-reading.ts';

/** Most characters of a line of running text. */
export const LINE_LENGTH_CEILING = 80;

/** Lines of running text, measured in the real rendering, are short enough for the eye to find the way back. */
export function lineLength(index: SiteIndex, brand: Brand, readings: readonly LayoutReading[]): PlacedJudgement[] {
  return readings.flatMap(({ page, place: id, width, rule, found }): PlacedJudgement[] => {
    const place = index.byAddress.get(`${page} ${id}`);
    const style = place?.style ? brand.styles[place.style] : undefined;
    if (rule !== 'line-length' || !place || style?.use !== 'running') return [];
    const cell = index.groupOf.get(place)?.painting.at('font-size', 'rest', bandOf(width));
    return [
      {
        place,
        rule,
        verdict: found <= LINE_LENGTH_CEILING ? 'pass' : 'fail',
        state: 'rest',
        width,
        found,
        needed: LINE_LENGTH_CEILING,
        tokens: style.longest === undefined ? (cell?.token ? [cell.token] : []) : [`text.${style.path}.longest`],
      },
    ];
  });
}
