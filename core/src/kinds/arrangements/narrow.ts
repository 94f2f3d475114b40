import type { Arrangement } from './arrangement.ts';

/** One column as wide as a page of a book, in the middle. */
export const narrow: Arrangement = {
  id: 'narrow',
  label: 'one narrow column',
  columns: { min: 1, max: 1 },
  css: '.arranged-narrow { max-width: 680px; }\n',
};
