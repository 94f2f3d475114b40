export { SiteActions } from './site/site.actions.ts';
export { closedSite, siteReducer, type LastEdit, type SiteState, type UndoStep } from './site/site.reducer.ts';
export { siteFeature } from './site/site.selectors.ts';
export { DeskActions, STEPS, STEP_LABELS, SURROUNDS, deskFeature, deskReducer, keepDesk, type DeskState, type PlaceRef, type Step, type Surround } from './desk/desk.ts';
export { NAME_ONLY, reachOfScope, type Scope, type ScopeReach } from './desk/scope.ts';
export { Reaching } from './desk/reaching.ts';
export { AuditActions, auditFeature, auditReducer, type AuditReport, type AuditState, type RippleReport, type Row } from './audit/audit.ts';
export { PaintedAreas } from './painted-areas.ts';
export { Editor, freshId } from './editor.ts';
