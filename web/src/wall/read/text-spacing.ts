import { pageTree, stressCss, type LayoutReading, type Site } from '@yohaku/core';
import { lostWords } from './lost-words.ts';

/** Styles that space text out as far as readers may (WCAG 2.2, 1.4.12). */
export const SPACED_OUT = stressCss(new Set(['spacing']));

/** The words that are lost in a page which is laid out with its text spaced out. */
export function readTextSpacing(document: Document, site: Site, page: string, width: number): readonly LayoutReading[] {
  const places = new Map(pageTree(site, page).places.map((place) => [place.id, place]));
  return lostWords(document, places)
    .filter(({ place }) => place.style !== null)
    .map(({ place, px }): LayoutReading => ({ page, place: place.id, width, rule: 'text-spacing', found: px }));
}
