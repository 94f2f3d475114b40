import { API } from '@yohaku/core';
import { hasSite, keepMeasured, loadMeasured } from '../../sites/index.ts';
import { notFound } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/** Keeps the measurements that a desk made of the pages, so that the next desk begins with them. */
export function measuredRoutes({ database: { db } }: Services): Route[] {
  const known = async (site: string): Promise<string> => {
    if (!(await hasSite(db, site))) throw notFound(`The site “${site}”`);
    return site;
  };
  return [
    route(API.measured.load, async ({ params }) => ({ measured: await loadMeasured(db, await known(params.site)) })),
    route(API.measured.keep, async ({ context, params, body }) => {
      await keepMeasured(db, await known(params.site), body);
      context.status = 204;
    }),
  ];
}
