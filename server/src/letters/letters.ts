import { randomUUID } from 'node:crypto';
import { and, count, desc, eq, inArray, sql } from 'drizzle-orm';
import { formsOf, readLetter, type LettersPage, type Site } from '@yohaku/core';
import { schema, type Database, type Querier } from '../db/index.ts';

const { letters } = schema;

/** Most letters that the post box of a site keeps. */
export const MOST_LETTERS = 10_000;

/** Why a letter was not taken, in a sentence for whoever wrote it. */
export class LetterRefused extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'LetterRefused';
  }
}

/**
 * Puts what was sent from a form of a published site into its post box.
 *
 * @param file what the form was sent to
 * @param body as browsers send forms (`application/x-www-form-urlencoded`)
 * @returns false when no form of the site is sent there
 * @throws LetterRefused when something needed is missing or no good, or the post box is full
 */
export async function takeLetter({ db }: Database, site: Site, file: string, body: string): Promise<boolean> {
  const found = formsOf(site).find((page) => page.file === file);
  if (!found) return false;
  const fields = readLetter(found.form, new Map(new URLSearchParams(body)));
  if (typeof fields === 'string') throw new LetterRefused(fields);
  const [kept] = await db.select({ n: count() }).from(letters).where(eq(letters.siteId, site.id));
  if (kept!.n >= MOST_LETTERS) throw new LetterRefused('The message store of this site is full.');
  // PostgreSQL keeps no NUL in a text.
  const plain = fields.map(({ label, value }) => ({ label, value: value.replaceAll('\0', '') }));
  await db.insert(letters).values({
    siteId: site.id,
    id: randomUUID(),
    tray: found.form.tray ?? found.page.title,
    page: found.page.title,
    fields: plain,
  });
  return true;
}

/** The largest answer: letters, and their length as JSON in characters. */
const ONE_ANSWER = { letters: 500, characters: 2_000_000 } as const;

/**
 * Returns the newest letters of a site that fit in one answer, at least one.
 *
 * @param before id of a letter; only older letters are returned
 */
export async function listLetters(db: Querier, site: string, before?: string): Promise<LettersPage> {
  const older =
    before === undefined
      ? sql`true`
      : sql`(l.at, l.id) < (select b.at, b.id from ${letters} b where b.site_id = ${site} and b.id = ${before})`;
  const { rows } = await db.execute<{ id: string }>(sql`
    select s.id from (
      select p.id, sum(p.size) over (order by p.at desc, p.id desc) as sum, row_number() over (order by p.at desc, p.id desc) as n
      from (select l.id, l.at, length(l.fields::text) as size from ${letters} l where l.site_id = ${site} and ${older} order by l.at desc, l.id desc limit ${ONE_ANSWER.letters + 1}) p
    ) s where s.n <= ${ONE_ANSWER.letters} and (s.sum < ${ONE_ANSWER.characters} or s.n = 1)`);
  const list =
    rows.length === 0
      ? []
      : await db
          .select()
          .from(letters)
          .where(
            and(
              eq(letters.siteId, site),
              inArray(
                letters.id,
                rows.map(({ id }) => id),
              ),
            ),
          )
          .orderBy(desc(letters.at), desc(letters.id));
  const [counts] = await db
    .select({ total: count(), unread: sql<number>`count(*) filter (where not ${letters.read})::int` })
    .from(letters)
    .where(eq(letters.siteId, site));
  const last = list.at(-1);
  const [next] = last
    ? await db
        .select({ n: count() })
        .from(letters)
        .where(
          and(
            eq(letters.siteId, site),
            sql`(${letters.at}, ${letters.id}) < (select b.at, b.id from ${letters} b where b.site_id = ${site} and b.id = ${last.id})`,
          ),
        )
    : [];
  return {
    letters: list.map(({ id, tray, page, fields, read, at }) => ({
      id,
      tray,
      page,
      fields,
      read,
      at: at.toISOString(),
    })),
    more: (next?.n ?? 0) > 0,
    total: counts!.total,
    unread: counts!.unread,
  };
}

/** Marks a letter as read, or not. @returns false when there is no such letter */
export async function markLetter(db: Querier, site: string, id: string, read: boolean): Promise<boolean> {
  return (
    (
      await db
        .update(letters)
        .set({ read })
        .where(and(eq(letters.siteId, site), eq(letters.id, id)))
        .returning({ id: letters.id })
    ).length > 0
  );
}

/** Deletes a letter for good. @returns false when there is no such letter */
export async function removeLetter(db: Querier, site: string, id: string): Promise<boolean> {
  return (
    (
      await db
        .delete(letters)
        .where(and(eq(letters.siteId, site), eq(letters.id, id)))
        .returning({ id: letters.id })
    ).length > 0
  );
}
