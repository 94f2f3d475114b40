import { pageTree, type LayoutReading, type Site } from '@yohaku/core';

/** A line of text that is shorter than this many px apart from another one's foot is the same line. */
const SAME_LINE = 4;

/**
 * The longest line of every running text that takes more than one line, in
 * characters: its share of the width of all its lines, of all its characters.
 */
export function readLineLengths(document: Document, site: Site, page: string, width: number): LayoutReading[] {
  return pageTree(site, page).places.flatMap((place): LayoutReading[] => {
    if (place.kind !== 'text' || !place.style || site.brand.styles[place.style]?.use !== 'running') return [];
    const element = document.querySelector(`[data-place="${place.id}"]`);
    if (!element) return [];
    const range = document.createRange();
    range.selectNodeContents(element);
    const lines = new Map<number, number>();
    for (const rect of range.getClientRects()) {
      const foot = Math.round(rect.bottom / SAME_LINE);
      lines.set(foot, (lines.get(foot) ?? 0) + rect.width);
    }
    if (lines.size < 2) return [];
    const sum = [...lines.values()].reduce((total, line) => total + line, 0);
    return [
      {
        page,
        place: place.id,
        width,
        rule: 'line-length',
        found: Math.round(((element.textContent ?? '').trim().length * Math.max(...lines.values())) / sum),
      },
    ];
  });
}
