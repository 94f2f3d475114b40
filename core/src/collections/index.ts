export { comparing, itemFile, itemName, itemsOf, listedItems, namingField, type Query } from './listed.ts';
export { collectionOfPage, filledPage, itemPages, shownPage, siteOfItem } from './filled.ts';
export { feedFile, feedOf } from './feed.ts';
export { namingColumn, readSheet, writeSheet, type Sheet, type SheetRow } from './csv.ts';
