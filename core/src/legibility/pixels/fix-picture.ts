import { addOverride, sectionAddress, setOp, type Op } from '../../change/index.ts';
import { contrastRatio, composite, type Rgb8 } from '../../color/index.ts';
import { cellValue, colorOf, fillOf, siteIndex, tokenValue, type Group } from '../../reach/index.ts';
import { AUDIT_WIDTHS, bandOf } from '../../breakpoint/index.ts';
import type { Section, Site } from '../../site/index.ts';
import { rolePath, tokenTable, type TokenTable } from '../../style/index.ts';
import { anchorOf, type Place } from '../../page/index.ts';
import { need } from '../need.ts';
import { judgePixels } from './judge-pixels.ts';
import { coloured, pixelKey, type PixelSets } from './pixel-set.ts';
import { picturedSection, veilOf, washUnder } from './veil.ts';

/** A way to make a text over a picture readable. */
export interface PictureFix {
  readonly what: 'shade' | 'focus' | 'plate' | 'colour';
  readonly label: string;
  /** Ratio that is reached before and after, where it is lowest. */
  readonly before: number;
  readonly after: number;
  readonly places: number;
  readonly ops: readonly Op[];
}

/**
 * The darkest shade that is offered, percent: beyond it the picture is no longer seen, and what destroys it does not
 * fix it.
 */
export const MOST_SHADE = 85;

/** A text over the picture with what it needs at each width. */
interface Over {
  readonly group: Group;
  readonly place: Place;
}

/**
 * Fixes for a text that fails over a picture: the lightest shade with which all
 * texts of its section pass (over a gradient there is none), a plate of the ground's background behind it, the
 * text colour of another ground. Only those that reach what is needed at every
 * width and in every state.
 *
 * @param id for a value set on the place
 */
export function pictureFixes(site: Site, pixels: PixelSets, place: Place, id: string): PictureFix[] {
  const index = siteIndex(site);
  const group = index.groupOf.get(place);
  const section = picturedSection(site, place.page, place.section);
  if (!group?.overPicture) return [];
  const table = tokenTable(site.brand);
  const all = textsOver(site, section);
  const before = worst(site, table, pixels, [{ group, place }], undefined);
  if (!before) return [];
  const fixes: PictureFix[] = [];
  const now = Math.round((section?.picture?.shade ?? 0) * 100);
  const reaches = (percent: number) => (worst(site, table, pixels, all, percent / 100)?.margin ?? 0) >= 1;
  if (section && reaches(MOST_SHADE)) {
    let [low, high] = [now, MOST_SHADE];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (reaches(middle)) high = middle;
      else low = middle;
    }
    fixes.push({
      what: 'shade',
      label: `Darken from ${now} % to ${high} %`,
      before: before.found,
      after: worst(site, table, pixels, [{ group, place }], high / 100)!.found,
      places: all.length,
      ops: [setOp(site, [...sectionAddress(site, place.page, place.section), 'picture', 'shade'], high / 100)],
    });
  }
  const override = (property: 'color' | 'background-color', path: string) =>
    addOverride(
      site,
      anchorOf(place, 'used'),
      { id, property, band: null, origin: 'set', value: { kind: 'token', path }, reason: null },
      place.label,
    ).ops;
  const ground = site.brand.grounds[section?.ground ?? place.ground]!;
  const plate = rolePath(site.brand, ground, 'background');
  const flat = worstFlat(table, group, colorOf(tokenValue(table, plate).css));
  if (flat && flat.margin >= 1)
    fixes.push({
      what: 'plate',
      label: `${ground.label} panel behind the text`,
      before: before.found,
      after: flat.found,
      places: 1,
      ops: override('background-color', plate),
    });
  let best: { label: string; path: string; found: number } | undefined;
  for (const other of Object.values(site.brand.grounds)) {
    const path = rolePath(site.brand, other, 'text');
    const color = colorOf(tokenValue(table, path).css);
    const rated = color && worst(site, table, pixels, [{ group, place }], undefined, color);
    if (rated && rated.margin >= 1 && (!best || rated.found > best.found))
      best = { label: other.label, path, found: rated.found };
  }
  if (best)
    fixes.push({
      what: 'colour',
      label: `Text colour of ${best.label}`,
      before: before.found,
      after: best.found,
      places: 1,
      ops: override('color', best.path),
    });
  return fixes;
}

/** A point of a picture, as shares from its left and its top. */
export interface FocusPoint {
  readonly x: number;
  readonly y: number;
}

/** Focus points that are tried: quarters of the way, both ways. */
export const FOCUS_POINTS: readonly FocusPoint[] = [0, 0.25, 0.5, 0.75, 1].flatMap((y) =>
  [0, 0.25, 0.5, 0.75, 1].map((x) => ({ x, y })),
);

/**
 * The focus point nearest to the one a section has with which a text passes, at
 * every width and in every state, and no other text over the picture is worse
 * off than it may be: each passes, or is no less legible than before. Undefined
 * when there is none.
 *
 * @param turned the pixels behind those texts by focus point, as the desk reads them
 */
export function focusFix(
  site: Site,
  pixels: PixelSets,
  place: Place,
  turned: ReadonlyMap<FocusPoint, PixelSets>,
): PictureFix | undefined {
  const group = siteIndex(site).groupOf.get(place);
  const section = picturedSection(site, place.page, place.section);
  const table = tokenTable(site.brand);
  const before = group && worst(site, table, pixels, [{ group, place }], undefined);
  if (!section || !before) return undefined;
  const now = section.picture!.focus ?? { x: 0.5, y: 0.5 };
  const all = textsOver(site, section);
  const margin = (sets: PixelSets, entry: Over) => worst(site, table, sets, [entry], undefined)?.margin ?? 0;
  const others = all
    .filter((entry) => entry.place !== place)
    .map((entry) => ({ entry, least: Math.min(1, margin(pixels, entry)) }));
  const good = [...turned]
    .filter(
      ([, sets]) =>
        margin(sets, { group, place }) >= 1 && others.every(({ entry, least }) => margin(sets, entry) >= least),
    )
    .sort(
      ([point], [other]) => Math.hypot(point.x - now.x, point.y - now.y) - Math.hypot(other.x - now.x, other.y - now.y),
    );
  const [best] = good;
  if (!best) return undefined;
  const [{ x, y }, sets] = best;
  const percent = (share: number) => `${Math.round(share * 100)} %`;
  return {
    what: 'focus',
    label: `Focus point ${percent(x)} across, ${percent(y)} down`,
    before: before.found,
    after: worst(site, table, sets, [{ group, place }], undefined)!.found,
    places: all.length,
    ops: [setOp(site, [...sectionAddress(site, place.page, place.section), 'picture', 'focus'], { x, y })],
  };
}

/** All texts over the picture of a section. */
function textsOver(site: Site, section: Section | undefined): Over[] {
  return siteIndex(site)
    .groups.filter((group) => group.overPicture && group.kind !== 'button' && group.kind !== 'field')
    .flatMap((group) => group.places.map((at) => ({ group: group, place: at })))
    .filter((entry) => picturedSection(site, entry.place.page, entry.place.section) === section);
}

interface Worst {
  readonly found: number;
  /** Found over needed: 1 and more passes. */ readonly margin: number;
}

/** The lowest of all widths and states with a shade, or with another colour. */
function worst(
  site: Site,
  table: TokenTable,
  pixels: PixelSets,
  list: readonly Over[],
  shade: number | undefined,
  instead?: Rgb8,
): Worst | undefined {
  let low: Worst | undefined;
  for (const { group, place } of list)
    for (const width of AUDIT_WIDTHS) {
      const set = pixels.get(pixelKey(place.page, place.id, width, 'lines'));
      if (!set) continue;
      const needed = need(table, group, 'text-contrast', width);
      const veil = veilOf(site, table, group, shade);
      const behind = coloured(set, washUnder(table, group));
      for (const color of instead ? [instead] : colors(table, group, width)) {
        const found = judgePixels(behind, veil, color, needed)?.found;
        if (found !== undefined && (!low || found / needed < low.margin)) low = { found, margin: found / needed };
      }
    }
  return low;
}

function worstFlat(table: TokenTable, group: Group, behind: Rgb8 | undefined): Worst | undefined {
  let low: Worst | undefined;
  if (behind && behind.alpha >= 1)
    for (const width of AUDIT_WIDTHS)
      for (const color of colors(table, group, width)) {
        const found = contrastRatio(composite(color, behind), behind);
        const margin = found / need(table, group, 'text-contrast', width);
        if (!low || margin < low.margin) low = { found, margin };
      }
  return low;
}

function colors(table: TokenTable, group: Group, width: number): Rgb8[] {
  // A group with its own fill, such as selected text, is not on the image.
  return group.states
    .filter((state) => state !== 'disabled' && fillOf(table, group, state, bandOf(width)) === 'picture')
    .flatMap((state) => {
      const cell = group.painting.at('color', state, bandOf(width));
      return (cell && colorOf(cellValue(table, cell).css)) ?? [];
    });
}
