export { RULES, type Judgement, type RuleId, type Verdict } from './outcome.ts';
export { auditCounts, auditSite, failingPlaces, findings, judgeGroup, type Audit, type AuditCounts, type Finding } from './audit.ts';
export { placesAmong, worse, type Worse } from './worse.ts';
export { tally, type Tally } from './tally.ts';
export { textContrast, partContrast, focusContrast } from './rules/contrast.ts';
export { TOLD_APART, apartPairs, type ApartPair } from './apart.ts';
export { flattened, occurringPairs, pairsWith, ratioOn, type Pair, type PairLayer, type PairRule } from './pairs.ts';
export { mendBrand, type JointConflict, type JointMend, type JointMove } from './joint/mend-brand.ts';
export { mendFor, type Mend } from './mend.ts';
