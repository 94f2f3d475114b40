export type { Break } from './breaks.ts';
export { Calm } from './calm.ts';
export { heightOf } from './height-of.ts';
export { lostWords } from './lost-words.ts';
export { PageReadings, READ_WIDTHS } from './page-readings.ts';
export { Found } from './read-findings.ts';
export { focusOf } from './read-pixels.ts';
