export { PATIENCE, SiteApi, canRetry, failureWords, isSignedOut } from './site-api.ts';
export { UndoShelf } from './kept-undo.ts';
export { asideStore, pendingStore, windowId, type SetAside } from './kept.ts';
