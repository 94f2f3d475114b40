export { PATIENCE, SiteApi, canRetry, failureWords, isSignedOut, type LoadedSite, type Publication, type Publications, type CaughtUp, type ListedSession, type RemoteChange, type SendResult } from './site-api.ts';
export { UndoShelf } from './kept-undo.ts';
export { asideStore, pendingStore, windowId, type SetAside } from './kept.ts';
