import type { HungFrame } from '../paint/index.ts';

/** A page on the wall: its element and the scale it hangs at. */
type OnWall = Pick<HungFrame, 'element' | 'scale'>;
/** A point of a page, px of the page. */
interface PagePoint {
  readonly x: number;
  readonly y: number;
}

/**
 * Returns where something stands on the wall, px of the wall. Offsets would not say: a page in the overview is a frame
 * of reference of its own.
 */
export function onWall(row: HTMLElement, element: HTMLElement): { left: number; top: number; right: number } {
  const [wall, box] = [row.getBoundingClientRect(), element.getBoundingClientRect()];
  const left = box.left - wall.left + row.scrollLeft;
  return { left, top: box.top - wall.top + row.scrollTop, right: left + box.width };
}

/**
 * Keeps a point of a page where it is in the window while `act` changes the scale of the page.
 * Where the wall is too short to scroll that far it gets room at its end, until the next time.
 *
 * @param at the point, px of the page
 * @param then runs once the page hangs at its new scale
 */
export function holdStill(
  row: HTMLElement,
  { element, scale }: OnWall,
  at: PagePoint,
  act: () => void,
  then: () => void,
): void {
  const on = (): { x: number; y: number } => {
    const { left, top } = onWall(row, element);
    return { x: left + at.x * scale() - row.scrollLeft, y: top + at.y * scale() - row.scrollTop };
  };
  const was = on();
  row.style.paddingRight = row.style.paddingBottom = '';
  act();
  // The desk lays its new state down in a task of its own, which was asked for before this one.
  setTimeout(() => {
    const now = on();
    const [left, top] = [row.scrollLeft + now.x - was.x, row.scrollTop + now.y - was.y];
    const [lackX, lackY] = [left - (row.scrollWidth - row.clientWidth), top - (row.scrollHeight - row.clientHeight)];
    const { paddingRight, paddingBottom } = getComputedStyle(row);
    if (lackX > 0) row.style.paddingRight = `${parseFloat(paddingRight) + lackX + 1}px`;
    if (lackY > 0) row.style.paddingBottom = `${parseFloat(paddingBottom) + lackY + 1}px`;
    row.scrollTo({ left: Math.max(0, left), top: Math.max(0, top) });
    then();
  }, 0);
}

/** Returns the middle of that part of the page, or of one box on it, that is in sight, px of the page. */
export function middleInSight(row: HTMLElement, { element, scale }: OnWall, box: DOMRect | undefined): PagePoint {
  const middle = (offset: number, scroll: number, client: number, from: number, to: number): number => {
    const [start, end] = [(scroll - offset) / scale(), (scroll + client - offset) / scale()];
    const [low, high] = [Math.max(start, from), Math.min(end, to)];
    return low < high ? (low + high) / 2 : (start + end) / 2;
  };
  const { left, top } = onWall(row, element);
  return {
    x: middle(left, row.scrollLeft, row.clientWidth, box?.left ?? -Infinity, box?.right ?? Infinity),
    y: middle(top, row.scrollTop, row.clientHeight, box?.top ?? -Infinity, box?.bottom ?? Infinity),
  };
}

/** Returns true if the left edge of something on the wall, or most of it, is in sight. */
export function inSightAcross(row: HTMLElement, element: HTMLElement): boolean {
  const { left, right } = onWall(row, element);
  const shown = Math.min(right, row.scrollLeft + row.clientWidth) - Math.max(left, row.scrollLeft);
  return shown > Math.min(right - left, row.clientWidth) / 2;
}

/** Padding of the wall above its pages where no line about its state lies over them, px. */
const ABOVE = 4;

/** Returns the part of the wall that is in sight and not under the line about its state, in px of its content. */
export function viewOf(row: HTMLElement): { left: number; top: number; width: number; height: number } {
  const under = Math.max(0, (Number.parseFloat(getComputedStyle(row).paddingTop) || 0) - ABOVE);
  return {
    left: row.scrollLeft,
    top: row.scrollTop + under,
    width: row.clientWidth,
    height: row.clientHeight - under,
  };
}
