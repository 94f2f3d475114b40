export { freshSiteId, newSite, type Beginning, type GivenColor } from './new-site.ts';
export { LANGUAGES } from './languages.ts';
