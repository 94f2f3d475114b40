import { pageTree, stressCss, type LayoutReading, type Site } from '@yohaku/core';
import { layoutGround, sameGround, type LayoutGround } from './layout-ground.ts';
import { lostWords } from './lost-words.ts';

const known = new WeakMap<Document, { readonly ground: LayoutGround; readonly width: number; readonly readings: readonly LayoutReading[] }>();

/**
 * The words that are lost when the text of a page is spaced out as far as
 * readers may (WCAG 2.2, 1.4.12). The page is laid out so and back again before
 * the browser paints; where nothing has changed that it is laid out by, what was
 * found last holds.
 */
export function readTextSpacing(document: Document, site: Site, page: string, width: number): readonly LayoutReading[] {
  const ground = layoutGround(site, page);
  const last = known.get(document);
  if (last?.width === width && sameGround(last.ground, ground)) return last.readings;
  const spaced = document.createElement('style');
  spaced.textContent = stressCss(new Set(['spacing']));
  document.head.append(spaced);
  const places = new Map(pageTree(site, page).places.map((place) => [place.id, place]));
  const lost = lostWords(document, places);
  spaced.remove();
  const readings = lost.filter(({ place }) => place.style !== null).map(({ place, px }): LayoutReading => ({ page, place: place.id, width, rule: 'text-spacing', found: px }));
  known.set(document, { ground, width, readings });
  return readings;
}
