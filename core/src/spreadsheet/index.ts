export { namingColumn, readSheet, writeSheet, type Sheet, type SheetRow } from './csv.ts';
export { messagesSheet } from './messages-sheet.ts';
export { planSheet, type SheetPlan } from './plan-sheet.ts';
