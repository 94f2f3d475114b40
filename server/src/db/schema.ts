import { sql } from 'drizzle-orm';
import type { LetterField, Source } from '@yohaku/core';
import {
  bigint,
  boolean,
  check,
  uuid,
  customType,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uniqueIndex,
  varchar,
} from 'drizzle-orm/pg-core';

const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' });
const at = (name: string) => timestamp(name, { withTimezone: true }).notNull().defaultNow();

export const users = pgTable('users', { id: text().primaryKey(), name: text().notNull(), createdAt: at('created_at') });

/** One-time sign-in tokens: only their SHA-256 is kept; a use is one update that can succeed once. */
export const signInTokens = pgTable('sign_in_tokens', {
  hash: text().primaryKey(),
  userId: text('user_id')
    .notNull()
    .references(() => users.id, { onDelete: 'cascade' }),
  expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
  usedAt: timestamp('used_at', { withTimezone: true }),
});

/** Who is signed in: the secret is in the cookie, only its hash here; `id` names the session in the list of them. */
export const sessions = pgTable(
  'sessions',
  {
    hash: text().primaryKey(),
    id: text()
      .notNull()
      .unique()
      .default(sql`replace(gen_random_uuid()::text, '-', '')`),
    userId: text('user_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    createdAt: at('created_at'),
    /** When it was last used, to the minute. */
    seenAt: at('seen_at'),
    /** The user agent of the browser at sign-in. */
    agent: text().notNull().default(''),
    expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
  },
  (table) => [index('sessions_user').on(table.userId)],
);

/** A site without its pages: brand, shared parts, assets, page order. `sequence` is that of its last change. */
export const sites = pgTable(
  'sites',
  {
    id: text().primaryKey(),
    name: text().notNull(),
    sequence: bigint({ mode: 'number' }).notNull().default(0),
    /** Tells sites apart that used one id in turn. */
    incarnation: uuid().notNull().defaultRandom(),
    document: jsonb().notNull(),
    createdAt: at('created_at'),
    /** Since when it is put away from the shelf; null while it stands there. */
    archivedAt: timestamp('archived_at', { withTimezone: true }),
  },
  (table) => [
    check('sites_id_shape', sql`${table.id} ~ '^[a-z][a-z0-9-]{0,59}$'`),
    check('sites_sequence', sql`${table.sequence} >= 0`),
  ],
);

/** Addresses that a site had before: they lead on to it. */
export const formerAddresses = pgTable(
  'former_addresses',
  {
    id: text().primaryKey(),
    siteId: text('site_id')
      .notNull()
      .references(() => sites.id, { onDelete: 'cascade', onUpdate: 'cascade' }),
    at: at('at'),
  },
  (table) => [index('former_addresses_site').on(table.siteId)],
);

export const pages = pgTable(
  'pages',
  {
    siteId: text('site_id')
      .notNull()
      .references(() => sites.id, { onDelete: 'cascade', onUpdate: 'cascade' }),
    id: text().notNull(),
    document: jsonb().notNull(),
  },
  (table) => [primaryKey({ columns: [table.siteId, table.id] })],
);

/** A desk's last measurements of a site's pages. A desk can measure again at any time, so backups leave them out. */
export const measured = pgTable('measured', {
  siteId: text('site_id')
    .primaryKey()
    .references(() => sites.id, { onDelete: 'cascade', onUpdate: 'cascade' }),
  document: jsonb().notNull(),
  at: at('at'),
});

/** Every edit ever made, append only. */
export const changes = pgTable(
  'changes',
  {
    siteId: text('site_id')
      .notNull()
      .references(() => sites.id, { onDelete: 'cascade', onUpdate: 'cascade' }),
    sequence: bigint({ mode: 'number' }).notNull(),
    id: text().notNull(),
    change: jsonb().notNull(),
    inverse: jsonb().notNull(),
    /** Length of the change as JSON, characters; limits the answer for a window that catches up. */
    size: integer().notNull().default(0),
    author: text()
      .notNull()
      .references(() => users.id),
    windowId: text('window_id').notNull(),
    at: at('at'),
  },
  (table) => [
    primaryKey({ columns: [table.siteId, table.sequence] }),
    unique('changes_once').on(table.siteId, table.id),
    check('changes_sequence', sql`${table.sequence} > 0`),
  ],
);

/** Named states of a site, whole. */
export const versions = pgTable(
  'versions',
  {
    siteId: text('site_id')
      .notNull()
      .references(() => sites.id, { onDelete: 'cascade', onUpdate: 'cascade' }),
    id: text().notNull(),
    name: text().notNull(),
    sequence: bigint({ mode: 'number' }).notNull(),
    document: jsonb().notNull(),
    at: at('at'),
  },
  (table) => [primaryKey({ columns: [table.siteId, table.id] })],
);

/** Bytes by the SHA-256 of their content: pictures, and the files of what was published. */
export const files = pgTable(
  'files',
  {
    hash: text().primaryKey(),
    type: text().notNull(),
    size: integer().notNull(),
    bytes: bytea().notNull(),
  },
  (table) => [
    check('files_hash', sql`${table.hash} ~ '^[0-9a-f]{64}$'`),
    check('files_size', sql`${table.size} = length(${table.bytes})`),
  ],
);

/** Sources of a brand: what was dropped or pasted, and what it gave. */
export const sources = pgTable(
  'sources',
  {
    siteId: text('site_id')
      .notNull()
      .references(() => sites.id, { onDelete: 'cascade', onUpdate: 'cascade' }),
    id: text().notNull(),
    name: text().notNull(),
    position: integer().notNull(),
    file: text()
      .notNull()
      .references(() => files.hash),
    picture: boolean().notNull(),
    found: jsonb().$type<Omit<Source, 'id' | 'name'>>().notNull(),
    putAway: boolean('put_away').notNull().default(false),
    at: at('at'),
  },
  (table) => [
    primaryKey({ columns: [table.siteId, table.id] }),
    index('sources_position').on(table.siteId, table.position),
    check('sources_id_shape', sql`${table.id} ~ '^[a-z][a-z0-9-]{0,59}$'`),
  ],
);

/** The publications: a manifest from file name to content hash each. At most one per site is live. */
export const publishes = pgTable(
  'publishes',
  {
    siteId: text('site_id')
      .notNull()
      .references(() => sites.id, { onDelete: 'cascade', onUpdate: 'cascade' }),
    number: integer().notNull(),
    sequence: bigint({ mode: 'number' }).notNull(),
    manifest: jsonb().$type<Record<string, string>>().notNull(),
    verdict: jsonb().$type<{ places: number; passed: number; failed: number; cannotTell: number }>().notNull(),
    site: jsonb().notNull(),
    live: boolean().notNull(),
    author: text()
      .notNull()
      .references(() => users.id),
    at: at('at'),
  },
  (table) => [
    primaryKey({ columns: [table.siteId, table.number] }),
    uniqueIndex('publishes_one_live')
      .on(table.siteId)
      .where(sql`${table.live}`),
    index('publishes_at').on(table.siteId, table.at),
  ],
);

/** Attempts by client, for the limits on signing in. */
export const rateLimits = pgTable('rate_limits', {
  key: varchar({ length: 255 }).primaryKey(),
  points: integer().notNull().default(0),
  expire: bigint({ mode: 'number' }),
});

/** Letters: what visitors sent from forms of a published site. */
export const letters = pgTable(
  'letters',
  {
    siteId: text('site_id')
      .notNull()
      .references(() => sites.id, { onDelete: 'cascade', onUpdate: 'cascade' }),
    id: text().notNull(),
    /** The name of its form, or the title of its page. */
    tray: text().notNull(),
    page: text().notNull(),
    fields: jsonb().$type<LetterField[]>().notNull(),
    read: boolean().notNull().default(false),
    at: at('at'),
  },
  (table) => [primaryKey({ columns: [table.siteId, table.id] }), index('letters_at').on(table.siteId, table.at)],
);

/** Items of collections, one row each. */
export const items = pgTable(
  'items',
  {
    siteId: text('site_id')
      .notNull()
      .references(() => sites.id, { onDelete: 'cascade', onUpdate: 'cascade' }),
    id: text().notNull(),
    document: jsonb().notNull(),
  },
  (table) => [primaryKey({ columns: [table.siteId, table.id] })],
);
