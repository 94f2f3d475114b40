import { ternhaven, ternhavenFiles } from '@yohaku/demo';
import { storeFile } from './assets/index.ts';
import type { Database } from './db/index.ts';
import { insertSite, listSites } from './sites/index.ts';

/** Loads the demo into an empty database; does nothing when there is any site. */
export async function loadDemo(database: Database): Promise<boolean> {
  if ((await listSites(database.db)).length > 0) return false;
  await database.db.transaction(async (tx) => {
    for (const svg of ternhavenFiles.values()) await storeFile(tx, Buffer.from(svg), 'image/svg+xml');
    await insertSite(tx, ternhaven);
  });
  return true;
}
