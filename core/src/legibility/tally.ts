import { fileCount } from '../page/index.ts';
import { groupStanding } from '../reach/index.ts';
import { failingCount, type Audit } from './audit.ts';

/** The one line of truth: all places once by standing; failing is counted apart. */
export interface Tally {
  readonly pages: number;
  readonly places: number;
  readonly bound: number;
  readonly held: number;
  readonly stray: number;
  readonly failing: number;
}

/** Counts the places of an audited site. */
export function tally(audit: Audit): Tally {
  const by = { bound: 0, held: 0, stray: 0 };
  for (const group of audit.index.groups) by[groupStanding(group)] += group.count;
  return { pages: fileCount(audit.site), places: audit.index.count, ...by, failing: failingCount(audit) };
}
