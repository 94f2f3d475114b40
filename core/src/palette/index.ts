export { extractPalette, type PaletteColor, type PictureRole, type Pixels } from './extract.ts';
export { deriveColor, ruleBetween, type DeriveRule } from './derive.ts';
export { proposeName, uniqueName, uniquePath } from './name.ts';
