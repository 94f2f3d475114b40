export { extractPalette, type PaletteColor, type PictureRole, type Pixels } from './extract.ts';
export {
  deriveColor,
  mapRule,
  ruleBetween,
  ruleOther,
  ruleSources,
  ruleWords,
  type ContrastRule,
  type DeriveRule,
  type MixRule,
  type OverRule,
  type ShiftRule,
} from './derive.ts';
export { replacementOf, standIn } from './replacement.ts';
export { proposeName, proposeNames, uniqueName, uniquePath } from './name.ts';
export { sampleColor } from './sample.ts';
export { plateOf } from './plate.ts';
export {
  ALIKE,
  SIFT_WEIGHTS,
  costCurve,
  drops,
  bestTradeOff,
  mergeAlike,
  ranking,
  type Drop,
  type RankedColor,
  type RankingPart,
  type Ranking,
} from './ranking.ts';
export {
  SOURCE_LIMITS,
  roleAlone,
  type Source,
  type SourceColor,
  type SourceKind,
  type SourceLine,
  type SourceSpot,
} from './source.ts';
