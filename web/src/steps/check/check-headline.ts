import { plural, type AuditCounts } from '@yohaku/core';

/** Returns the subject line of Check: the failing places, and how many causes they have. */
export function checkHeadline(
  counts: AuditCounts | undefined,
  causes: number,
): { readonly subject: string; readonly figure: string } {
  if (!counts) return { subject: 'Counting places…', figure: '' };
  const { failed, passed, places, cannotTell } = counts;
  const rest = `${passed} of ${places} places are legible${cannotTell ? `; ${cannotTell} not yet measured` : ''}`;
  return failed === 0
    ? { subject: cannotTell ? 'Nothing fails so far' : 'Nothing fails', figure: rest }
    : { subject: `${failed} failing`, figure: `${plural(causes, 'cause')}; ${rest}` };
}
