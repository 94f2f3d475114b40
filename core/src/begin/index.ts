export { freshSiteId, newSite, type Beginning } from './new-site.ts';
export { LANGUAGES } from './languages.ts';
