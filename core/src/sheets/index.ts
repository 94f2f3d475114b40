export { namingColumn, readSheet, writeSheet, type Sheet, type SheetRow } from './csv.ts';
export { lettersSheet } from './letters-sheet.ts';
export { planSheet, type SheetPlan } from './plan-sheet.ts';
