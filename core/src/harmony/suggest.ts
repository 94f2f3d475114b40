import { deltaERgb, hex, mapToSrgb, paintedRgb, type Oklch } from '../color/index.ts';
import { applyChange, setSwatchColor, type Op } from '../change/index.ts';
import { fixBrand } from '../legibility/index.ts';
import type { Site, Swatch } from '../site/index.ts';
import { resolvedSwatches, swatchColor } from '../style/index.ts';

/** The harmonies of the trade, as degrees from the hue that leads. */
export const HARMONIES = [
  { name: 'Monochrome', turns: [0] },
  { name: 'Analogous', turns: [0, 30, -30] },
  { name: 'Complementary', turns: [0, 180] },
  { name: 'Split complementary', turns: [0, 150, 210] },
  { name: 'Triadic', turns: [0, 120, 240] },
  { name: 'Tetradic', turns: [0, 90, 180, 270] },
] as const;

/** One swatch as a suggestion would have it. */
export interface SuggestedSwatch {
  readonly id: string;
  readonly label: string;
  readonly from: string;
  readonly to: string;
  readonly color: Oklch;
}

/** A whole palette in one harmony. */
export interface Suggestion {
  readonly name: string;
  /** The changes; swatches derived by a rule follow without being listed. */
  readonly swatches: readonly SuggestedSwatch[];
  /** Every swatch in order as hex, as it would be. */
  readonly palette: readonly string[];
  /** Pairs that could not be made to hold; none when every ground passes. */
  readonly failing: number;
}

/** ΔE OK by which at least one swatch of two suggestions differs: twice what is just noticeable, side by side. */
export const SUGGESTIONS_APART = 0.04;
/** Colours with less chroma are greys: they are tinted, not turned. */
const GREY = 0.012;
/**
 * The variations, tried in turn until a suggestion differs enough from those before: the hue of the first family, and
 * the spread of chroma.
 */
const SPREADS = [1, 1.6, 2.4].flatMap((chroma) => [1, 2, 0].map((first) => ({ first, chroma })));
/** Degrees of hue within which swatches are one family and turn together. */
const FAMILY = 40;

/**
 * Suggests palettes from the swatches that stay: in each harmony the other
 * swatches keep their lightness and take hues of it, family by family, largest
 * chroma first, with more chroma where that is needed to be told apart; then lightness moves as little as it must so
 * that every pair that occurs holds. Two that nobody would tell apart are one.
 *
 * @param stay ids of swatches that stay as they are; the one with the most chroma leads
 * @param progress told of each harmony begun
 */
export function suggest(
  site: Site,
  stay: ReadonlySet<string>,
  progress: (done: number, of: number) => void = () => undefined,
): Suggestion[] {
  const lead = [...stay]
    .map((id) => swatchColor(site.brand, id))
    .filter((color) => color !== undefined)
    .sort((oklch, other) => other.c - oklch.c)[0];
  if (!lead) return [];
  const free = site.brand.swatchOrder
    .map((id) => site.brand.swatches[id]!)
    .filter((swatch) => !stay.has(swatch.id) && !swatch.locked && !swatch.rule);
  const families = familiesOf(free);
  const found: { suggestion: Suggestion; site: Site }[] = [];
  const apart = (entry: Site) =>
    distance(site, entry) >= SUGGESTIONS_APART &&
    found.every((other) => distance(other.site, entry) >= SUGGESTIONS_APART);
  for (const [done, { name, turns }] of HARMONIES.entries())
    for (const { first, chroma } of SPREADS) {
      progress(done, HARMONIES.length);
      const turned = spread(site, lead, families, free, turns, first, chroma);
      if (!apart(turned)) continue;
      const fix = fixBrand(turned, stay);
      const now = applyChange(turned, {
        ops: fix.moves.filter((move) => move.swatch !== null).flatMap((move) => move.ops),
      }).site;
      if (!apart(now)) continue;
      found.push({
        site: now,
        suggestion: {
          name,
          swatches: changes(site, now, free),
          palette: resolvedSwatches(now.brand).map(({ rgb }) => hex(rgb)),
          failing: fix.conflicts.reduce((sum, conflict) => sum + conflict.pairs.length, 0),
        },
      });
      break;
    }
  return found.map((entry) => entry.suggestion);
}

/** The site with the hues of a harmony: families turn, greys are tinted. */
function spread(
  site: Site,
  lead: Oklch,
  families: readonly Family[],
  free: readonly Swatch[],
  turns: readonly number[],
  first: number,
  chroma: number,
): Site {
  let now = site;
  families.forEach((family, i) => {
    const target = lead.h + turns[(i + first) % turns.length]!;
    for (const swatch of family.swatches)
      now = applyChange(
        now,
        recolour(now, swatch.id, {
          ...swatch.color,
          c: swatch.color.c * chroma,
          h: wrap(target + turnTo(swatch.color.h, family.hue)),
        }),
      ).site;
  });
  for (const swatch of free.filter((entry) => entry.color.c < GREY))
    now = applyChange(
      now,
      recolour(now, swatch.id, { ...swatch.color, c: swatch.color.c * chroma, h: wrap(lead.h) }),
    ).site;
  return now;
}

/** The operations that take a suggestion, or one swatch of it. */
export function takeSuggestion(site: Site, suggestion: Suggestion, only?: string): readonly Op[] {
  let now = site;
  const ops: Op[] = [];
  for (const swatch of suggestion.swatches) {
    if (only !== undefined && swatch.id !== only) continue;
    const edit = recolour(now, swatch.id, swatch.color);
    ops.push(...edit.ops);
    now = applyChange(now, edit).site;
  }
  return ops;
}

interface Family {
  readonly hue: number;
  readonly swatches: Swatch[];
}

/** Swatches of like hue together, the most colourful family first. */
function familiesOf(swatches: readonly Swatch[]): Family[] {
  const families: Family[] = [];
  for (const swatch of [...swatches]
    .filter((entry) => entry.color.c >= GREY)
    .sort((entry, other) => other.color.c - entry.color.c)) {
    const home = families.find((family) => Math.abs(turnTo(swatch.color.h, family.hue)) <= FAMILY);
    if (home) home.swatches.push(swatch);
    else families.push({ hue: swatch.color.h, swatches: [swatch] });
  }
  return families;
}

const recolour = (site: Site, id: string, color: Oklch) =>
  setSwatchColor(site, id, { typed: '', oklch: mapToSrgb(color), rgb: paintedRgb(color), mapped: false }, 'hue');
const wrap = (hue: number): number => ((hue % 360) + 360) % 360;
/** Degrees from one hue to another, −180 to 180. */
const turnTo = (hue: number, from: number): number => ((hue - from + 540) % 360) - 180;

/** The largest ΔE OK between the same swatches of two sites. */
function distance(site: Site, other: Site): number {
  const there = new Map(resolvedSwatches(other.brand).map(({ swatch, rgb }) => [swatch.id, rgb]));
  return Math.max(
    0,
    ...resolvedSwatches(site.brand).map(({ swatch, rgb }) =>
      there.has(swatch.id) ? deltaERgb(rgb, there.get(swatch.id)!) : 0,
    ),
  );
}

function changes(before: Site, after: Site, free: readonly Swatch[]): SuggestedSwatch[] {
  return free.flatMap((swatch): SuggestedSwatch[] => {
    const [from, color] = [swatchColor(before.brand, swatch.id)!, swatchColor(after.brand, swatch.id)!];
    const [old, now] = [from, color].map((oklch) => hex(paintedRgb(oklch))) as [string, string];
    return old === now ? [] : [{ id: swatch.id, label: swatch.label, from: old, to: now, color }];
  });
}
