import { createStore, del, entries, set } from 'idb-keyval';
import type { Change } from '@yohaku/core';

/** This window's own id: survives a reload, not a copy of the tab. */
export const windowId: string = (() => {
  const known = sessionStorage.getItem('yohaku-window');
  if (known) return known;
  const fresh = `w-${crypto.randomUUID().slice(0, 13)}`;
  sessionStorage.setItem('yohaku-window', fresh);
  return fresh;
})();

const store = createStore('yohaku', 'pending');

/** Changes that were made and not yet acknowledged, kept on this machine by change id in the order they were made. */
export const pendingStore = {
  async keep(site: string, change: Change): Promise<void> {
    await set(`${site} ${String(Date.now()).padStart(15, '0')} ${change.id}`, change, store);
  },
  async forget(ids: ReadonlySet<string>): Promise<void> {
    for (const [key, change] of await entries<string, Change>(store)) if (ids.has(change.id)) await del(key, store);
  },
  async all(site: string): Promise<Change[]> {
    const kept = await entries<string, Change>(store);
    return kept.filter(([key]) => key.startsWith(`${site} `)).sort(([one], [other]) => (one < other ? -1 : 1)).map(([, change]) => change);
  },
};
