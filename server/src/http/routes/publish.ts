import { API, MISSING_FILE, readPixelsJson } from '@yohaku/core';
import { hasSite, loadSite } from '../../sites/index.ts';
import {
  exportSite,
  listPublications,
  liveFile,
  liveSite,
  makeLive,
  publishSite,
  zipSite,
} from '../../publish/index.ts';
import { sendFile } from '../send-file.ts';
import { Problem, notFound } from '../problem.ts';
import { route, type Asked, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/** The routes to publish, to publish again, to download and to serve the live site. */
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
  const page = async ({ context, params }: Asked<'/live/:site/'>) => {
    // The path after the site, if there is one.
    const { path } = params as { readonly path?: string };
    const live = database.live;
    const name = path || 'index.html';
    const file = await liveFile(live, params.site, name);
    // A form that is sent says where it comes from; elsewhere nothing is told of the reader.
    context.set('Referrer-Policy', 'same-origin');
    context.set('Cache-Control', 'no-cache');
    if (file) return sendFile(context, live, file);
    // The page of the site for unknown addresses; its links are relative to the top folder.
    const missing = name.includes('/') ? undefined : await liveFile(live, params.site, MISSING_FILE);
    if (missing && context.method === 'GET') return sendFile(context, live, missing, 404);
    context.status = 404;
    context.type = 'text/plain';
    context.body = 'This page is not published.\n';
  };
  return [
    route(API.publish.list, async ({ params }) => {
      const site = await known(params.site);
      const live = await liveSite(db, site);
      return {
        publications: await listPublications(db, site),
        live: live ? { site: live.site, number: live.number, sequence: live.sequence } : null,
      };
    }),
    route(API.publish.publish, async ({ context, params, body: { sequence, pixels, layout }, user }) => {
      const stored = await load(params.site);
      if (stored.sequence !== sequence)
        throw new Problem(
          409,
          'Changed meanwhile',
          'The site has changed since you opened it. Review the changes, then publish again.',
        );
      const number = await publishSite(
        database,
        apart,
        stored.site,
        stored.sequence,
        user,
        root,
        pixels ? readPixelsJson(pixels) : undefined,
        layout,
      );
      context.status = 201;
      return { number };
    }),
    route(API.publish.makeLive, async ({ context, params, body }) => {
      if (!(await makeLive(database, params.site, body.number))) throw notFound(`Publication ${body.number}`);
      context.status = 204;
    }),
    route(API.publish.zip, async ({ context, params }) => {
      const { site } = await load(params.site);
      context.attachment(`${site.id}.zip`);
      context.type = 'application/zip';
      context.body = await zipSite(await exportSite(db, apart, site, root));
    }),
    route(API.publish.live, ({ context, params }) => {
      context.redirect(`/live/${params.site}/`);
    }),
    route(API.publish.liveHome, page),
    route(API.publish.liveFile, page as never),
  ];
}
