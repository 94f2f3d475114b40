import { randomUUID } from 'node:crypto';
import { and, desc, eq, lt, sql } from 'drizzle-orm';
import {
  SCHEMA_VERSION,
  SiteIssues,
  applyChange,
  opsOf,
  plural,
  readStored,
  upcast,
  type Change,
  type Op,
  type Site,
} from '@yohaku/core';
import { schema, type Database, type Querier } from '../db/index.ts';
import { CHANGES_CHANNEL } from './channel.ts';
import { rawSite, writeTouched } from './rows.ts';
import { SiteUnreadable } from './unreadable.ts';

const { changes } = schema;
const AT_ONCE = 100;

/** A site taken back to where it could be read, and what is to be said of it. */
export interface TakenBack {
  readonly site: Site;
  readonly sequence: number;
  readonly told: readonly string[];
}

/**
 * Takes a site that cannot be read back, edit by edit, to the last state that
 * can, and keeps that as one more edit, so that log, windows and undo go on from
 * there. What was taken back stays in the log.
 * @throws SiteUnreadable when no kept edit leads to a state that can be read, or a newer version made it
 */
export async function openAtLastGood(database: Database, siteId: string, author: string): Promise<TakenBack> {
  return database.db.transaction(async (tx) => {
    await tx.execute(sql`select id from sites where id = ${siteId} for update`);
    const raw = (await rawSite(tx, siteId))!;
    const wrong = issuesOf(raw.document);
    // Another process was faster.
    if (!wrong) return { site: readStored(raw.document).site, sequence: raw.sequence, told: [] };
    if (wrong.newer) throw new SiteUnreadable(siteId, wrong, '');
    const back: Op[] = [];
    const forth: Op[][] = [];
    let at = upcast(raw.document) as Site;
    for await (const row of backwards(tx, siteId, raw.sequence)) {
      const before = at;
      try {
        at = applyChange(at, { ops: row.inverse, schemaVersion: row.schemaVersion }).site;
      } catch {
        break;
      }
      back.push(...opsOf(before, { ops: row.inverse, schemaVersion: row.schemaVersion }));
      forth.unshift([...opsOf(at, row)]);
      if (issuesOf(at)) continue;
      const { site } = readStored(at);
      const sequence = raw.sequence + 1;
      const words = `It could not be read (${wrong.issues[0]!.path} ${wrong.issues[0]!.message}), so Yohaku opened its last good state, before “${row.label}”; ${plural(forth.length, 'edit')} ${forth.length === 1 ? 'was' : 'were'} taken back. They are kept in the log.`;
      const change: Change = {
        id: `fix-${randomUUID()}`,
        schemaVersion: SCHEMA_VERSION,
        label: 'Opened at the last good state',
        ops: back,
      };
      await tx
        .insert(changes)
        .values({ siteId, sequence, id: change.id, change, inverse: forth.flat(), author, windowId: 'fix' });
      await writeTouched(tx, siteId, raw.document as unknown as Site, site, sequence);
      await tx.execute(sql`select pg_notify(${CHANGES_CHANNEL}, ${JSON.stringify({ site: siteId, sequence })})`);
      return { site, sequence, told: [words] };
    }
    throw new SiteUnreadable(siteId, wrong, 'No earlier state of it could be read either.');
  });
}

/** The kept edits of a site from the last one back. */
async function* backwards(
  tx: Querier,
  siteId: string,
  from: number,
): AsyncGenerator<{ inverse: Op[]; ops: Op[]; schemaVersion: number; label: string }> {
  for (let below = from + 1; ;) {
    const rows = await tx
      .select()
      .from(changes)
      .where(and(eq(changes.siteId, siteId), lt(changes.sequence, below)))
      .orderBy(desc(changes.sequence))
      .limit(AT_ONCE);
    for (const row of rows) {
      const { ops, schemaVersion, label } = row.change as Change;
      yield { inverse: row.inverse as Op[], ops, schemaVersion, label };
    }
    if (rows.length < AT_ONCE) return;
    below = rows.at(-1)!.sequence;
  }
}

function issuesOf(document: unknown): SiteIssues | undefined {
  try {
    readStored(document);
    return undefined;
  } catch (error) {
    // Anything a reader trips over counts as not readable.
    return error instanceof SiteIssues
      ? error
      : new SiteIssues([{ path: '', message: error instanceof Error ? error.message : 'cannot be read' }]);
  }
}
