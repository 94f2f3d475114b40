import { AUDIT_WIDTHS, bandOf } from '../../breakpoint/index.ts';
import { cellValue, pixelsAt, type Group } from '../../reach/index.ts';
import type { TokenTable } from '../../style/index.ts';
import type { Judgement } from '../outcome.ts';

/** Height of the window of a small phone, px. */
const PHONE_HEIGHT = 640;

/** On a phone the two paddings of a place take at most half of the window, across its width as along its height. */
export function phonePadding(table: TokenTable, group: Group): Judgement[] {
  return (['padding-block', 'padding-inline'] as const).flatMap((property) =>
    AUDIT_WIDTHS.filter((width) => bandOf(width) === 'phone').flatMap((width): Judgement[] => {
      const cell = group.painting.at(property, 'rest', 'phone');
      const px = cell?.owner === group.painting ? pixelsAt(table, group.painting, property, 'rest', width) : undefined;
      if (px === undefined) return [];
      const needed = (property === 'padding-block' ? PHONE_HEIGHT : width) / 2;
      return [
        {
          rule: 'phone-padding',
          verdict: px * 2 <= needed ? 'pass' : 'fail',
          state: 'rest',
          width,
          found: px * 2,
          needed,
          tokens: cellValue(table, cell!).chain,
        },
      ];
    }),
  );
}
