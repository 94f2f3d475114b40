export { freshSiteId, newSite, type Beginning } from './new-site.ts';
