import { readdir } from 'node:fs/promises';
import { join, relative } from 'node:path';
import { send } from '@koa/send';
import type { Middleware } from 'koa';
import { POLICIES } from './policy.ts';

/** Addresses at which the desk itself is opened. Everything else must be a file that was built. */
const DESK = /^\/(?:sign-in|new|sites\/[a-z0-9-]+(?:\/[A-Za-z0-9/_-]*)?)?$/;
/** The page of the kit, for those who work on Yohaku: served where it is asked for. */
const isKit = (path: string): boolean => /^\/kit(?:\/empty)?$/.test(path) && process.env['YOHAKU_KIT'] === '1';
/** Files that are named by what is in them: they never change. */
const NAMED_BY_CONTENT = /-[A-Z0-9]{8}\./;

/**
 * Serves the built desk, in the packed forms that were made with it. Only files that were built are ever read, by the
 * names they were built under.
 */
export function webApp(folder: string): Middleware {
  let names: Promise<ReadonlySet<string>> | undefined;
  return async (context, next) => {
    if (!['GET', 'HEAD'].includes(context.method) || context.body !== undefined || context.status !== 404)
      return next();
    const name = DESK.test(context.path) || isKit(context.path) ? 'index.html' : context.path.slice(1);
    if (name === 'index.html') context.set('Content-Security-Policy', POLICIES.desk);
    names ??= namesIn(folder);
    if (!(await names).has(name)) return next();
    context.set('Content-Security-Policy', POLICIES.desk);
    context.set('Cache-Control', NAMED_BY_CONTENT.test(name) ? 'public, max-age=31536000, immutable' : 'no-cache');
    context.vary('Accept-Encoding');
    await send(context, name, { root: folder });
  };
}

/** Returns the names of built files, without their compressed forms. */
async function namesIn(folder: string): Promise<ReadonlySet<string>> {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true }).catch(() => []);
  return new Set(
    entries
      .filter((entry) => entry.isFile())
      .map((entry) => relative(folder, join(entry.parentPath ?? entry.path, entry.name)).replaceAll('\\', '/'))
      .filter((name) => !/\.(br|gz)$/.test(name)),
  );
}
