import { API } from '@yohaku/core';
import { hasSite, keepMeasured, loadMeasured } from '../../sites/index.ts';
import { notFound } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/** What desks measured of the pages, so that the next opening begins with it. */
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
