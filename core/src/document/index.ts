export { doublePlaces, looseOverrides, type LooseOverride } from './loose.ts';
export { doubleIssue, looseIssue, readSite, readStored, type StoredRead } from './read-site.ts';
