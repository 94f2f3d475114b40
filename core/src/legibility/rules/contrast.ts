import { CONTRAST, composite, contrastRatio, gradientExtent, isLargeText, type Gradient, type Rgb8 } from '../../color/index.ts';
import type { State } from '../../site/index.ts';
import { AUDIT_WIDTHS, bandOf, type BandId } from '../../shape/index.ts';
import type { PaintedProperty, TokenTable } from '../../style/index.ts';
import { behindOf, cellValue, colorOf, fillOf, fontSizeAt, pixelsAt, type Backdrop, type Group } from '../../reach/index.ts';
import { coloured, judgePixels, pixelKey, veilOf, washUnder, type PixelSet, type PixelSets } from '../pixels/index.ts';
import type { Site } from '../../site/index.ts';
import type { Judgement, RuleId } from '../outcome.ts';

export const OVER_PICTURE = 'A picture lies behind it; its pixels have not been judged yet.';

export const OVER_GRADIENT = 'A gradient lies behind it, and not all of that is enough; where it stands has not been read yet.';

/** What is known of the pixels behind places, with the site whose shades lie over them. */
export interface Pictured { readonly site: Site; readonly pixels: PixelSets }

/** Rates a colour on the pixels of one place: a group over a picture has one place only. */
function onPixels(table: TokenTable, group: Group, over: Pictured | undefined, area: PixelSet['area'], width: number, color: Rgb8, needed: number): Pick<BandPair, 'found' | 'reason'> {
  const place = over && over.pixels.size > 0 ? group.places[0] : undefined;
  const set = place && over!.pixels.get(pixelKey(place.page, place.id, width, area));
  const wash = washUnder(table, group);
  if (!over || !set) return wash ? onWash(wash, color, needed) : { found: null, reason: OVER_PICTURE };
  if (set.problem !== '') return { found: null, reason: set.problem };
  const verdict = judgePixels(coloured(set, wash), veilOf(over.site, table, group), color, needed);
  return verdict ? { found: verdict.found } : { found: null, reason: 'Nothing of it is to be seen at this width.' };
}

/** Without a layout a gradient is rated from end to end: what passes everywhere passes. */
function onWash(wash: Gradient, color: Rgb8, needed: number): Pick<BandPair, 'found' | 'reason'> {
  const found = Math.min(...gradientExtent(wash).map((behind) => contrastRatio(composite(color, behind), behind)));
  return found >= needed ? { found } : { found: null, reason: OVER_GRADIENT };
}

const UNREADABLE = 'One of the two colours could not be read.';

/** What is found of a pair in one band: the same at all widths of it. */
interface BandPair { readonly tokens: readonly string[]; readonly found: number | null; readonly reason?: string; /** Over a picture: the colour to be rated on its pixels. */ readonly color?: Rgb8 }

/** Judges one foreground property against a backdrop, per width and state. */
export function judgePair(
  table: TokenTable, group: Group, rule: RuleId, state: State, property: PaintedProperty,
  backdrop: (band: BandId) => Backdrop, needed: (width: number) => number, over?: Pictured, area: PixelSet['area'] = 'lines',
): Judgement[] {
  const bands = new Map<BandId, BandPair | undefined>();
  const judgements: Judgement[] = [];
  for (const width of AUDIT_WIDTHS) {
    const band = bandOf(width);
    if (!bands.has(band)) bands.set(band, ratePair(table, group, state, property, band, backdrop));
    const rated = bands.get(band);
    if (!rated) continue;
    const want = needed(width);
    const pair: BandPair = rated.color ? { tokens: rated.tokens, ...onPixels(table, group, over, area, width, rated.color, want) } : rated;
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
  const color = colorOf(css);
  if (color && behind === 'picture') return { tokens: chain, found: null, color };
  if (!color || behind === 'picture') return { tokens: chain, found: null, reason: UNREADABLE };
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

/** What the text of a group stands on: a fill of its own, be it a button's, a mark's or a plate set behind a text, else what is behind the group. */
export function textBackdrop(table: TokenTable, group: Group, state: State, band: BandId): Backdrop {
  return group.painting.cells.some((cell) => cell.property === 'background-color') ? fillOf(table, group, state, band) : behindOf(table, group, band);
}

/** Text, links, menu entries, labels: 4.5, or 3 where large (1.4.3). */
export function textContrast(table: TokenTable, group: Group, over?: Pictured): Judgement[] {
  if (group.kind === 'rule' || group.kind === 'surface' || group.kind === 'picture' || group.kind === 'logo' || group.kind === 'icon') return [];
  const large = new Map(AUDIT_WIDTHS.map((width) => [width, isLargeText(fontSizeAt(table, group.painting, width), pixelsAt(table, group.painting, 'font-weight', 'rest', width) ?? 400)]));
  const needed = (width: number) => (large.get(width) ? CONTRAST.largeText : CONTRAST.text);
  return group.states.flatMap((state) => judgePair(table, group, 'text-contrast', state, 'color', (band) => textBackdrop(table, group, state, band), needed, over));
}

/** A button or field is told from its ground by its fill or by its edge: the better of the two must reach 3 (1.4.11). */
export function partContrast(table: TokenTable, group: Group, over?: Pictured): Judgement[] {
  if (group.kind !== 'button' && group.kind !== 'field') return [];
  const rule: RuleId = group.kind === 'button' ? 'button-contrast' : 'field-contrast';
  const around = perBand((band) => behindOf(table, group, band));
  return group.states.flatMap((state) => {
    const edges = judgePair(table, group, rule, state, 'border-color', around, () => CONTRAST.nonText, over, 'around');
    return edges.map((edge): Judgement => {
      if (edge.verdict !== 'fail' && edge.reason !== OVER_GRADIENT) return edge;
      const band = bandOf(edge.width);
      const fill = fillOf(table, group, state, band);
      const behind = around(band);
      if (fill === 'picture') return edge;
      const found = behind === 'picture' ? (onPixels(table, group, over, 'around', edge.width, fill, edge.needed).found ?? 0) : contrastRatio(fill, behind);
      const cell = group.painting.at('background-color', state, band);
      // What a gradient leaves open is settled only by a fill that passes.
      if (edge.found === null && found < edge.needed) return edge;
      const { reason: _open, ...rated } = edge;
      return found > (edge.found ?? 0) ? { ...rated, verdict: found >= edge.needed ? 'pass' : 'fail', found, tokens: cell ? cellValue(table, cell).chain : edge.tokens } : edge;
    });
  });
}

/** An icon stands out from what is behind it (1.4.11). */
export function iconContrast(table: TokenTable, group: Group, over?: Pictured): Judgement[] {
  if (group.kind !== 'icon') return [];
  const behind = perBand((band) => behindOf(table, group, band));
  return judgePair(table, group, 'icon-contrast', 'rest', 'color', behind, () => CONTRAST.nonText, over, 'around');
}

/** The ring of whatever takes focus must reach 3 against what is around it (1.4.11). */
export function focusContrast(table: TokenTable, group: Group, over?: Pictured): Judgement[] {
  if (!group.states.includes('focus')) return [];
  return judgePair(table, group, 'focus-contrast', 'focus', 'outline-color', (band) => behindOf(table, group, band), () => CONTRAST.nonText, over, 'around');
}
