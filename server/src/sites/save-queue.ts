import PQueue from 'p-queue';
import type { Database } from '../db/index.ts';

/** The number of sites that save at once. It is smaller than the number of connections, so that reads continue. */
const AT_ONCE = 5;

interface Queues {
  readonly all: PQueue;
  readonly sites: Map<string, PQueue>;
}
const queues = new WeakMap<Database, Queues>();

/** Saves the edits of one site in turn, so that waiting edits hold no connection. */
export async function inSaveQueue<T>(database: Database, siteId: string, save: () => Promise<T>): Promise<T> {
  let known = queues.get(database);
  if (!known) queues.set(database, (known = { all: new PQueue({ concurrency: AT_ONCE }), sites: new Map() }));
  const { all, sites } = known;
  let own = sites.get(siteId);
  if (!own) {
    sites.set(siteId, (own = new PQueue({ concurrency: 1 })));
    own.once('idle', () => sites.delete(siteId));
  }
  return own.add(() => all.add(save)) as Promise<T>;
}
