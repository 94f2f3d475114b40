import { API } from '@yohaku/core';
import { keepDownload } from '../../assets/index.ts';
import { hasSite } from '../../sites/index.ts';
import { notFound } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/** Files for visitors to download: kept by content, before an edit names them. */
export function downloadRoutes({ database: { db } }: Services): Route[] {
  return [
    route(API.downloads.add, async ({ params, query, bytes }) => {
      if (!(await hasSite(db, params.site))) throw notFound(`The site “${params.site}”`);
      return keepDownload(db, query.name, bytes);
    }),
  ];
}
