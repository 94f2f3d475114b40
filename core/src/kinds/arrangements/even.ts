import type { Arrangement } from './arrangement.ts';

/** Columns of one width, beside each other where there is room. */
export const even: Arrangement = {
  id: 'even',
  label: 'even columns',
  columns: { min: 1, max: 4 },
  css: `@media (width >= 1024px) {
.arranged-even.cols-2 { grid-template-columns: repeat(2, minmax(0, 1fr)); }
.arranged-even.cols-3 { grid-template-columns: repeat(3, minmax(0, 1fr)); }
.arranged-even.cols-4 { grid-template-columns: repeat(4, minmax(0, 1fr)); }
}
`,
};
