import { AUDIT_WIDTHS, bandOf } from '../../breakpoint/index.ts';
import type { TokenTable } from '../../style/index.ts';
import { cellValue, heightAt, pixelsAt, type Group } from '../../reach/index.ts';
import type { Judgement } from '../outcome.ts';

/** Smallest height of a target in px. */
export const TARGET_FLOOR = 24;
/** Top and bottom padding of a menu entry, px: the layout's own. */
const MENU_PADDING = 6;

/**
 * Height of one line of a target: its line height, its padding and its edges. A lower bound: more lines only make it
 * taller. Links in a
 * paragraph are exempt (2.5.8, inline).
 */
export function targetSize(table: TokenTable, group: Group): Judgement[] {
  const { kind } = group;
  if (kind !== 'button' && kind !== 'field' && kind !== 'menu') return [];
  return AUDIT_WIDTHS.flatMap((width): Judgement[] => {
    const line = pixelsAt(table, group.painting, 'line-height', 'rest', width);
    if (line === undefined) return [];
    const found = kind === 'menu' ? line + 2 * MENU_PADDING : heightAt(table, group.painting, width);
    const cell = group.painting.at(kind === 'button' ? 'padding-block' : 'font-size', 'rest', bandOf(width));
    return [
      {
        rule: 'target-size',
        verdict: found >= TARGET_FLOOR ? 'pass' : 'fail',
        state: 'rest',
        width,
        found,
        needed: TARGET_FLOOR,
        tokens: cell ? cellValue(table, cell).chain : [],
      },
    ];
  });
}
