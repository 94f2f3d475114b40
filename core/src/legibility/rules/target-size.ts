import { AUDIT_WIDTHS, bandOf } from '../../shape/index.ts';
import type { TokenTable } from '../../style/index.ts';
import { cellValue, pixelsAt, type Group } from '../../reach/index.ts';
import type { Judgement } from '../outcome.ts';

/** Smallest height of a target in px. */
export const TARGET_FLOOR = 24;
/** What the layout adds to a target's height by itself: a button's two edges, a field's padding and edges, a menu entry's padding. */
const LAYOUT_HEIGHT = { button: 4, field: 22, menu: 12 } as const;

/**
 * Height of one line of a target: its line height, its own padding and what
 * the layout adds. A lower bound: more lines only make it taller. Links in a
 * paragraph are exempt (2.5.8, inline).
 */
export function targetSize(table: TokenTable, group: Group): Judgement[] {
  const { kind } = group;
  if (kind !== 'button' && kind !== 'field' && kind !== 'menu') return [];
  return AUDIT_WIDTHS.flatMap((width): Judgement[] => {
    const line = pixelsAt(table, group.painting, 'line-height', 'rest', width);
    if (line === undefined) return [];
    const padding = kind === 'button' ? (pixelsAt(table, group.painting, 'padding-block', 'rest', width) ?? 0) : 0;
    const found = line + padding * 2 + LAYOUT_HEIGHT[kind];
    const cell = group.painting.at(kind === 'button' ? 'padding-block' : 'font-size', 'rest', bandOf(width));
    return [{ rule: 'target-size', verdict: found >= TARGET_FLOOR ? 'pass' : 'fail', state: 'rest', width, found, needed: TARGET_FLOOR, tokens: cell ? cellValue(table, cell).chain : [] }];
  });
}
