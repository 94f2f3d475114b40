export { EXTENSION, writeDtcg } from './dtcg-write.ts';
export { readDtcg, type ReadBrand } from './dtcg-read.ts';
export { readTokensCss, tableFromCss } from './tokens-css-read.ts';
