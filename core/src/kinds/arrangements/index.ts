import type { Arrangement } from './arrangement.ts';
import { even } from './even.ts';
import { firstWider } from './first-wider.ts';
import { lastFirst } from './last-first.ts';
import { lastWider } from './last-wider.ts';
import { narrow } from './narrow.ts';
import { wholeWidth } from './whole-width.ts';

export { arrangedClass, type Arrangement } from './arrangement.ts';

/** Every arrangement there is; a section that names none has the first. */
export const ARRANGEMENTS: readonly Arrangement[] = [even, firstWider, lastWider, lastFirst, narrow, wholeWidth];

/** The arrangement of a section. */
export const arrangementOf = (section: { readonly arrangement?: string | undefined }): Arrangement =>
  ARRANGEMENTS.find(({ id }) => id === section.arrangement) ?? even;
