import { and, asc, desc, eq, gt, inArray, sql } from 'drizzle-orm';
import {
  ChangeRefused,
  SCHEMA_VERSION,
  acceptChange,
  jsonEqual,
  type Change,
  type Issue,
  type Op,
  type ReadChange,
  type Site,
} from '@yohaku/core';
import { isDatabaseDown, isLocked, schema, type Database, type Querier } from '../db/index.ts';
import { CHANGES_CHANNEL } from './channel.ts';
import { loadSite } from './load.ts';
import { writeTouched } from './rows.ts';
import { inSaveQueue } from './save-queue.ts';

const { changes, files } = schema;

export interface StoredChange {
  readonly sequence: number;
  readonly id: string;
  readonly change: Change;
  readonly windowId: string;
  readonly at: string;
}

/**
 * The result of saving a change. `overtook` lists addresses whose value was no longer
 * the expected one; `settled` is true if the server added operations, which the log has.
 */
export interface Saved {
  readonly sequence: number;
  readonly repeated: boolean;
  readonly overtook: readonly (readonly string[])[];
  readonly settled?: true;
}

/** The answer to one change of several. */
export type SaveResult =
  | ({ readonly id: string } & Saved)
  | {
      readonly id: string | null;
      readonly refused: string;
      readonly kind: 'gone' | 'invalid' | 'in-use' | 'fault';
      readonly issues: readonly Issue[];
    };

/**
 * Saves one change: takes the site's row lock, applies it to what is there now
 * (rebasing a stale one), checks the result, and in one transaction appends to
 * `changes` and writes the documents touched. A change id is taken once: a
 * repeated one answers with the sequence it got the first time.
 * @throws ChangeRefused when its target is gone or the result would not be right
 */
export async function saveChange(
  database: Database,
  siteId: string,
  change: Change,
  author: string,
  windowId: string,
): Promise<Saved | undefined> {
  const done = await database.db.transaction(async (tx) => {
    await tx.execute(sql`set local lock_timeout = '8s'`);
    const locked = await tx.execute(sql`select sequence from sites where id = ${siteId} for update`);
    if (locked.rows.length === 0) return undefined;
    const known = await tx
      .select({ sequence: changes.sequence, change: changes.change })
      .from(changes)
      .where(and(eq(changes.siteId, siteId), eq(changes.id, change.id)));
    if (known[0]) {
      const asSent = jsonEqual((known[0].change as Change).ops, change.ops);
      return {
        saved: {
          sequence: known[0].sequence,
          repeated: true,
          overtook: [],
          ...(asSent ? {} : { settled: true as const }),
        },
      };
    }
    const { site, sequence, incarnation } = (await loadSite(database, siteId, tx))!;
    const accepted = acceptChange(site, change);
    await refuseWithoutBytes(tx, site, accepted.site);
    const next = sequence + 1;
    const settled = accepted.ops !== change.ops;
    const kept = { ...change, schemaVersion: SCHEMA_VERSION, ops: accepted.ops };
    await tx.insert(changes).values({
      siteId,
      sequence: next,
      id: change.id,
      change: kept,
      inverse: accepted.inverse,
      size: JSON.stringify(kept).length,
      author,
      windowId,
    });
    await writeTouched(tx, siteId, site, accepted.site, next);
    await tx.execute(sql`select pg_notify(${CHANGES_CHANNEL}, ${JSON.stringify({ site: siteId, sequence: next })})`);
    return {
      saved: {
        sequence: next,
        repeated: false,
        overtook: accepted.overtook,
        ...(settled ? { settled: true as const } : {}),
      },
      stored: { site: accepted.site, sequence: next, incarnation },
    };
  });
  // Only after the commit: what a rolled back transaction made must not be remembered.
  if (done?.stored) database.remembered.set(siteId, done.stored);
  return done?.saved;
}

/**
 * Saves changes one after the other; each is answered by itself, so that a refused
 * one does not keep the others back.
 *
 * @param report hears of an error that is nobody's fault but ours; its change is answered as refused, for it would
 *   fail the same way each time
 * @throws what says that the database is down or the site is locked: nothing further was saved, and all can be sent
 *   again
 */
export async function saveChanges(
  database: Database,
  siteId: string,
  sent: readonly ReadChange[],
  author: string,
  windowId: string,
  report: (error: unknown) => void = () => {},
): Promise<SaveResult[]> {
  // Read first, outside of any transaction: one that cannot be read is taken back here.
  await loadSite(database, siteId);
  const results: SaveResult[] = [];
  for (const entry of sent) {
    if ('refused' in entry) {
      results.push({ id: entry.id, refused: entry.refused, kind: 'invalid', issues: entry.issues });
      continue;
    }
    const { change } = entry;
    try {
      const saved = await inSaveQueue(database, siteId, () => saveChange(database, siteId, change, author, windowId));
      if (saved) results.push({ id: change.id, ...saved });
      else
        results.push({
          id: change.id,
          refused: 'The site was deleted. This edit is kept in your browser only.',
          kind: 'gone',
          issues: [],
        });
    } catch (error) {
      if (isDatabaseDown(error) || isLocked(error)) throw error;
      if (error instanceof ChangeRefused)
        results.push({ id: change.id, refused: error.message, kind: error.kind, issues: error.issues });
      else if ((error as Error).name === 'SiteUnreadable') throw error;
      else {
        report(error);
        results.push({
          id: change.id,
          refused: `“${change.label}” could not be saved, because part of it cannot be stored. The other edits were saved.`,
          kind: 'fault',
          issues: [],
        });
      }
    }
  }
  return results;
}

/** A picture, download or font that an edit names must be kept here, as what it is said to be. @throws ChangeRefused */
async function refuseWithoutBytes(tx: Querier, before: Site, after: Site): Promise<void> {
  const wanted = new Map<string, { type: string; name: string; path: string }>();
  if (after.assets !== before.assets)
    for (const asset of Object.values(after.assets))
      if (asset.hash !== before.assets[asset.id]?.hash || asset.type !== before.assets[asset.id]?.type)
        wanted.set(asset.hash, { type: asset.type, name: asset.name, path: `assets.${asset.id}.hash` });
  if (after.downloads !== before.downloads)
    for (const download of Object.values(after.downloads))
      if (
        download.hash !== before.downloads[download.id]?.hash ||
        download.type !== before.downloads[download.id]?.type
      )
        wanted.set(download.hash, { type: download.type, name: download.name, path: `downloads.${download.id}.hash` });
  if (after.brand.fonts !== before.brand.fonts)
    for (const family of Object.values(after.brand.fonts ?? {}))
      if (family !== before.brand.fonts?.[family.id])
        for (const face of family.faces)
          wanted.set(face.hash, { type: 'font/woff2', name: face.file, path: `brand.fonts.${family.id}.faces` });
  if (wanted.size === 0) return;
  const kept = new Map(
    (
      await tx
        .select({ hash: files.hash, type: files.type })
        .from(files)
        .where(inArray(files.hash, [...wanted.keys()]))
    ).map((row) => [row.hash, row.type]),
  );
  for (const [hash, { type, name, path }] of wanted)
    if (kept.get(hash) !== type)
      throw new ChangeRefused('gone', `The file of ${name} is not kept here. Drop it again, and then use it.`, [
        {
          path,
          message: kept.has(hash)
            ? `is the content of a file of another type, ${kept.get(hash)}`
            : 'names content that is not kept here',
        },
      ]);
}

/**
 * Returns the changes after a sequence in order: at most 1,000 changes or 16 million characters of JSON, at least one
 * change.
 */
export async function changesAfter(db: Querier, siteId: string, after: number): Promise<StoredChange[]> {
  // No more of them than a window takes in at once without holding still.
  const rows = await db
    .select()
    .from(changes)
    .where(
      and(
        eq(changes.siteId, siteId),
        gt(changes.sequence, after),
        sql`${changes.sequence} <= (select coalesce(max(s.sequence), 0) from (select c.sequence, sum(greatest(c.size, pg_column_size(c.change))) over (order by c.sequence) as size, row_number() over (order by c.sequence) as n from ${changes} c where c.site_id = ${siteId} and c.sequence > ${after} order by c.sequence limit 1000) s where s.size < 16000000 or s.n = 1)`,
      ),
    )
    .orderBy(asc(changes.sequence))
    .limit(1000);
  return rows.map((row) => ({
    sequence: row.sequence,
    id: row.id,
    change: row.change as Change,
    windowId: row.windowId,
    at: row.at.toISOString(),
  }));
}

/** The inverses of the given changes, by change id, for undo. */
export async function inversesOf(db: Querier, siteId: string, ids: readonly string[]): Promise<Record<string, Op[]>> {
  if (ids.length === 0) return {};
  const rows = await db
    .select({ id: changes.id, inverse: changes.inverse })
    .from(changes)
    .where(and(eq(changes.siteId, siteId), inArray(changes.id, [...ids])))
    .orderBy(desc(changes.sequence));
  return Object.fromEntries(rows.map((row) => [row.id, row.inverse as Op[]]));
}
