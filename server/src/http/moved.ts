import type { Middleware } from 'koa';
import { movedTo } from '../sites/index.ts';
import type { Services } from './context.ts';
import { Problem } from './problem.ts';

/** Addresses of a site: its API, what is live of it, its pages as frames. */
const OF_A_SITE = /^\/(api\/sites|live|frame)\/([a-z][a-z0-9-]{0,59})(\/.*)?$/;

/** Where a site is not found under an id that it had before, what was asked for is asked for again where it is now. */
export function moved({ database }: Services): Middleware {
  return async (context, next) => {
    let failed: unknown;
    try {
      await next();
    } catch (error) {
      failed = error;
    }
    const missing = failed instanceof Problem ? failed.status === 404 : failed === undefined && context.status === 404;
    const [, under, id, rest = ''] = missing ? (OF_A_SITE.exec(context.path) ?? []) : [];
    const now = id === undefined ? undefined : await movedTo(database.db, id);
    if (now !== undefined) {
      // Set first, it stays: the method is kept, and what was sent.
      context.status = 308;
      context.redirect(`/${under}/${now}${rest}${context.search}`);
      return;
    }
    if (failed !== undefined) throw failed;
  };
}
