export { SiteActions } from './site/site.actions.ts';
export { siteReducer } from './site/site.reducer.ts';
export { closedSite, type LastEdit, type SiteState, type UndoStep } from './site/site-state.ts';
export { siteFeature } from './site/site.selectors.ts';
export {
  DeskActions,
  SURROUNDS,
  SURROUND_LABELS,
  deskFeature,
  deskReducer,
  type DeskState,
  type PlaceRef,
  type Surround,
} from './desk/desk.ts';
export { keepDesk, rememberedDesk } from './desk/remembered-desk.ts';
export { STEPS, stepHint, stepLabel, stepNamed, stepOpens, type Step } from './desk/steps.ts';
export { NAME_ONLY, reachOfScope, type Scope, type ScopeReach } from './desk/scope.ts';
export { LitScope } from './desk/lit-scope.ts';
export { WaysOfSeeing } from './desk/ways-of-seeing.ts';
export { WallViews, type WallView } from './desk/wall-views.ts';
export { Reaching } from './desk/reaching.ts';
export {
  AuditActions,
  auditFeature,
  auditReducer,
  differingPlaces,
  type AuditReport,
  type AuditState,
  type Difference,
  type RippleReport,
  type Row,
} from './audit/audit.ts';
export {
  SourcesActions,
  sourcesFeature,
  sourcesReducer,
  rememberRanking,
  rememberedRanking,
  type SourcesState,
  type Pin,
  type RankingChoice,
} from './sources/sources.ts';
export { Pinned } from './sources/pinned.ts';
export { PASTED, Tray } from './sources/tray.ts';
export { PaintedAreas } from './painted-areas.ts';
export { EditRefused, Editor, freshId } from './editor.ts';
export { pasteProblem, pastedNodes, pastedText } from './pasted-nodes.ts';
export { sectionAt, type DropTarget } from './section-drop.ts';
export { CopiedSection } from './copied-section.ts';
export { DownloadShelf } from './download-shelf.ts';
export { pictureAddress, pictureWhole } from './picture-address.ts';
export { PictureShelf } from './picture-shelf.ts';
export { PixelsRead, type FoundBehind, type Spot, type TextOver } from './pixels-read.ts';
export { BroughtFonts } from './brought-fonts.ts';
export { handToken } from './desk/hand-token.ts';
export { MotionShown } from './motion-shown.ts';
export { PagesRead, type PageReading } from './pages-read.ts';
export { FrameShare } from './frame-share.ts';
export { remember, remembered } from '../ui/index.ts';
export { ROOM, Reading } from './reading.ts';
export { layoutInputs, sameInputs, type LayoutInputs } from './layout-inputs.ts';
export { layoutHashes } from './layout-hashes.ts';
export { MeasuredBefore } from './measured-before.ts';
