export { RULES, shortfall, type Judgement, type RuleId, type Verdict } from './outcome.ts';
export {
  auditCounts,
  auditSite,
  failingCount,
  findings,
  judgeGroup,
  type Audit,
  type AuditCounts,
  type Finding,
} from './audit.ts';
export { compareAudits, placesAmong, worse, type AuditComparison, type Worse } from './worse.ts';
export { tally, type Tally } from './tally.ts';
export { TOLD_APART, apartPairs, type ApartPair } from './told-apart.ts';
export { aspectsOf, worstOf, type Aspect, type PairRule } from './need.ts';
export { contrastRules, judgeAspect } from './rules/contrast.ts';
export { groundBackdrop, roleJudge, type RoleJudgement } from './role-judgement.ts';
export { flattened, occurringPairs, pairsOn, pairsWith, ratioOn, type Pair, type PairLayer } from './pairs.ts';
export { passingSwatches } from './passing-swatches.ts';
export { fixBrand, type JointFix, type JointMove, type FixProgress } from './joint/fix-brand.ts';
export { type JointConflict } from './joint/causes.ts';
export { fixesFor } from './fix.ts';
export { fixOfPicture, offeredFixes, type Fix } from './offered-fixes.ts';
export { failingCauses, type FailingCause } from './failing-causes.ts';
export {
  FAILING_SHARE,
  FOCUS_POINTS,
  focusFix,
  lookBehind,
  type Behind,
  type FocusPoint,
  type OverPicture,
  NO_PIXELS,
  PixelsJson,
  readPixelsJson,
  writePixels,
  coloured,
  coverCrop,
  judgePixels,
  pictureFixes,
  picturedSection,
  pixelKey,
  pixelSets,
  veilOf,
  washUnder,
  type PictureFix,
  type PixelSet,
  type PixelSets,
  type PixelVerdict,
} from './pixels/index.ts';
export { outlineOf, type OutlineEntry } from './outline.ts';
export { LINE_LENGTH_CEILING } from './rules/line-length.ts';
export { NO_READINGS, type LayoutReading } from './rules/layout-reading.ts';
export { matchRawValues } from './match-raw-values.ts';
export { BUTTONS_APART, brandFaults, type BrandFault } from './brand-faults.ts';
