import type Router from '@koa/router';
import * as v from 'valibot';
import { Id, PixelsJson, readPixelsJson } from '@yohaku/core';
import { loadSite } from '../../sites/index.ts';
import { readFile } from '../../assets/index.ts';
import { exportSite, listPublications, liveFileHash, liveSite, makeLive, publishSite, zipSite } from '../../publish/index.ts';
import { readInput } from '../input.ts';
import { Problem, notFound } from '../problem.ts';
import type { Services } from '../context.ts';

/** What the desk has read from its layout about one place. */
const Reading = v.strictObject({ page: Id, place: v.pipe(v.string(), v.maxLength(200)), width: v.pipe(v.number(), v.minValue(0)), rule: v.picklist(['line-length', 'text-spacing']), found: v.pipe(v.number(), v.integer(), v.minValue(0)) });

/** `pixels` are those the desk has read behind texts over pictures, `layout` what it has read from the layout of the pages: there is none here to read it from. */
export const Publish = v.strictObject({ sequence: v.pipe(v.number(), v.integer(), v.minValue(0)), pixels: v.optional(PixelsJson), layout: v.optional(v.pipe(v.array(Reading), v.maxLength(20_000))) });
export const MakeLive = v.strictObject({ number: v.pipe(v.number(), v.integer(), v.minValue(1)) });

/** What is live, making it live, going back, taking it along, and serving it. */
export function publishRoutes(router: Router, { database, root }: Services): void {
  const { db } = database;
  const load = async (id: string) => {
    const stored = await loadSite(database, id);
    if (!stored) throw notFound(`The site “${id}”`);
    return stored;
  };

  router.get('/api/sites/:site/publications', async (context) => {
    const live = await liveSite(db, context.params['site']!);
    context.body = { publications: await listPublications(db, context.params['site']!), live: live ? { site: live.site, number: live.number, sequence: live.sequence } : null };
  });

  router.post('/api/sites/:site/publications', async (context) => {
    const { sequence, pixels, layout } = readInput(Publish, context.request.body);
    const stored = await load(context.params['site']!);
    if (stored.sequence !== sequence) throw new Problem(409, 'Changed meanwhile', 'The site has changed since you looked. Look at what is new, then publish again.');
    const number = await publishSite(database, stored.site, stored.sequence, context.state['user'] as string, root, pixels ? readPixelsJson(pixels) : undefined, layout);
    context.status = 201;
    context.body = { number };
  });

  router.post('/api/sites/:site/live', async (context) => {
    const { number } = readInput(MakeLive, context.request.body);
    if (!(await makeLive(database, context.params['site']!, number))) throw notFound(`Publication ${number}`);
    context.status = 204;
  });

  router.get('/api/sites/:site/zip', async (context) => {
    const { site } = await load(context.params['site']!);
    context.attachment(`${site.id}.zip`);
    context.type = 'application/zip';
    context.body = zipSite(await exportSite(db, site, root));
  });

  router.get('/live/:site{/*path}', async (context) => {
    // Links inside are relative: they need the slash behind the site.
    if (context.path === `/live/${context.params['site']}`) return context.redirect(`${context.path}/`);
    const name = context.params['path'] ? String(context.params['path']) : 'index.html';
    const hash = await liveFileHash(db, context.params['site']!, name);
    const file = hash ? await readFile(db, hash) : undefined;
    if (!file) {
      context.status = 404;
      context.type = 'text/plain';
      context.body = 'This page is not published.\n';
      return;
    }
    context.set('Cache-Control', 'no-cache');
    context.set('ETag', `"${hash}"`);
    if (context.fresh) context.status = 304;
    else {
      context.type = file.type;
      context.body = file.bytes;
    }
  });
}
