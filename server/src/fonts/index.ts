export { FontRefused } from './font-refused.ts';
export { FONT_LIMITS, type FontFormat } from './open-font.ts';
export { fontLooks } from './font-looks.ts';
export { readFontFile, type FontFile } from './read-font.ts';
export { takeFont, type TakenFont } from './take-font.ts';
export { openIsolated, type OpenedFont } from './open-isolated.ts';
