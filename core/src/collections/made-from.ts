import type { Page } from '../site/index.ts';

const made = new WeakMap<Page, Page>();

/**
 * Notes of which page of the site another was made for its publication: that of an item, one that a list goes on over.
 */
export function madeFrom<P extends Page>(page: P, from: Page): P {
  made.set(page, originOf(from));
  return page;
}

/** The page of the site that a page was made of; itself where it is one. */
export const originOf = (page: Page): Page => made.get(page) ?? page;
