export { makePainting, type Cell, type Painting } from './painting.ts';
export { placeKey, siteIndex, type Group, type SiteIndex } from './site-index.ts';
export { cellValue, colorOf, lengthOf, tokenValue, type CellValue } from './value.ts';
export { fontSizeAt, paintedText, pixelsAt } from './painted.ts';
export { behindOf, fillOf, type Backdrop } from './backdrop.ts';
export { groupsOf, placesOf, reachRows, tokensFollowing, tokensThrough, type ReachRow } from './reach.ts';
export { groupStanding, overrideStanding, setValues, type SetValue, type Standing } from './standing.ts';
export { changedTokens, touchedGroups } from './changed.ts';
export { NO_RIPPLE, ripple, type HeldPlace, type Ripple } from './ripple.ts';
