import * as v from 'valibot';
import { choiceOf } from './meaning.ts';

const LEVELS = [1, 2, 3, 4, 5, 6] as const;

/** Level of a heading; null for a paragraph. A level is no look: the style is. */
export const levelChoice = v.nullable(
  choiceOf(
    v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(6)),
    'Read out as',
    LEVELS.map((level) => ({ value: level, label: `level ${level}` })),
    { looks: false, offered: true, none: 'paragraph' },
  ),
);
