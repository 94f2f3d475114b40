export { flatColors, recolor, type FlatColor } from './flat-colors.ts';
