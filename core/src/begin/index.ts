export { newSite, type Beginning } from './new-site.ts';
