export { Address, Change, Op } from './change.ts';
export { jsonEqual, valueAt, withValue } from './json.ts';
export { ChangeRefused } from './refused.ts';
export { applyChange, type Applied } from './apply.ts';
export { planUndo, type UndoPlan } from './undo.ts';
export { checkTouched } from './check.ts';
export { touchedDocuments, type Touched } from './touched.ts';
export * from './intents/index.ts';
