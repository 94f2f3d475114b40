import { pageTree, type Place, type Site } from '@yohaku/core';
import { readLayout, type LayoutSnapshot } from './compare.ts';
import { lostWords } from './lost-words.ts';

/** Something that does not hold under hostile copy: where, and what is to blame. */
export interface Break {
  readonly page: string;
  readonly width: number;
  readonly place: string;
  readonly label: string;
  /** `sticks out by 34 px`. */
  readonly words: string;
  /** Label of the text style whose size has to do with it; empty where none has. */
  readonly style: string;
}

/** The first word that stands on two lines because it is too long for one; undefined when there is none. */
function tornWord(document: Document, element: Element): string | undefined {
  const texts = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
  for (let node = texts.nextNode(); node; node = texts.nextNode())
    for (const word of (node.nodeValue ?? '').matchAll(/[\p{L}\p{N}’']+/gu)) {
      const range = document.createRange();
      range.setStart(node, word.index);
      range.setEnd(node, word.index + word[0].length);
      if (new Set([...range.getClientRects()].map((rect) => Math.round(rect.top))).size > 1) return word[0];
    }
  return undefined;
}

/** How many places a page names of those that stand out at its side: the innermost ones, widest first. */
const MOST = 4;

/**
 * Returns the problems of a document's layout: places that stick out at the side of the
 * page, text that is cut off or broken within a word, labels of buttons and menus on more
 * lines than with the site's own text.
 *
 * @param before lines with the site's own copy
 */
export function readBreaks(
  document: Document,
  site: Site,
  page: string,
  width: number,
  before?: LayoutSnapshot,
): Break[] {
  const found: Break[] = [];
  const places = new Map(pageTree(site, page).places.map((place) => [place.id, place]));
  const add = (place: Place, words: string) =>
    found.push({
      page,
      width,
      place: place.id,
      label: place.label,
      words,
      style: place.style ? (site.brand.styles[place.style]?.label ?? '') : '',
    });
  for (const element of document.querySelectorAll('[data-place]')) {
    const place = places.get(element.getAttribute('data-place')!);
    const torn =
      place &&
      !element.closest('.table-wrap') &&
      (place.level !== null || place.kind === 'button' || place.kind === 'menu')
        ? tornWord(document, element)
        : undefined;
    if (torn) add(place!, `breaks “${torn}” in two`);
  }
  const lost = lostWords(document, places);
  for (const { place, px } of lost.filter((words) => words.how === 'cut')) add(place, `cut off by ${px} px`);
  for (const { place, px } of lost
    .filter((words) => words.how === 'out')
    .sort((words, other) => other.px - words.px)
    .slice(0, MOST))
    add(place, `sticks out by ${px} px`);
  const { lines } = readLayout(document, site, page);
  for (const [id, count] of lines) {
    const place =
      places.get(id) ??
      (id === 'header/surface' ? [...places.values()].find((entry) => entry.kind === 'menu') : undefined);
    const was = before?.lines.get(id) ?? 1;
    if (!place || count <= was) continue;
    if (id === 'header/surface') add(place, `the menu takes ${count} rows, ${was} with its own text`);
    else if (place.kind === 'button') add(place, `takes ${count} lines, ${was} with its own text`);
  }
  return found;
}
