import type { Change } from '@yohaku/core';
import { asideStore, pendingStore } from '../api/index.ts';

const LAST: Change = { id: 'spec-last', schemaVersion: 1, label: 'Last', ops: [] };

/**
 * Forgets every edit that is kept of a site, those too that the spec before this one
 * is still writing: what is kept is written in turns, so one more of our own waits for
 * each. Done once nothing else came between.
 */
export async function forgetStored(site: string): Promise<void> {
  for (let quiet = 0; quiet < 3; quiet++) {
    await pendingStore.keep(site, LAST);
    const kept = await pendingStore.all(site);
    if (kept.some((entry) => entry.id !== LAST.id)) quiet = -1;
    await pendingStore.forget(new Set(kept.map((entry) => entry.id)));
  }
  for (const entry of await asideStore.all(site)) await asideStore.forget(site, entry.change.id);
}
