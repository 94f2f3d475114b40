export { FAMILIES, facesOf, familyById, familyStack, type Family, type FontFace } from './families.ts';
export { fluidAt, fluidCss, fluidSize, scaleStep, stepSize, type FluidSize, type ScaleEnd, type TypeScale } from './scale.ts';
export { LADDER_STEP, ladderFindings, type LadderFinding, type LadderRung } from './ladder.ts';
