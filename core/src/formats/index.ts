export { EXTENSION, writeDtcg } from './dtcg-write.ts';
export { readDtcg, type ReadBrand } from './dtcg-read.ts';
export { readIncoming, LARGEST_TOKENS } from './read-incoming.ts';
export { type Incoming, type IncomingColor, type LeftToken } from './incoming.ts';
export { type IncomingPart } from './dtcg-parts.ts';
export { MOST_KEPT, keptSize } from './kept.ts';
export { writeTokensCss } from './tokens-css-write.ts';
export { tableFromCss } from './tokens-css-read.ts';
export { swatchFigures, swatchSheetSvg, swatchesCsv, swatchesJson, type SwatchFigures } from './swatch-files.ts';
