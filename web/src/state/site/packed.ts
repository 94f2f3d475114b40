import { LIMITS, bytesOf, type Change } from '@yohaku/core';

/** As many of the waiting edits, from the first, as go in one request. */
export function packed(pending: readonly Change[], most: number): readonly Change[] {
  let bytes = 0;
  const sent: Change[] = [];
  for (const change of pending.slice(0, most)) {
    bytes += bytesOf(change) + 1;
    // Some room for what stands around them.
    if (sent.length > 0 && bytes > LIMITS.bodyBytes - 10_000) break;
    sent.push(change);
  }
  return sent;
}
