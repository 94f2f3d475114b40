import type { Place } from '../page/index.ts';
import { placeKey } from '../reach/index.ts';
import type { Audit, Finding } from './audit.ts';
import { findings } from './audit.ts';

/** A failing judgement that an edit brought or deepened. */
export interface Worse extends Finding {
  /** What was found before; null when the place is new. */
  readonly before: number | null;
}

const rowKey = (one: Finding): string => `${placeKey(one.place)} ${one.rule} ${one.width} ${one.state}`;

/** Failing rows of `after` that passed before, or failed with a better figure. */
export function worse(before: Audit, after: Audit): Worse[] {
  if (before === after || before.byGroup === after.byGroup) return [];
  const old = new Map(findings(before, ALL).map((one) => [rowKey(one), one]));
  return findings(after)
    .map((one) => ({ now: one, was: old.get(rowKey(one)) }))
    .filter(({ now, was }) => !was || was.verdict !== 'fail' || deeper(now, was))
    .map(({ now, was }) => ({ ...now, before: was?.found ?? null }));
}

const ALL: ReadonlySet<Finding['verdict']> = new Set(['pass', 'fail', 'cannot-tell']);

/** Farther from what is needed than before, by share, so that figures of all units compare. */
function deeper(now: Finding, was: Finding): boolean {
  if (now.found === null || was.found === null) return false;
  return now.rule === 'heading-order' ? now.found - now.needed > was.found - was.needed + 1e-9 : now.found / now.needed < was.found / was.needed - 1e-9;
}

/** Distinct places among rows. */
export function placesAmong(rows: readonly { readonly place: Place }[]): Place[] {
  return [...new Set(rows.map((row) => row.place))];
}
