import type { Arrangement } from './arrangement.ts';

/** The last column as wide as two. */
export const lastWider: Arrangement = {
  id: 'last-wider',
  label: 'last column wider',
  columns: { min: 2, max: 2 },
  css: '@media (width >= 1024px) { .arranged-last-wider { grid-template-columns: minmax(0, 1fr) minmax(0, 2fr); } }\n',
};
