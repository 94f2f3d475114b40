/** A page at desktop width with its phone beside it, and the gap to the next, px at full size and on the wall. */
const PAIR = 1280 + 390;
const BETWEEN = 44;
/** The scale of an overview of many pages at a window of this width; in a wider one they hang larger. */
const LEAST = 0.14;
const FOR = 1280;
/** At most so large: the first screen of a page can be seen whole. */
const MOST = 0.34;

/** The scale at which two or three pages can be judged in such a window. */
const JUDGED = 0.27;

/**
 * Returns the scale of the pages on the wall: as large as fits beside each other, for a few. Many are shown at one
 * scale, and the wall scrolls: large enough to judge two or three, or (`fits`) small enough to see most of them.
 *
 * @param pages how many there are
 * @param room width of the window, px
 * @param fits true if all pages shall be in sight, as far as they can be told apart
 */
export function overviewScale(pages: number, room: number, fits: boolean): number {
  const least = (fits ? LEAST : JUDGED) * Math.max(1, room / FOR);
  if (pages === 0) return least;
  const fitting = (room - 40 - pages * BETWEEN) / (pages * PAIR);
  return Math.round(Math.max(least, Math.min(MOST * Math.max(1, room / FOR), fitting)) * 100) / 100;
}
