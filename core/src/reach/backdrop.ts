import { composite, type Rgb8 } from '../color/index.ts';
import type { State } from '../site/index.ts';
import type { BandId } from '../breakpoint/index.ts';
import type { TokenTable } from '../style/index.ts';
import type { Group } from './group.ts';
import { cellValue, colorOf } from './value.ts';

const CANVAS: Rgb8 = { r: 255, g: 255, b: 255, alpha: 1 };

/** A flat opaque colour, or the fact that a picture shows through. */
export type Backdrop = Rgb8 | 'picture';

/** Returns the visible colour of a group's fill: its background composited over all layers below. */
export function fillOf(table: TokenTable, group: Group, state: State, band: BandId): Backdrop {
  const cell = group.painting.at('background-color', state, band);
  const own = cell ? colorOf(cellValue(table, cell).css) : undefined;
  if (own && own.alpha >= 1) return own;
  const behind = behindOf(table, group, band);
  if (behind === 'picture' || !own) return behind;
  return composite(own, behind);
}

/** Returns the colour behind a group: the surface below, with all translucent layers composited. */
export function behindOf(table: TokenTable, group: Group, band: BandId): Backdrop {
  if (group.overPicture) return 'picture';
  return group.under ? fillOf(table, group.under, 'rest', band) : CANVAS;
}
