export { PATIENCE, SiteApi, canRetry, failureWords, isSignedOut } from './site-api.ts';
export { UndoStore } from './undo-store.ts';
export { asideStore, pendingStore, windowId, type SetAside } from './pending-store.ts';
