import type { Arrangement } from './arrangement.ts';

/** The first column as wide as two. */
export const firstWider: Arrangement = {
  id: 'first-wider',
  label: 'first column wider',
  columns: { min: 2, max: 2 },
  css: '@media (width >= 1024px) { .arranged-first-wider { grid-template-columns: minmax(0, 2fr) minmax(0, 1fr); } }\n',
};
