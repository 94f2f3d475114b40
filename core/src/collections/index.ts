export { doubledAddress, takenSlugs } from './addresses.ts';
export { originOf } from './made-from.ts';
export { listPageFile, listPages, listPageOf, numberOf, pagesOfList, siteOfListPage } from './list-pages.ts';
export { richPlain, richRuns } from './rich.ts';
export {
  comparing,
  groupsOfList,
  itemFile,
  itemFileOf,
  itemName,
  itemsOf,
  listedItems,
  namingField,
  type Query,
} from './listed.ts';
export {
  collectionOfPage,
  filledPage,
  firstItem,
  formerItemFiles,
  itemPageOf,
  itemPages,
  itemShape,
  linkedItem,
  shownPage,
  siteOfItem,
} from './filled.ts';
export { feedFile, feedOf } from './feed.ts';
