import { asc, eq, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import {
  familyById,
  hex,
  resolvedSwatches,
  type Brand,
  type Brought,
  type ShelvedSite,
  type SiteStanding,
} from '@yohaku/core';
import type { Isolated } from '../isolated/index.ts';
import { countsOf } from '../audits/index.ts';
import { schema, type Database, type Querier } from '../db/index.ts';
import { CHANGES_CHANNEL } from './channel.ts';
import { hasSite, loadSite } from './load.ts';
import { insertSite } from './rows.ts';
import { SiteRefused, idTaken } from './site-refused.ts';

const { sites, sources, versions, publishes, formerAddresses } = schema;

/** All sites as they stand on the shelf, by name; what they hold is not read. */
export async function shelvedSites(db: Querier): Promise<ShelvedSite[]> {
  const rows = await db
    .select({
      id: sites.id,
      name: sites.name,
      sequence: sites.sequence,
      archived: sql<boolean>`${sites.archivedAt} is not null`,
      // Qualified by hand: a select from one table names its columns alone, and those inside would be taken for the
      // inner one's.
      pages: sql<number>`(select count(*)::int from pages p where p.site_id = sites.id)`,
      live: sql<boolean>`exists (select 1 from publishes p where p.site_id = sites.id and p.live)`,
      // The last change lies at the site's own sequence: the key of the table finds it.
      editedAt: sql<string>`coalesce((select c.at from changes c where c.site_id = sites.id and c.sequence = sites.sequence), sites.created_at)`,
    })
    .from(sites)
    .orderBy(asc(sites.name), asc(sites.id));
  return rows.map((row) => ({ ...row, editedAt: new Date(row.editedAt).toISOString() }));
}

/** Returns what a designer knows a brand by: its swatches as hex, core ones first, and the names of its typefaces. */
function brandMarks(brand: Brand): Pick<SiteStanding, 'colors' | 'families'> {
  const swatches = resolvedSwatches(brand);
  const part = (core: boolean) => swatches.filter(({ swatch }) => (swatch.part === 'core') === core);
  const families = [brand.families.heading, brand.families.body].map((id) => familyById(id, brand.fonts)?.name ?? id);
  return {
    colors: [...part(true), ...part(false)].map(({ rgb }) => hex(rgb)),
    families: [...new Set(families)],
  };
}

/** Standings by site, each for one incarnation and sequence. Requests for a running audit share its result. */
const standings = new WeakMap<
  Database,
  LRUCache<string, { readonly of: string; readonly standing: Promise<SiteStanding> }>
>();
const MOST_STANDINGS = 500;

/**
 * Returns the audit figures of a site, computed once for each state in another process; undefined when the site does
 * not exist.
 */
export async function standingOf(database: Database, apart: Isolated, id: string): Promise<SiteStanding | undefined> {
  const [row] = await database.db
    .select({ sequence: sites.sequence, incarnation: sites.incarnation })
    .from(sites)
    .where(eq(sites.id, id));
  if (!row) return undefined;
  let known = standings.get(database);
  if (!known) standings.set(database, (known = new LRUCache({ max: MOST_STANDINGS })));
  const of = `${row.incarnation} ${row.sequence}`;
  const before = known.get(id);
  if (before?.of === of) return before.standing;
  const stored = await loadSite(database, id);
  if (!stored) return undefined;
  const standing = countsOf(apart, { site: stored.site }).then((counts) => ({
    ...counts,
    ...brandMarks(stored.site.brand),
    sequence: stored.sequence,
  }));
  known.set(id, { of: `${stored.incarnation} ${stored.sequence}`, standing });
  // The next request tries a failed audit again.
  standing.catch(() => known.delete(id));
  return standing;
}

/**
 * Copies a site as it stands, with its sources, without its edits and publications.
 * @throws SiteRefused when the id is taken; undefined when there is no such site
 */
export async function copySite(
  database: Database,
  from: string,
  id: string,
  name: string,
): Promise<Brought | undefined> {
  const stored = await loadSite(database, from);
  if (!stored) return undefined;
  await database.db.transaction(async (tx) => {
    if (await hasSite(tx, id)) throw idTaken(id);
    await insertSite(tx, { ...stored.site, id, name });
    const rows = await tx.select().from(sources).where(eq(sources.siteId, from));
    if (rows.length > 0) await tx.insert(sources).values(rows.map((row) => ({ ...row, siteId: id })));
  });
  return { id, name, pages: stored.site.pageOrder.length, notes: [] };
}

/** Puts a site away from the shelf, or back; false when there is no such site. */
export async function archiveSite(db: Querier, id: string, archived: boolean): Promise<boolean> {
  return (
    (
      await db
        .update(sites)
        .set({ archivedAt: archived ? new Date() : null })
        .where(eq(sites.id, id))
        .returning({ id: sites.id })
    ).length > 0
  );
}

/**
 * Deletes a site with everything that is its own; files that others use stay.
 * @param name what it is called, typed by whoever deletes it
 * @throws SiteRefused when that is not its name; false when there is no such site
 */
export async function removeSite(database: Database, id: string, name: string): Promise<boolean> {
  return database.db.transaction(async (tx) => {
    const [row] = await tx.select({ name: sites.name }).from(sites).where(eq(sites.id, id)).for('update');
    if (!row) return false;
    if (row.name.trim() !== name.trim())
      throw new SiteRefused(`The site is called “${row.name}”, not “${name}”. Nothing was deleted.`);
    await tx.delete(sites).where(eq(sites.id, id));
    database.remembered.delete(id);
    return true;
  });
}

/**
 * Gives a site another id, which its addresses have: on the desk, and where it is live. The one
 * it had leads on to it, until another site is begun under it.
 * @throws SiteRefused when the id is that of another site, or leads on to another; false when there is no such site
 */
export async function moveSite(database: Database, from: string, to: string): Promise<boolean> {
  return database.db.transaction(async (tx) => {
    const [row] = await tx.select({ id: sites.id }).from(sites).where(eq(sites.id, from)).for('update');
    if (!row) return false;
    if (from === to) return true;
    const [former] = await tx
      .select({ siteId: formerAddresses.siteId })
      .from(formerAddresses)
      .where(eq(formerAddresses.id, to));
    if ((await hasSite(tx, to)) || (former && former.siteId !== from))
      throw new SiteRefused(
        `“${to}” is the address of another site${former ? ' or was once, and redirects to it' : ''}. Nothing was changed; choose another.`,
      );
    await tx.delete(formerAddresses).where(eq(formerAddresses.id, to));
    const named = (document: typeof sites.document | typeof versions.document | typeof publishes.site) =>
      sql`jsonb_set(${document}, '{id}', to_jsonb(${to}::text))`;
    await tx
      .update(sites)
      .set({ id: to, document: named(sites.document) })
      .where(eq(sites.id, from));
    await tx
      .update(versions)
      .set({ document: named(versions.document) })
      .where(eq(versions.siteId, to));
    await tx
      .update(publishes)
      .set({ site: named(publishes.site) })
      .where(eq(publishes.siteId, to));
    await tx.insert(formerAddresses).values({ id: from, siteId: to });
    database.remembered.delete(from);
    await tx.execute(sql`select pg_notify(${CHANGES_CHANNEL}, ${JSON.stringify({ site: from, movedTo: to })})`);
    return true;
  });
}

/** The id of the site that had another one before; undefined where none had. */
export async function movedTo(db: Querier, former: string): Promise<string | undefined> {
  const [row] = await db
    .select({ siteId: formerAddresses.siteId })
    .from(formerAddresses)
    .where(eq(formerAddresses.id, former));
  return row?.siteId;
}
