export { CHANGES_CHANNEL, changesAfter, insertSite, inversesOf, listSites, loadSite, saveChange, type Saved, type StoredChange, type StoredSite } from './repository.ts';
