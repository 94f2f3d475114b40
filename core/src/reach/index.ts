export { makePainting, type Cell, type Painting } from './painting.ts';
export { looseLook } from './loose-look.ts';
export { placesIn, type Group, type SiteIndex } from './group.ts';
export { siteIndex } from './site-index.ts';
export { placeKey } from './place-key.ts';
export { cellValue, colorOf, lengthOf, tokenValue, type CellValue } from './value.ts';
export { fontSizeAt, heightAt, paintedText, pixelsAt } from './painted.ts';
export { behindOf, fillOf, type Backdrop } from './backdrop.ts';
export {
  groupsOf,
  placeCount,
  placesOf,
  reachRows,
  tokensFollowing,
  tokensMoving,
  tokensThrough,
  usesOfTokens,
  type ReachRow,
  type TokenUses,
} from './reach.ts';
export { groupStanding, overrideStanding, setValues, type SetValue, type Standing } from './standing.ts';
export { changedTokens, touchedGroups } from './changed.ts';
export { NO_RIPPLE, ripple, type HeldPlace, type Ripple } from './ripple.ts';
export { nearestToken, type NearestToken } from './nearest.ts';
