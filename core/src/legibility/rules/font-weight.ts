import { AUDIT_WIDTHS, bandOf } from '../../breakpoint/index.ts';
import type { Brand } from '../../site/index.ts';
import type { TokenTable } from '../../style/index.ts';
import { facesFor, familyById } from '../../type/index.ts';
import { cellValue, pixelsAt, type Group } from '../../reach/index.ts';
import type { Judgement } from '../outcome.ts';

/** The lowest weight for which browsers thicken a lighter face (CSS Fonts Level 4, sections 2.9.1 and 5.2). */
const BOLD = 600;

/** A weight is the same at every width, so it is judged at one width, px. */
const WIDTH = AUDIT_WIDTHS.find((width) => bandOf(width) === 'desktop')!;

/**
 * Judges whether a text's family has the weight of its style. Browsers thicken the letters of a family that lacks the
 * weight.
 */
export function fontWeight(table: TokenTable, group: Group, brand: Brand): Judgement[] {
  const style = group.style === null ? undefined : brand.styles[group.style];
  const family = style && familyById(brand.families[style.family], brand.fonts);
  if (!family || group.inline || group.kind === 'surface') return [];
  const needed = pixelsAt(table, group.painting, 'font-weight', 'rest', 1280);
  if (needed === undefined || needed < BOLD) return [];
  const [face] = facesFor(family, [{ weight: needed, italic: style.italic }]);
  const passes = !face || face.weight[1] >= BOLD;
  const cell = group.painting.at('font-weight', 'rest', 'desktop');
  return [
    {
      rule: 'font-weight',
      verdict: passes ? 'pass' : 'fail',
      state: 'rest',
      width: WIDTH,
      found: passes ? needed : face.weight[1],
      needed,
      tokens: cell ? cellValue(table, cell).chain : [],
    },
  ];
}
