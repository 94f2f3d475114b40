import type { Place } from '@yohaku/core';

/** Words that cannot be read where they stand: they stand out at the side of the page, or are cut off. */
export interface LostWords {
  readonly place: Place;
  readonly how: 'out' | 'cut';
  readonly px: number;
  readonly element: Element;
}

/** Where the words of an element end at the right, be it beyond its own edge. */
function wordsRight(document: Document, element: Element): number {
  const range = document.createRange();
  range.selectNodeContents(element);
  return range.getBoundingClientRect().right;
}

/**
 * The places of a page, as it is laid out, of which something is lost at the
 * side. Of those that stand out the innermost ones. Tables scroll within their own frame.
 */
export function lostWords(document: Document, places: ReadonlyMap<string, Place>): LostWords[] {
  const found: LostWords[] = [];
  const edge = document.documentElement.clientWidth;
  for (const element of document.querySelectorAll('[data-place]')) {
    const place = places.get(element.getAttribute('data-place')!);
    if (!place || element.closest('.table-wrap')) continue;
    const right = Math.max(element.getBoundingClientRect().right, place.style ? wordsRight(document, element) : 0);
    if (right > edge + 1) found.push({ place, how: 'out', px: Math.round(right - edge), element });
    else if (
      place.style &&
      element.scrollWidth > element.clientWidth + 1 &&
      document.defaultView!.getComputedStyle(element).overflowX === 'hidden'
    )
      found.push({ place, how: 'cut', px: element.scrollWidth - element.clientWidth, element });
  }
  return found.filter(
    (entry) =>
      entry.how === 'cut' ||
      !found.some((other) => other !== entry && other.how === 'out' && entry.element.contains(other.element)),
  );
}
