export { placesChosenAnew } from './chosen-anew.ts';
export { siteDifference, type SiteDifference } from './site-difference.ts';
