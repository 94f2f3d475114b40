export { clamp } from './clamp.ts';
export { round, cutDown, cutDownText } from './round.ts';
export { plural } from './plural.ts';
export { MinCut, UNCUTTABLE } from './min-cut.ts';
export { RANGES, inRange, type RangeName } from './ranges.ts';
