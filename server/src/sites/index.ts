export { CHANGES_CHANNEL } from './channel.ts';
export { keepMeasured, loadMeasured } from './measured.ts';
export { hasSite, listSites, loadSite, sequenceOf, type StoredSite } from './load.ts';
export { insertSite, rawSite } from './rows.ts';
export {
  changesAfter,
  inversesOf,
  saveChange,
  saveChanges,
  type SaveResult,
  type Saved,
  type StoredChange,
} from './save.ts';
export { SITE_FILES, bringFiles, bringIn } from './bring-in.ts';
export { archiveSite, copySite, moveSite, movedTo, removeSite, shelvedSites, standingOf } from './shelf.ts';
export { SiteRefused } from './site-refused.ts';
export { SiteUnreadable } from './unreadable.ts';
