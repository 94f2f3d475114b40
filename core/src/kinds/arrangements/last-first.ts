import type { Arrangement } from './arrangement.ts';

/** Two even columns; on a phone and a tablet the last one comes first: a picture above the words it stands beside. */
export const lastFirst: Arrangement = {
  id: 'last-first',
  label: 'last column first on a phone',
  columns: { min: 2, max: 2 },
  css: `@media (width < 1024px) { .arranged-last-first > .col:last-child { order: -1; } }
@media (width >= 1024px) { .arranged-last-first { grid-template-columns: repeat(2, minmax(0, 1fr)); } }
`,
};
