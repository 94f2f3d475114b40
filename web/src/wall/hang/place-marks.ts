/** Paths of the marks around places, as values of the attribute `d`: a line, and a light line around it. */
export interface MarkPaths {
  readonly line: string;
  readonly halo: string;
}

/**
 * Returns the marks around places of a page, cut off at the edges of the paper.
 *
 * @param places ids of the places
 * @param at the corner of the page that is shown, in px of the page; the scale; the size of the paper, px of the screen
 * @returns two paths, as a colour can be on a hundred places of a page; null if none of the places is in sight
 */
export function markPaths(
  document: Document,
  places: readonly string[],
  { x, y, scale, width, height }: { x: number; y: number; scale: number; width: number; height: number },
): MarkPaths | null {
  const [line, halo]: [string[], string[]] = [[], []];
  for (const id of places) {
    const rect = document.querySelector(`[data-place="${id}"]`)?.getBoundingClientRect();
    if (!rect) continue;
    // Within the paper, which cuts off what lies outside it.
    const [left, top] = [Math.max(1, (rect.left - x) * scale - 2), Math.max(1, (rect.top - y) * scale - 2)];
    const [right, bottom] = [
      Math.min(width - 1, (rect.right - x) * scale + 2),
      Math.min(height - 1, (rect.bottom - y) * scale + 2),
    ];
    if (right <= left || bottom <= top) continue;
    line.push(framed(left, top, right, bottom));
    halo.push(framed(left - 1, top - 1, right + 1, bottom + 1));
  }
  return line.length > 0 ? { line: line.join(''), halo: halo.join('') } : null;
}

/** The outline of a box as a path, along whole pixels. */
function framed(left: number, top: number, right: number, bottom: number): string {
  const [x, y] = [Math.round(left), Math.round(top)];
  return `M${x + 0.5} ${y + 0.5}h${Math.max(1, Math.round(right) - x - 1)}v${Math.max(1, Math.round(bottom) - y - 1)}H${x + 0.5}Z`;
}
