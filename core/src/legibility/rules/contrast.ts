import { CONTRAST, composite, contrastRatio, isLargeText, type Rgb8 } from '../../color/index.ts';
import type { State } from '../../site/index.ts';
import { AUDIT_WIDTHS, bandOf, type BandId } from '../../shape/index.ts';
import type { PaintedProperty, TokenTable } from '../../style/index.ts';
import { behindOf, cellValue, colorOf, fillOf, fontSizeAt, pixelsAt, type Backdrop, type Group } from '../../reach/index.ts';
import type { Judgement, RuleId } from '../outcome.ts';

export const OVER_PICTURE = 'A picture lies behind it; its pixels have not been judged yet.';
const UNREADABLE = 'One of the two colours could not be read.';

/** What is found of a pair in one band: the same at all widths of it. */
interface BandPair { readonly tokens: readonly string[]; readonly found: number | null; readonly reason?: string }

/** Judges one foreground property against a backdrop, per width and state. */
export function judgePair(
  table: TokenTable, group: Group, rule: RuleId, state: State, property: PaintedProperty,
  backdrop: (band: BandId) => Backdrop, needed: (width: number) => number,
): Judgement[] {
  const bands = new Map<BandId, BandPair | undefined>();
  const judgements: Judgement[] = [];
  for (const width of AUDIT_WIDTHS) {
    const band = bandOf(width);
    if (!bands.has(band)) bands.set(band, ratePair(table, group, state, property, band, backdrop));
    const pair = bands.get(band);
    if (!pair) continue;
    const want = needed(width);
    const verdict = state === 'disabled' ? 'does-not-apply' : pair.found === null ? 'cannot-tell' : pair.found >= want ? 'pass' : 'fail';
    const { found, tokens, reason } = pair;
    judgements.push(reason === undefined ? { rule, verdict, state, width, found, needed: want, tokens } : { rule, verdict, state, width, found, needed: want, tokens, reason });
  }
  return judgements;
}

function ratePair(table: TokenTable, group: Group, state: State, property: PaintedProperty, band: BandId, backdrop: (band: BandId) => Backdrop): BandPair | undefined {
  const cell = group.painting.at(property, state, band);
  if (!cell) return undefined;
  const { css, chain } = cellValue(table, cell);
  if (state === 'disabled') return { tokens: chain, found: null, reason: 'Disabled parts are exempt.' };
  const behind = backdrop(band);
  if (behind === 'picture') return { tokens: chain, found: null, reason: OVER_PICTURE };
  const color = colorOf(css);
  if (!color) return { tokens: chain, found: null, reason: UNREADABLE };
  return { tokens: chain, found: contrastRatio(composite(color, behind), behind) };
}

/** Remembers what is found in each band: what lies behind a group does not hang on its state. */
function perBand(find: (band: BandId) => Backdrop): (band: BandId) => Backdrop {
  const known = new Map<BandId, Backdrop>();
  return (band) => {
    let value = known.get(band);
    if (value === undefined) known.set(band, (value = find(band)));
    return value;
  };
}

/** Text, links, menu entries, labels: 4.5, or 3 where large (1.4.3). */
export function textContrast(table: TokenTable, group: Group): Judgement[] {
  if (group.kind === 'rule' || group.kind === 'surface' || group.kind === 'picture') return [];
  const large = new Map(AUDIT_WIDTHS.map((width) => [width, isLargeText(fontSizeAt(table, group.painting, width), pixelsAt(table, group.painting, 'font-weight', 'rest', width) ?? 400)]));
  const needed = (width: number) => (large.get(width) ? CONTRAST.largeText : CONTRAST.text);
  const filled = group.kind === 'button' || group.kind === 'field';
  const behind = perBand((band) => behindOf(table, group, band));
  return group.states.flatMap((state) =>
    judgePair(table, group, 'text-contrast', state, 'color', filled ? (band) => fillOf(table, group, state, band) : behind, needed));
}

/** A button or field is told from its ground by its fill or by its edge: the better of the two must reach 3 (1.4.11). */
export function partContrast(table: TokenTable, group: Group): Judgement[] {
  if (group.kind !== 'button' && group.kind !== 'field') return [];
  const rule: RuleId = group.kind === 'button' ? 'button-contrast' : 'field-contrast';
  const around = perBand((band) => behindOf(table, group, band));
  return group.states.flatMap((state) => {
    const edges = judgePair(table, group, rule, state, 'border-color', around, () => CONTRAST.nonText);
    return edges.map((edge): Judgement => {
      if (edge.verdict !== 'fail') return edge;
      const band = bandOf(edge.width);
      const fill = fillOf(table, group, state, band);
      const behind = around(band);
      if (fill === 'picture' || behind === 'picture') return edge;
      const found = contrastRatio(fill as Rgb8, behind);
      const cell = group.painting.at('background-color', state, band);
      return found > edge.found! ? { ...edge, verdict: found >= edge.needed ? 'pass' : 'fail', found, tokens: cell ? cellValue(table, cell).chain : edge.tokens } : edge;
    });
  });
}

/** The ring of whatever takes focus must reach 3 against what is around it (1.4.11). */
export function focusContrast(table: TokenTable, group: Group): Judgement[] {
  if (!group.states.includes('focus')) return [];
  return judgePair(table, group, 'focus-contrast', 'focus', 'outline-color', (band) => behindOf(table, group, band), () => CONTRAST.nonText);
}
