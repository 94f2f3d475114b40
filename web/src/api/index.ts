export { PATIENCE, SiteApi, canRetry, failureWords, isSignedOut, type LoadedSite, type Publication, type Publications, type RemoteChange, type SendResult } from './site-api.ts';
export { pendingStore, windowId } from './kept.ts';
