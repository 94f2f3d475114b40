export { averageWidth, widthOf, type FontMetrics } from './metrics.ts';
export {
  FAMILY_KINDS,
  FAMILY_SHAPES,
  type Family,
  type FamilyKind,
  type FamilyShape,
  type LibraryFamily,
  type OwnFace,
  type OwnFamilies,
  type OwnFamily,
} from './family.ts';
export { familyById, stylesOf } from './families.ts';
export { PAIRINGS, type Pairing } from './pairings.ts';
export { LIBRARY, READY_METRICS } from './library.ts';
export { facesFor, facesOf, type FontFace, type WantedFace } from './faces.ts';
export { fallbackFaces, familyStack, readyFor, twinFileNames, type FallbackFace, type ReadyMatch } from './fallback.ts';
export {
  fluidAt,
  fluidCss,
  fluidSize,
  scaleStep,
  stepSize,
  type FluidSize,
  type ScaleEnd,
  type SizeScale,
} from './scale.ts';
export { LEAST_STEP, unclearSteps, type UnclearStep, type HeadingStep } from './heading-steps.ts';
