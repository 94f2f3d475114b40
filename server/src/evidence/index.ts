export { addEvidence, evidenceByHash, evidenceFile, listEvidence, putAway } from './repository.ts';
export { readEvidence, PASTED, type ReadEvidence } from './read.ts';
export { EVIDENCE_FILES, EvidenceRefused } from './limits.ts';
