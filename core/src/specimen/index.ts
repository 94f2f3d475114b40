export {
  SPECIMEN_CSS,
  specimenBody,
  specimenBodyHtml,
  specimenHtml,
  specimenParts,
  specimenPartsHtml,
} from './specimen.ts';
export { leftOut, type LeftOut } from './left-out.ts';
export type { SpecimenPart } from './frame.ts';
