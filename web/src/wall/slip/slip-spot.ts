/** Width of a slip, px; its stylesheet has it as well. */
export const SLIP_WIDTH = 288;
/** Height of a slip at most, where the wall has room, px. */
const TALLEST = 420;
/** Space between a slip and what it is about, and between a slip and the edge of the wall, px. */
const GAP = 14;
const EDGE = 8;

/** The part of the wall that is in sight, px of the wall. */
export interface View {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}
/** A box on the wall, px of the wall. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}
/** A point on the wall, px of the wall. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/**
 * Where a slip hangs, px of the wall. `room` is its height at most; `fromX` and `fromY` are the start of the line that
 * ties it to its place, or null without a line.
 */
export interface SlipSpot extends Point {
  readonly room: number;
  readonly fromX: number | null;
  readonly fromY: number;
}

/**
 * Returns where a slip hangs, so that all of it is in sight and the wall does not have to move:
 * beside the page, else beside the place, else at the edge of the wall that is farther from the pointer.
 *
 * @param view part of the wall in sight
 * @param pageRight right edge of the page and its phone width
 * @param place box of the place
 * @param pointer where the user pressed; the slip never covers it
 */
export function slipSpot(view: View, pageRight: number, place: Box, pointer: Point): SlipSpot {
  const room = Math.min(TALLEST, view.height - 2 * EDGE);
  const right = view.left + view.width;
  const middle = Math.max(place.top, Math.min(place.bottom, (place.top + place.bottom) / 2));
  const y = Math.max(view.top + EDGE, Math.min(middle - 60, view.top + view.height - room - EDGE));
  const last = right - SLIP_WIDTH - EDGE;
  const spot = (x: number, fromX: number | null): SlipSpot => ({ x, y, room, fromX, fromY: middle });
  const inSight = (x: number): boolean => x >= view.left + EDGE && x <= last;
  if (inSight(pageRight + GAP)) return spot(pageRight + GAP, pageRight);
  if (inSight(place.right + GAP)) return spot(place.right + GAP, place.right);
  if (inSight(place.left - GAP - SLIP_WIDTH)) return spot(place.left - GAP - SLIP_WIDTH, null);
  return spot(pointer.x < view.left + view.width / 2 ? last : view.left + EDGE, null);
}
