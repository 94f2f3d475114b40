export { extractPalette, type PaletteColor, type PictureRole, type Pixels } from './extract.ts';
export { deriveColor, mapRule, ruleBetween, ruleOther, ruleSources, ruleWords, type ContrastRule, type DeriveRule, type MixRule, type OverRule, type ShiftRule } from './derive.ts';
export { heirOf, standIn } from './heir.ts';
export { proposeName, proposeNames, uniqueName, uniquePath } from './name.ts';
export { sampleColor } from './sample.ts';
export { plateOf } from './plate.ts';
export { ALIKE, SIFT_WEIGHTS, costCurve, drops, knee, mergeAlike, sift, type Drop, type SiftColor, type SiftPart, type Sifted } from './sift.ts';
export { EVIDENCE_LIMITS, roleAlone, type Evidence, type EvidenceColor, type EvidenceKind, type EvidenceLine, type EvidenceSpot } from './evidence.ts';
