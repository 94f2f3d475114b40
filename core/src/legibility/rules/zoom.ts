import { WALL_WIDTHS, bandOf } from '../../breakpoint/index.ts';
import type { TokenTable } from '../../style/index.ts';
import { cellValue, fontSizeAt, type Group } from '../../reach/index.ts';
import type { Judgement } from '../outcome.ts';

/** How much larger text must become. */
export const ZOOM_NEEDED = 2;
/** Zooms that browsers offer up to the most they can. */
const ZOOMS = [2, 2.5, 3, 4, 5] as const;

/**
 * Text can be made twice as large by zooming: WCAG 2.2, 1.4.4. A zoom of z makes
 * the page as wide as a z-th of the window; a size that shrinks with the width
 * takes back part of what zooming gives. Found is the most that any zoom gives.
 */
export function zoom(table: TokenTable, group: Group): Judgement[] {
  if (
    !group.style ||
    (group.kind !== 'text' && group.kind !== 'menu' && group.kind !== 'button' && group.kind !== 'cell')
  )
    return [];
  const width = WALL_WIDTHS.desktop;
  const now = fontSizeAt(table, group.painting, width);
  const found =
    Math.round(
      Math.max(...ZOOMS.map((times) => (times * fontSizeAt(table, group.painting, width / times)) / now)) * 1000,
    ) / 1000;
  const cell = group.painting.at('font-size', 'rest', bandOf(width));
  return [
    {
      rule: 'zoom',
      verdict: found >= ZOOM_NEEDED ? 'pass' : 'fail',
      state: 'rest',
      width,
      found,
      needed: ZOOM_NEEDED,
      tokens: cell ? cellValue(table, cell).chain : [],
    },
  ];
}
