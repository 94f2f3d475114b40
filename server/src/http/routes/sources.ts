import { API } from '@yohaku/core';
import { readFile } from '../../assets/index.ts';
import { addSource, sourceFile, listSources, putAway } from '../../sources/index.ts';
import { hasSite } from '../../sites/index.ts';
import { notFound } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/** Source in: kept with what it gave, listed, put away and back. */
export function sourceRoutes({ database, apart }: Services): Route[] {
  const known = async (site: string): Promise<string> => {
    if (!(await hasSite(database.db, site))) throw notFound(`The site “${site}”`);
    return site;
  };
  return [
    route(API.sources.list, async ({ params }) => ({ sources: await listSources(database, await known(params.site)) })),
    route(API.sources.add, async ({ params, query, bytes }) =>
      addSource(database, apart, await known(params.site), query.id, query.name, bytes),
    ),
    route(API.sources.putAway, async ({ context, params, body }) => {
      if (!(await putAway(database, params.site, params.id, body.putAway))) throw notFound('The source');
      context.status = 204;
    }),
    route(API.sources.picture, async ({ context, params }) => {
      const hash = await sourceFile(database, params.site, params.id);
      const file = hash ? await readFile(database.db, hash) : undefined;
      if (!file) throw notFound('The image');
      context.type = file.type;
      context.set('Cache-Control', 'private, max-age=31536000, immutable');
      context.body = file.bytes;
    }),
  ];
}
