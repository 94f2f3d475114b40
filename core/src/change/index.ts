export { Address, Change, Op } from './change.ts';
export { inKeyOrder, jsonEqual, valueAt, withValue } from './json.ts';
export { ChangeRefused } from './refused.ts';
export { applyChange, opsOf, type Applicable, type Applied } from './apply.ts';
export { planUndo, type UndoPlan } from './undo.ts';
export { checkTouched, settleTouched, type Settled } from './check.ts';
export { acceptChange, bytesOf, fitChange, readChange, type Accepted, type ReadChange } from './accept.ts';
export { touchedDocuments, type Touched } from './touched.ts';
export * from './intents/index.ts';
