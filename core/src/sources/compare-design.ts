import { deltaERgb, hex, parseColor, type Rgb8 } from '../color/index.ts';
import type { SourceColor } from '../palette/index.ts';
import { siteIndex, usesOfTokens } from '../reach/index.ts';
import type { Site } from '../site/index.ts';
import { resolvedSwatches, swatchPath } from '../style/index.ts';

/** Up to this ΔE OK what is built is what was drawn: below what two neighbouring colours need to be told apart. */
export const AS_DRAWN = 0.02;

/** One spot of a design pinned over a page: what was drawn there and what is built. */
export interface PinSpot {
  readonly x: number;
  readonly y: number;
  readonly drawn: Rgb8;
  readonly built: Rgb8;
}

/** Spots where one drawn colour meets one built colour. */
export interface SpotGroup {
  readonly drawn: string;
  readonly built: string;
  readonly deltaE: number;
  /** Share of all spots, 0 to 1. */
  readonly share: number;
  readonly spots: readonly PinSpot[];
}

/**
 * Spots gathered by what was drawn and what is built: drawn colours that nobody
 * can tell apart count as one. Those that differ come first, by ΔE OK times
 * their share.
 */
export function groupSpots(spots: readonly PinSpot[]): SpotGroup[] {
  const drawnColors: Rgb8[] = [];
  const groups = new Map<string, { drawn: Rgb8; built: Rgb8; spots: PinSpot[] }>();
  for (const spot of spots) {
    let drawn = drawnColors.find((color) => deltaERgb(color, spot.drawn) <= AS_DRAWN);
    if (!drawn) drawnColors.push((drawn = spot.drawn));
    const key = `${hex(drawn)} ${hex(spot.built)}`;
    const group = groups.get(key);
    if (group) group.spots.push(spot);
    else groups.set(key, { drawn, built: spot.built, spots: [spot] });
  }
  const rated = [...groups.values()].map(({ drawn, built, spots: own }): SpotGroup => ({
    drawn: hex(drawn),
    built: hex(built),
    deltaE: deltaERgb(drawn, built),
    share: own.length / spots.length,
    spots: own,
  }));
  const weight = (group: SpotGroup) => (group.deltaE > AS_DRAWN ? group.deltaE * group.share : 0);
  return rated.sort((group, other) => weight(other) - weight(group) || other.share - group.share);
}

/** A drawn colour that no swatch stands for, with the nearest one. */
export interface WithoutToken {
  readonly hex: string;
  readonly share: number;
  readonly nearest: string;
  readonly deltaE: number;
}
/** A swatch that paints places of the page and was not drawn. */
export interface NeverDrawn {
  readonly id: string;
  readonly label: string;
  readonly hex: string;
  readonly places: number;
}

/** Returns the colours of a design without a token, and the tokens of the page that the design does not show. */
export function drawnAndBuilt(
  site: Site,
  page: string,
  colors: readonly SourceColor[],
): { readonly withoutToken: WithoutToken[]; readonly neverDrawn: NeverDrawn[] } {
  const index = siteIndex(site);
  const swatches = resolvedSwatches(site.brand);
  const drawn = colors.map((color) => ({ ...color, rgb: parseColor(color.hex)!.rgb }));
  const withoutToken = drawn.flatMap(({ hex: color, rgb, share }): WithoutToken[] => {
    const [near] = swatches
      .map(({ swatch, rgb: other }) => ({ label: swatch.label, deltaE: deltaERgb(rgb, other) }))
      .sort((entry, other) => entry.deltaE - other.deltaE);
    return !near || near.deltaE > AS_DRAWN
      ? [{ hex: color, share, nearest: near?.label ?? '', deltaE: near?.deltaE ?? Infinity }]
      : [];
  });
  const neverDrawn = swatches.flatMap(({ swatch, rgb }): NeverDrawn[] => {
    if (drawn.some((entry) => deltaERgb(entry.rgb, rgb) <= AS_DRAWN)) return [];
    const places = index.placesOn(page, usesOfTokens(site, swatchPath(swatch)).groups).length;
    return places > 0 ? [{ id: swatch.id, label: swatch.label, hex: hex(rgb), places }] : [];
  });
  return {
    withoutToken: withoutToken.sort((token, other) => other.share - token.share),
    neverDrawn: neverDrawn.sort((entry, other) => other.places - entry.places),
  };
}
