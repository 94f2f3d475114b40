import * as v from 'valibot';
import { LIMITS, PlaceId, PublishedId } from '../fields/index.ts';
import { PixelsJson } from '../legibility/index.ts';
import { answering } from './declare.ts';

const Whole = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(Number.MAX_SAFE_INTEGER));

/** One figure that the desk measured at one place: `width` in px, `found` in the unit of its rule. */
export const Reading = v.strictObject({
  page: PublishedId,
  place: PlaceId,
  width: v.pipe(v.number(), v.minValue(0), v.maxValue(10_000)),
  rule: v.picklist(['line-length', 'text-spacing', 'covered']),
  found: Whole,
});

/**
 * A desk's measurements of a site's pages. `pages` has a SHA-256 of everything that the layout of each page depends on:
 * a page with another hash has changed since.
 */
export const Measured = v.strictObject({
  pages: v.pipe(
    v.record(PublishedId, v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/, 'must be a SHA-256 in hexadecimal'))),
    v.check((pages) => Object.keys(pages).length <= 20_000, 'has more than 20,000 pages'),
  ),
  layout: v.pipe(v.array(Reading), v.maxLength(LIMITS.readings)),
  pixels: PixelsJson,
});
export type Measured = v.InferOutput<typeof Measured>;

export const MEASURED = {
  load: answering<{ readonly measured: Measured | null }>()({
    method: 'get',
    path: '/api/sites/:site/measured',
    summary: 'The last measurements of its pages',
  }),
  keep: answering<void>()({
    method: 'put',
    path: '/api/sites/:site/measured',
    summary: 'Store measurements of its pages',
    body: Measured,
    bodyBytes: LIMITS.bodyBytes,
  }),
} as const;
