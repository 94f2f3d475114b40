import { createStore, del, entries, set, update } from 'idb-keyval';
import type { Change } from '@yohaku/core';
import { windowStorage } from './window-storage.ts';

/** This window's own id: survives a reload, not a copy of the tab. */
export const windowId: string = (() => {
  const known = windowStorage.getItem('yohaku-window');
  if (known) return known;
  const fresh = `w-${crypto.randomUUID().slice(0, 13)}`;
  windowStorage.setItem('yohaku-window', fresh);
  return fresh;
})();

const store = createStore('yohaku', 'pending');
const order = createStore('yohaku-order', 'order');
const aside = createStore('yohaku-aside', 'aside');

/**
 * The next number of a count that only ever goes up on this machine, whatever its
 * clock says. It begins at the time, behind what was kept when keys held that.
 */
async function nextNumber(): Promise<number> {
  let next = 0;
  await update<number>('next', (last) => (next = (last ?? Date.now()) + 1), order);
  return next;
}

/** Changes that were made and not yet acknowledged, kept on this machine by change id in the order they were made. */
export const pendingStore = {
  async keep(site: string, change: Change): Promise<void> {
    await set(`${site} ${String(await nextNumber()).padStart(15, '0')} ${change.id}`, change, store);
  },
  async forget(ids: ReadonlySet<string>): Promise<void> {
    for (const [key, change] of await entries<string, Change>(store)) if (ids.has(change.id)) await del(key, store);
  },
  async all(site: string): Promise<Change[]> {
    const kept = await entries<string, Change>(store);
    return kept
      .filter(([key]) => key.startsWith(`${site} `))
      .sort(([name], [other]) => (name < other ? -1 : 1))
      .map(([, change]) => change);
  },
};

/** An edit that the server refused: what it was, why, and when (ISO 8601). */
export interface SetAside {
  readonly change: Change;
  readonly words: string;
  readonly at: string;
}

/** Edits that were refused, kept on this machine until somebody has looked at them. */
export const asideStore = {
  async keep(site: string, entry: SetAside): Promise<void> {
    await set(`${site} ${entry.change.id}`, entry, aside);
  },
  async forget(site: string, id: string): Promise<void> {
    await del(`${site} ${id}`, aside);
  },
  async all(site: string): Promise<SetAside[]> {
    const kept = await entries<string, SetAside>(aside);
    return kept
      .filter(([key]) => key.startsWith(`${site} `))
      .map(([, entry]) => entry)
      .sort((entry, other) => (entry.at < other.at ? -1 : 1));
  },
};
