import type { Brand } from '../../site/index.ts';
import { WALL_WIDTHS, bandOf } from '../../breakpoint/index.ts';
import type { TokenTable } from '../../style/index.ts';
import { cellValue, fontSizeAt, pixelsAt, type Group } from '../../reach/index.ts';
import type { Judgement } from '../outcome.ts';

/** Smallest line height of running text, as a share of its size. */
export const LINE_HEIGHT_FLOOR = 1.4;

/** Lines of running text stand far enough apart for the eye to find the next one, on a phone and on a desktop. */
export function lineHeight(table: TokenTable, group: Group, brand: Brand): Judgement[] {
  if (group.kind !== 'text' || !group.style || brand.styles[group.style]?.use !== 'running') return [];
  return Object.values(WALL_WIDTHS).flatMap((width): Judgement[] => {
    const line = pixelsAt(table, group.painting, 'line-height', 'rest', width);
    if (line === undefined) return [];
    const found = Math.round((line / fontSizeAt(table, group.painting, width)) * 1000) / 1000;
    const cell = group.painting.at('line-height', 'rest', bandOf(width));
    return [
      {
        rule: 'line-height',
        verdict: found >= LINE_HEIGHT_FLOOR ? 'pass' : 'fail',
        state: 'rest',
        width,
        found,
        needed: LINE_HEIGHT_FLOOR,
        tokens: cell ? cellValue(table, cell).chain : [],
      },
    ];
  });
}
