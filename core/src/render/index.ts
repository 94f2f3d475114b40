export { answerHtml, missingHtml } from './answer-html.ts';
export { bodyHtml, bodyParts, pageHtml, partHtml, itemRedirectHtml, redirectHtml, webManifest } from './page-html.ts';
export { sectionHtml, siteCss } from './section-html.ts';
export { MOVING } from './layout-css.ts';
export { SHARING, sharingCard, sharingFile, type SharingCard } from './sharing.ts';
export { DELIVERED_WIDTHS, deliveredFile, deliveredWidths, withoutFiles } from './delivered.ts';
export { stylesCss } from './styles-css.ts';
export { overrideCss, overridesCss } from './overrides-css.ts';
export { facesInUse, fallbackCss, familiesInUse, fontsCss, siteFontsCss } from './fonts-css.ts';
