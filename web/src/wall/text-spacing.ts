import { pageTree, stressCss, type LayoutReading, type Site } from '@yohaku/core';
import { lostWords } from './lost-words.ts';

/** What the layout of a document hangs on; a colour is not among it. */
type Ground = readonly unknown[];

const known = new WeakMap<Document, { readonly ground: Ground; readonly readings: readonly LayoutReading[] }>();

/**
 * The words that are lost when the text of a page is spaced out as far as
 * readers may (WCAG 2.2, 1.4.12). The page is laid out so and back again before
 * the browser paints; where nothing has changed that it is laid out by, what was
 * found last holds.
 */
export function readTextSpacing(document: Document, site: Site, page: string, width: number): readonly LayoutReading[] {
  const { styles, scale, spaces, sizes, families, fonts, buttonStyle, edges } = site.brand;
  const ground: Ground = [styles, scale, spaces, sizes, families, fonts, buttonStyle, edges, site.pages[page], site.shared, site.assets];
  const last = known.get(document);
  if (last?.ground.every((one, i) => one === ground[i])) return last.readings;
  const spaced = document.createElement('style');
  spaced.textContent = stressCss(new Set(['spacing']));
  document.head.append(spaced);
  const places = new Map(pageTree(site, page).places.map((place) => [place.id, place]));
  const lost = lostWords(document, places);
  spaced.remove();
  const readings = lost.filter(({ place }) => place.style !== null).map(({ place, px }): LayoutReading => ({ page, place: place.id, width, rule: 'text-spacing', found: px }));
  known.set(document, { ground, readings });
  return readings;
}
