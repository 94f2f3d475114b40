import * as v from 'valibot';
import { LIMITS } from '../fields/index.ts';
import { PixelsJson, type AuditCounts } from '../legibility/index.ts';
import type { Site } from '../site/index.ts';
import { answering } from './declare.ts';
import { Reading } from './measured.ts';

/** One publication, with what was found of it. */
export interface Publication {
  readonly number: number;
  readonly sequence: number;
  readonly at: string;
  readonly live: boolean;
  readonly verdict: AuditCounts;
  readonly files: number;
}
/** All of them, newest first, and what is live. */
export interface Publications {
  readonly publications: readonly Publication[];
  readonly live: { readonly site: Site; readonly number: number; readonly sequence: number } | null;
}

/** Largest whole number a column of the database takes. */
const LARGEST = 2_147_483_647;
const Whole = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(Number.MAX_SAFE_INTEGER));

/**
 * `pixels` are those the desk has read behind texts over pictures, `layout` what it has read from the layout of the
 * pages: the server has none to read it from.
 */
const Publish = v.strictObject({
  sequence: Whole,
  pixels: v.optional(PixelsJson),
  layout: v.optional(v.pipe(v.array(Reading), v.maxLength(LIMITS.readings))),
});
const MakeLive = v.strictObject({ number: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(LARGEST)) });

export const PUBLISH = {
  list: answering<Publications>()({
    method: 'get',
    path: '/api/sites/:site/publications',
    summary: 'The publish history, newest first, and the live publication',
  }),
  publish: answering<{ readonly number: number }>()({
    method: 'post',
    path: '/api/sites/:site/publications',
    summary: 'Publish the saved site',
    body: Publish,
    bodyBytes: LIMITS.bodyBytes,
  }),
  makeLive: answering<void>()({
    method: 'post',
    path: '/api/sites/:site/live',
    summary: 'Publish an earlier publication again',
    body: MakeLive,
  }),
  zip: answering<never>()({
    method: 'get',
    path: '/api/sites/:site/zip',
    summary: 'The static site as a ZIP',
    media: 'application/zip',
  }),
  // Links inside are relative: they need the slash behind the site.
  live: answering<never>()({
    method: 'get',
    path: '/live/:site',
    summary: 'A live site',
    open: true,
    policy: 'live',
    media: 'text/html',
  }),
  liveHome: answering<never>()({
    method: 'get',
    path: '/live/:site/',
    summary: 'Its home page',
    open: true,
    policy: 'live',
    media: 'text/html',
  }),
  liveFile: answering<never>()({
    method: 'get',
    path: '/live/:site/*path',
    summary: 'A file of a live site',
    open: true,
    policy: 'live',
    media: '*/*',
  }),
} as const;
