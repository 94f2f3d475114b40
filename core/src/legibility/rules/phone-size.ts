import type { Brand } from '../../site/index.ts';
import { AUDIT_WIDTHS, bandOf } from '../../breakpoint/index.ts';
import type { TokenTable } from '../../style/index.ts';
import { cellValue, fontSizeAt, type Group } from '../../reach/index.ts';
import type { Judgement } from '../outcome.ts';

/** Smallest size of running text on a phone, in px. */
export const PHONE_FLOOR = 16;

/** Running text on a phone; styles marked as fine print are exempt. */
export function phoneSize(table: TokenTable, group: Group, brand: Brand): Judgement[] {
  if ((group.kind !== 'text' && group.kind !== 'cell') || !group.style || brand.styles[group.style]?.use !== 'running')
    return [];
  return AUDIT_WIDTHS.filter((width) => bandOf(width) === 'phone').map((width) => {
    const found = fontSizeAt(table, group.painting, width);
    const cell = group.painting.at('font-size', 'rest', 'phone');
    return {
      rule: 'phone-size',
      verdict: found >= PHONE_FLOOR ? 'pass' : 'fail',
      state: 'rest',
      width,
      found,
      needed: PHONE_FLOOR,
      tokens: cell ? cellValue(table, cell).chain : [],
    };
  });
}
