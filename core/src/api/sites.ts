import * as v from 'valibot';
import type { Change, Op } from '../change/index.ts';
import { Id, Label, LIMITS } from '../fields/index.ts';
import type { AuditCounts } from '../legibility/index.ts';
import type { Page, Site } from '../site/index.ts';
import { answering } from './declare.ts';
import { megabytes } from './megabytes.ts';

/** `told` are sentences about what had to be done to open it. */
export interface LoadedSite {
  readonly site: Site;
  readonly sequence: number;
  readonly told?: readonly string[];
}
/** A site on the shelf. */
export interface ShelvedSite {
  readonly id: string;
  readonly name: string;
  readonly sequence: number;
  readonly pages: number;
  /** When it was edited last, or made; ISO 8601. */
  readonly editedAt: string;
  /** True if one of its publications is live. */
  readonly live: boolean;
  readonly archived: boolean;
}
/** How a site stands by its audit, without what only a layout or pixels tell, and what its brand is known by. */
export interface SiteStanding extends AuditCounts {
  readonly sequence: number;
  /** The swatches as hex, those of the core first. */
  readonly colors: readonly string[];
  /** Names of the typefaces of headings and text; one if they are the same. */
  readonly families: readonly string[];
}
/**
 * One line of a site that is read in parts: all but its pages with how many there are, then pages, then that it is
 * whole.
 */
export type SiteLine =
  { readonly head: LoadedSite; readonly pages: number } | { readonly page: Page } | { readonly whole: true };
/** A change as it was saved, by which window. */
export interface SavedChange {
  readonly sequence: number;
  readonly id: string;
  readonly change: Change;
  readonly windowId: string;
}
/** Changes after a sequence, and the sequence there is. */
export interface CaughtUp {
  readonly changes: readonly SavedChange[];
  readonly sequence: number;
}
/** One answer for each change that was sent, in their order. */
export type SendResult =
  | {
      readonly id: string;
      readonly sequence: number;
      readonly repeated: boolean;
      readonly overtook: readonly (readonly string[])[];
      readonly settled?: true;
    }
  | { readonly id: string | null; readonly refused: string; readonly kind: string };
/** A site that was brought in. */
export interface Brought {
  readonly id: string;
  readonly name: string;
  readonly pages: number;
  readonly notes: readonly string[];
}

/** Edits are read one by one, so that a faulty one does not take the others with it. */
const SendChanges = v.strictObject({
  window: v.pipe(v.string(), v.regex(/^[a-z0-9-]{4,60}$/, 'must be 4 to 60 lower case letters, digits or hyphens')),
  changes: v.pipe(v.array(v.unknown()), v.minLength(1), v.maxLength(LIMITS.changesAtOnce)),
});
const After = v.strictObject({
  after: v.optional(v.pipe(v.string(), v.regex(/^\d{1,15}$/, 'must be a sequence number'), v.transform(Number)), '0'),
});
const First = v.strictObject({
  first: v.optional(
    v.pipe(
      v.string(),
      v.maxLength(4000),
      v.regex(/^[a-z0-9,-]*$/, 'must be ids joined by commas'),
      v.transform((ids) => ids.split(',').filter(Boolean)),
    ),
    '',
  ),
});
const ChangeIds = v.strictObject({
  ids: v.pipe(v.string(), v.maxLength(8000), v.regex(/^[a-z0-9,-]*$/, 'must be ids joined by commas')),
});
const As = v.strictObject({ id: Id, name: v.optional(v.pipe(v.string(), v.maxLength(80))) });
const CopyAs = v.strictObject({ id: Id, name: Label });
const Named = v.strictObject({ name: v.pipe(v.string(), v.maxLength(200)) });

export const SITES = {
  list: answering<{ readonly sites: readonly ShelvedSite[] }>()({
    method: 'get',
    path: '/api/sites',
    summary: 'All sites',
  }),
  bringIn: answering<Brought>()({
    method: 'post',
    path: '/api/sites',
    summary: 'Import an exported site (its ZIP or site.json) under a free id; the body is the file',
    query: As,
    upload: {
      bytes: LIMITS.siteFileBytes,
      tooLarge: `The file is over ${megabytes(LIMITS.siteFileBytes)}. Import the site with ./yohaku import instead.`,
    },
  }),
  load: answering<LoadedSite>()({
    method: 'get',
    path: '/api/sites/:site',
    summary: 'A site with all its pages, and its sequence',
  }),
  standing: answering<SiteStanding>()({
    method: 'get',
    path: '/api/sites/:site/standing',
    summary: 'Counts of a site (places that pass, fail, are not yet measured), its colours and typefaces',
  }),
  copy: answering<Brought>()({
    method: 'post',
    path: '/api/sites/:site/copies',
    summary: 'Copy a site under a free id, without its history',
    body: CopyAs,
  }),
  archive: answering<void>()({
    method: 'put',
    path: '/api/sites/:site/archived',
    summary: 'Archive or restore a site; its pages stay live',
    body: v.strictObject({ archived: v.boolean() }),
  }),
  move: answering<void>()({
    method: 'put',
    path: '/api/sites/:site/address',
    summary: 'Change the id of a site; the old addresses redirect',
    body: v.strictObject({ id: Id }),
  }),
  remove: answering<void>()({
    method: 'delete',
    path: '/api/sites/:site',
    summary: 'Delete a site with its edits, sources and publications; the request repeats its name',
    query: Named,
  }),
  stream: answering<SiteLine>()({
    method: 'get',
    path: '/api/sites/:site/parts',
    summary:
      'A site as JSON lines: first everything except pages, with their number, then the pages, the requested ones first, then an end mark',
    query: First,
    media: 'application/x-ndjson',
  }),
  send: answering<{ readonly results: readonly SendResult[] }>()({
    method: 'post',
    path: '/api/sites/:site/changes',
    summary: 'Save changes; each id is saved once, and the answer lists refused changes',
    body: SendChanges,
    bodyBytes: LIMITS.bodyBytes,
  }),
  after: answering<CaughtUp>()({
    method: 'get',
    path: '/api/sites/:site/changes',
    summary: 'Changes after a sequence, at most 1,000, and the current sequence',
    query: After,
  }),
  inverses: answering<{ readonly inverses: Readonly<Record<string, readonly Op[]>> }>()({
    method: 'get',
    path: '/api/sites/:site/inverses',
    summary: 'Inverses of changes, for undo',
    query: ChangeIds,
  }),
  events: answering<never>()({
    method: 'get',
    path: '/api/sites/:site/events',
    summary: 'Server-sent events: each new sequence',
    media: 'text/event-stream',
  }),
} as const;
