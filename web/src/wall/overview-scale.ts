/** A page at desktop width with its phone beside it, and the gap to the next, px at full size and on the wall. */
const PAIR = 1280 + 390;
const BETWEEN = 44;
/** The scale of an overview of many pages at a window of this width; in a wider one they hang larger. */
const LEAST = 0.14;
const FOR = 1280;
/** At most so large: the first screen of a page can be seen whole. */
const MOST = 0.34;

/**
 * The scale at which all pages hang: as large as fits beside each other, for a few;
 * many hang at one scale, and the wall scrolls.
 *
 * @param pages how many there are
 * @param room width of the window, px
 */
export function overviewScale(pages: number, room: number): number {
  const least = LEAST * Math.max(1, room / FOR);
  if (pages === 0) return least;
  const fits = (room - 40 - pages * BETWEEN) / (pages * PAIR);
  return Math.round(Math.max(least, Math.min(MOST * Math.max(1, room / FOR), fits)) * 100) / 100;
}
