import { cellValue, colorOf, siteIndex } from '../../reach/index.ts';
import { bandOf } from '../../breakpoint/index.ts';
import type { Site, State } from '../../site/index.ts';
import { tokenTable } from '../../style/index.ts';
import type { Place } from '../../page/index.ts';
import { judgePixels, type PixelVerdict } from './judge-pixels.ts';
import { coloured, pixelKey, type PixelSets } from './pixel-set.ts';
import { veilOf, washUnder } from './veil.ts';

/** A text over a picture that is asked about: in which state, at which width, and what it needs. */
export interface OverPicture {
  readonly state: State;
  readonly width: number;
  readonly needed: number;
}

/** How much of what lies behind a text falls short, and where. */
export interface Behind {
  /** Share of the area below what is needed, 0 to 1. */
  readonly share: number;
  /** The ratio of the weakest pixel. */
  readonly weakest: number;
  /** The weakest spot as it is seen at the width that hangs, CSS px of the page; null where it passes there. */
  readonly spot: PixelVerdict['weakest'] | null;
}

/**
 * Returns the pixels behind one text over an image or a gradient.
 *
 * @param hung width at which its page is seen
 * @returns undefined where it stands on none, or its pixels have not been read
 */
export function lookBehind(
  site: Site,
  pixels: PixelSets,
  place: Place,
  { state, width, needed }: OverPicture,
  hung: number,
): Behind | undefined {
  const group = siteIndex(site).groupOf.get(place);
  const table = tokenTable(site.brand);
  const cell = group?.painting.at('color', state, bandOf(width));
  const color = cell && colorOf(cellValue(table, cell).css);
  if (!group?.overPicture || !color) return undefined;
  const [wash, veil] = [washUnder(table, group), veilOf(site, table, group)];
  const judge = (at: number): PixelVerdict | undefined => {
    const set = pixels.get(pixelKey(place.page, place.id, at, 'lines'));
    return set && judgePixels(coloured(set, wash), veil, color, needed);
  };
  const verdict = judge(width);
  // At a width that does not hang, the page of its band is shown only where it falls short as well.
  const there = judge(hung);
  return (
    verdict && {
      share: verdict.share,
      weakest: verdict.weakest.ratio,
      spot: there && (width === hung || there.found < needed) ? there.weakest : null,
    }
  );
}
