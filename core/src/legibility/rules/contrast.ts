import { composite, contrastRatio, gradientExtent, type Gradient, type Rgb8 } from '../../color/index.ts';
import type { State, PaintedProperty } from '../../site/index.ts';
import { AUDIT_WIDTHS, bandOf, type BandId } from '../../breakpoint/index.ts';
import type { TokenTable } from '../../style/index.ts';
import { cellValue, colorOf, fillOf, type Backdrop, type Group, type Painting } from '../../reach/index.ts';
import { aspectsOf, need, outcome, seenOn, type Aspect } from '../need.ts';
import { coloured, judgePixels, pixelKey, veilOf, washUnder, type PixelSet, type PixelSets } from '../pixels/index.ts';
import type { Site } from '../../site/index.ts';
import type { Judgement, RuleId } from '../outcome.ts';

export const OVER_PICTURE = 'An image is behind this text; not measured yet.';

export const OVER_GRADIENT = 'Contrast varies along the gradient; not measured yet.';

/** The measured pixels behind places, with the site whose shades cover them. */
export interface Pictured {
  readonly site: Site;
  readonly pixels: PixelSets;
}

/** Rates a colour on the pixels of one place: a group over a picture has one place only. */
function onPixels(
  table: TokenTable,
  group: Group,
  over: Pictured | undefined,
  area: PixelSet['area'],
  width: number,
  color: Rgb8,
  needed: number,
): Pick<BandPair, 'found' | 'reason'> {
  const place = over && over.pixels.size > 0 ? group.places[0] : undefined;
  const set = place && over!.pixels.get(pixelKey(place.page, place.id, width, area));
  const wash = washUnder(table, group);
  if (!over || !set) return wash ? onWash(wash, color, needed) : { found: null, reason: OVER_PICTURE };
  if (set.problem !== '') return { found: null, reason: set.problem };
  const verdict = judgePixels(coloured(set, wash), veilOf(over.site, table, group), color, needed);
  return verdict ? { found: verdict.found } : { found: null, reason: 'Hidden at this width.' };
}

/** Without a layout a gradient is rated from end to end: what passes everywhere passes. */
function onWash(wash: Gradient, color: Rgb8, needed: number): Pick<BandPair, 'found' | 'reason'> {
  const found = Math.min(...gradientExtent(wash).map((behind) => contrastRatio(composite(color, behind), behind)));
  return found >= needed ? { found } : { found: null, reason: OVER_GRADIENT };
}

/** The required ratio at each audited width, in their order. */
type Needs = readonly number[];
const BANDS_OF: readonly BandId[] = AUDIT_WIDTHS.map(bandOf);
const needsOf = (table: TokenTable, group: Group, rule: Aspect['rule']): Needs =>
  AUDIT_WIDTHS.map((width) => need(table, group, rule, width));

const UNREADABLE = 'One of the two colours could not be read.';

/** The result of a pair in one band: the same at all its widths. */
interface BandPair {
  readonly tokens: readonly string[];
  readonly found: number | null;
  readonly reason?: string;
  /** Over a picture: the colour to be rated on its pixels. */ readonly color?: Rgb8;
}

/** Judges one foreground property against a backdrop, per width and state. */
function judgePair(
  table: TokenTable,
  group: Group,
  rule: RuleId,
  state: State,
  property: PaintedProperty,
  backdrop: (band: BandId) => Backdrop,
  needed: Needs,
  over?: Pictured,
  area: PixelSet['area'] = 'lines',
): Judgement[] {
  const bands = new Map<BandId, BandPair | undefined>();
  const judgements: Judgement[] = [];
  for (const [at, width] of AUDIT_WIDTHS.entries()) {
    const band = BANDS_OF[at]!;
    if (!bands.has(band)) bands.set(band, ratePair(table, group, state, property, band, backdrop));
    const rated = bands.get(band);
    if (!rated) continue;
    const want = needed[at]!;
    const pair: BandPair = rated.color
      ? { tokens: rated.tokens, ...onPixels(table, group, over, area, width, rated.color, want) }
      : rated;
    const verdict = outcome(state, pair.found, want);
    const { found, tokens, reason } = pair;
    judgements.push(
      reason === undefined
        ? { rule, verdict, state, width, found, needed: want, tokens }
        : { rule, verdict, state, width, found, needed: want, tokens, reason },
    );
  }
  return judgements;
}

function ratePair(
  table: TokenTable,
  group: Group,
  state: State,
  property: PaintedProperty,
  band: BandId,
  backdrop: (band: BandId) => Backdrop,
): BandPair | undefined {
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

/** Judges one aspect of a look in one state, at every width; the better of what it is painted with counts. */
export function judgeAspect(
  table: TokenTable,
  group: Group,
  { rule, properties, area }: Aspect,
  state: State,
  over?: Pictured,
  needs: Needs = needsOf(table, group, rule),
): Judgement[] {
  const behind = perBand((band) => seenOn(table, group, rule, state, band));
  const [first] = properties;
  const judged = judgePair(table, group, rule, state, first!, behind, needs, over, area);
  return properties.length === 1
    ? judged
    : judged.map((edge) => byFill(table, group, edge, state, behind(bandOf(edge.width)), over, area));
}

/**
 * A button or field is told from its ground by its fill or by its edge: an edge that falls short gives way to a better
 * fill (1.4.11).
 */
function byFill(
  table: TokenTable,
  group: Group,
  edge: Judgement,
  state: State,
  behind: Backdrop,
  over: Pictured | undefined,
  area: PixelSet['area'],
): Judgement {
  if (edge.verdict !== 'fail' && edge.reason !== OVER_GRADIENT) return edge;
  const band = bandOf(edge.width);
  const fill = fillOf(table, group, state, band);
  if (fill === 'picture') return edge;
  const found =
    behind === 'picture'
      ? (onPixels(table, group, over, area, edge.width, fill, edge.needed).found ?? 0)
      : contrastRatio(fill, behind);
  const cell = group.painting.at('background-color', state, band);
  // Only a passing fill settles an aspect that a gradient leaves open.
  if (edge.found === null && found < edge.needed) return edge;
  const { reason: _open, ...rated } = edge;
  return found > (edge.found ?? 0)
    ? {
        ...rated,
        verdict: outcome(state, found, edge.needed),
        found,
        tokens: cell ? cellValue(table, cell).chain : edge.tokens,
      }
    : edge;
}

/** Everything of a look that is held against what lies behind it, in all of its states. */
export function contrastRules(table: TokenTable, group: Group, over?: Pictured): readonly Judgement[] {
  if (!group.overPicture || (over && over.pixels.size > 0)) return judgeAspects(table, group, over);
  // Over a picture each place has its own look. Until its pixels are read, places with one painting share one
  // judgement.
  const under = group.under?.painting ?? group.painting;
  let known = unread.get(group.painting);
  if (known?.table !== table) unread.set(group.painting, (known = { table, by: new Map() }));
  const key = `${group.kind} ${group.pictured}`;
  let judged = known.by.get(under)?.get(key);
  if (!judged) {
    judged = judgeAspects(table, group, over);
    known.by.set(under, (known.by.get(under) ?? new Map<string, readonly Judgement[]>()).set(key, judged));
  }
  return judged;
}

const unread = new WeakMap<
  Painting,
  { readonly table: TokenTable; readonly by: Map<Painting, Map<string, readonly Judgement[]>> }
>();

function judgeAspects(table: TokenTable, group: Group, over?: Pictured): Judgement[] {
  const aspects = new Set(group.states.flatMap((state) => aspectsOf(group, state)));
  return [...aspects].flatMap((aspect) => {
    // The required ratio depends on the text size at rest, so it is computed once for all states.
    const needs = needsOf(table, group, aspect.rule);
    return group.states
      .filter((state) => aspectsOf(group, state).includes(aspect))
      .flatMap((state) => judgeAspect(table, group, aspect, state, over, needs));
  });
}
