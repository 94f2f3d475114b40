import type { Arrangement } from './arrangement.ts';

/** One column over the whole width of the page. */
export const wholeWidth: Arrangement = {
  id: 'whole-width',
  label: 'over the whole width',
  columns: { min: 1, max: 1 },
  css: '.arranged-whole-width { max-width: none; }\n',
};
