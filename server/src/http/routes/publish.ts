import * as v from 'valibot';
import { Id, LIMITS, PixelsJson, PlaceId, readPixelsJson } from '@yohaku/core';
import { hasSite, loadSite } from '../../sites/index.ts';
import { readFile } from '../../assets/index.ts';
import { exportSite, listPublications, liveFileHash, liveSite, makeLive, publishSite, zipSite } from '../../publish/index.ts';
import { Problem, notFound } from '../problem.ts';
import { route, type Asked, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/** Largest whole number a column of the database takes. */
const LARGEST = 2_147_483_647;
const Whole = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(Number.MAX_SAFE_INTEGER));

/** What the desk has read from its layout about one place. */
const Reading = v.strictObject({ page: Id, place: PlaceId, width: v.pipe(v.number(), v.minValue(0), v.maxValue(10_000)), rule: v.picklist(['line-length', 'text-spacing']), found: Whole });

/** `pixels` are those the desk has read behind texts over pictures, `layout` what it has read from the layout of the pages: there is none here to read it from. */
const Publish = v.strictObject({ sequence: Whole, pixels: v.optional(PixelsJson), layout: v.optional(v.pipe(v.array(Reading), v.maxLength(LIMITS.readings))) });
const MakeLive = v.strictObject({ number: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(LARGEST)) });

/** What is live, making it live, going back, taking it along, and serving it. */
export function publishRoutes({ database, apart, root }: Services): Route[] {
  const { db } = database;
  const load = async (id: string) => {
    const stored = await loadSite(database, id);
    if (!stored) throw notFound(`The site “${id}”`);
    return stored;
  };
  const known = async (site: string): Promise<string> => {
    if (!(await hasSite(db, site))) throw notFound(`The site “${site}”`);
    return site;
  };
  const page = async ({ context, params }: Asked) => {
    const hash = await liveFileHash(db, params['site']!, params['path'] || 'index.html');
    const file = hash ? await readFile(db, hash) : undefined;
    if (!file) {
      context.status = 404;
      context.type = 'text/plain';
      context.body = 'This page is not published.\n';
      return;
    }
    context.set('Cache-Control', 'no-cache');
    context.set('ETag', `"${hash}"`);
    // Fresh means: the reader has it already. Koa asks that of answers that have gone well only.
    context.status = 200;
    if (context.fresh) context.status = 304;
    else {
      context.type = file.type;
      context.body = file.bytes;
    }
  };
  return [
    route({
      method: 'get', path: '/api/sites/:site/publications', summary: 'Publications, newest first, and what is live',
      async handle({ context, params }) {
        const site = await known(params['site']!);
        const live = await liveSite(db, site);
        context.body = { publications: await listPublications(db, site), live: live ? { site: live.site, number: live.number, sequence: live.sequence } : null };
      },
    }),
    route({
      // As large as the pixels that the desk may have read.
      method: 'post', path: '/api/sites/:site/publications', summary: 'Publish what is saved', body: Publish, bodyBytes: 16 * 1024 * 1024,
      async handle({ context, params, body: { sequence, pixels, layout }, user }) {
        const stored = await load(params['site']!);
        if (stored.sequence !== sequence) throw new Problem(409, 'Changed meanwhile', 'The site has changed since you looked. Look at what is new, then publish again.');
        const number = await publishSite(database, apart, stored.site, stored.sequence, user, root, pixels ? readPixelsJson(pixels) : undefined, layout);
        context.status = 201;
        context.body = { number };
      },
    }),
    route({
      method: 'post', path: '/api/sites/:site/live', summary: 'Make an earlier publication live again', body: MakeLive,
      async handle({ context, params, body }) {
        if (!(await makeLive(database, params['site']!, body.number))) throw notFound(`Publication ${body.number}`);
        context.status = 204;
      },
    }),
    route({
      method: 'get', path: '/api/sites/:site/zip', summary: 'The static site as a zip', media: 'application/zip',
      async handle({ context, params }) {
        const { site } = await load(params['site']!);
        context.attachment(`${site.id}.zip`);
        context.type = 'application/zip';
        context.body = await zipSite(await exportSite(db, apart, site, root));
      },
    }),
    route({
      // Links inside are relative: they need the slash behind the site.
      method: 'get', path: '/live/:site', summary: 'A published site', open: true, policy: 'live', media: 'text/html',
      handle({ context, params }) {
        context.redirect(`/live/${params['site']}/`);
      },
    }),
    route({ method: 'get', path: '/live/:site/', summary: 'Its home page', open: true, policy: 'live', media: 'text/html', handle: page }),
    route({ method: 'get', path: '/live/:site/*path', summary: 'A file of a published site', open: true, policy: 'live', media: '*/*', handle: page }),
  ];
}
