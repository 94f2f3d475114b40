import Router from '@koa/router';
import type { Context, Middleware } from 'koa';
import getRawBody from 'raw-body';
import { megabytes } from '@yohaku/core';
import { sessionOf } from '../auth/index.ts';
import type { Services } from './context.ts';
import { readInput, readJson } from './input.ts';
import { POLICIES } from './policy.ts';
import { Problem } from './problem.ts';
import { BODY_BYTES, type Route } from './route.ts';

/** The allowed parts of an address: ids, file names, paths of a live site. */
const PLAIN_PARAM = /^[A-Za-z0-9][A-Za-z0-9._-]{0,254}(?:\/[A-Za-z0-9][A-Za-z0-9._-]{0,254}){0,4}\/?$/;

/** The longest time for sending a form, ms. */
const VISITOR_MS = 20_000;

/** Refuses hosts that are not ours, and changes that come from pages that are not ours, whatever the address. */
export function onlyOurs({ door }: Services): Middleware {
  return async (context, next) => {
    if (!door.hosts.has(context.host)) throw new Problem(403, 'Not allowed', 'Yohaku does not serve this address.');
    const origin = context.get('Origin');
    if (!['GET', 'HEAD', 'OPTIONS'].includes(context.method) && origin !== '' && !door.origins.has(origin))
      throw new Problem(403, 'Not allowed', 'Only Yohaku’s own pages may change this.');
    await next();
  };
}

/**
 * Puts declared routes into a router. Addresses are compared letter by letter
 * (case, slashes), and who may come in is decided on the route that matched: a
 * spelling that matches no route reaches nothing, one that matches meets its guard.
 */
export function mount(routes: readonly Route[], services: Services): Router {
  const router = new Router({ sensitive: true, strict: true });
  for (const route of routes) router[route.declared.method](route.declared.path, answer(route, services));
  return router;
}

function answer({ declared, handle: answered, admit }: Route, services: Services): Middleware {
  return async (context) => {
    const session = declared.open ? undefined : await enter(context, services);
    context.set('Content-Security-Policy', POLICIES[declared.policy ?? 'data']);
    const params = plainParams(context.params as Record<string, string>);
    const query = declared.query ? readInput(declared.query, { ...context.query }) : undefined;
    const body = declared.body
      ? readInput(declared.body, await jsonBody(context, declared.bodyBytes ?? BODY_BYTES))
      : undefined;
    const handle = async (bytes: Buffer) => {
      const said = await answered({
        context,
        params,
        query,
        body,
        bytes,
        user: session?.user ?? '',
        session: session?.id ?? '',
      });
      if (said !== undefined) context.body = said;
    };
    if (!declared.upload) return handle(Buffer.alloc(0));
    const { bytes: limit, tooLarge } = declared.upload;
    if (Number(context.get('Content-Length') || 0) > limit) throw new Problem(413, 'Too large', tooLarge);
    await admit?.({ context, params });
    // Messages are small. The server reads the whole message before it takes a place in the queue, so that unfinished
    // ones take none.
    if (declared.upload.visitors) {
      const from = [`from ${services.door.visitor(context.req)}`, `to ${params['site'] ?? ''}`];
      services.letters.count(from);
      const bytes = await rawBody(context, limit, tooLarge, VISITOR_MS);
      return services.letters.run([], () => handle(bytes));
    }
    // A file stands in memory from here until it is read: as many at once as the queue has room for.
    return services.uploads.run([session?.user ?? ''], async () => handle(await rawBody(context, limit, tooLarge)));
  };
}

/** Who is signed in. @throws Problem 401, or 403 when the request was made by a page that is not ours */
async function enter(context: Context, { door, database }: Services) {
  const secret = context.cookies.get(door.cookie);
  const session = secret ? await sessionOf(database.db, secret) : undefined;
  if (!session)
    throw new Problem(401, 'Not signed in', 'Open the address that ./yohaku start or ./yohaku link prints.');
  // Another program on this machine is the same site to a browser, and its requests carry the cookie: only our own
  // pages ask for data.
  const from = context.get('Sec-Fetch-Site');
  const opened = context.get('Sec-Fetch-Mode') === 'navigate' && context.method === 'GET';
  if ((from === 'cross-site' || from === 'same-site') && !opened)
    throw new Problem(403, 'Not allowed', 'Only Yohaku’s own pages may ask this.');
  const origin = context.get('Origin');
  if (origin !== '' && !door.origins.has(origin))
    throw new Problem(403, 'Not allowed', 'Only Yohaku’s own pages may ask this.');
  return session;
}

function plainParams(params: Record<string, string>): Record<string, string> {
  for (const value of Object.values(params))
    if (value !== undefined && !PLAIN_PARAM.test(String(value)))
      throw new Problem(404, 'Not found', 'There is nothing at this address.');
  return Object.fromEntries(
    Object.entries(params).map(([name, value]) => [name, value === undefined ? '' : String(value)]),
  );
}

async function jsonBody(context: Context, limit: number): Promise<unknown> {
  if (!context.is('application/json'))
    throw new Problem(
      415,
      'Unknown kind of content',
      'This address accepts only JSON. Send it with Content-Type: application/json.',
    );
  const bytes = await rawBody(context, limit, `The request is over ${megabytes(limit)}. Send less at once.`);
  return readJson(bytes);
}

async function rawBody(context: Context, limit: number, tooLarge: string, within?: number): Promise<Buffer> {
  const encoding = context.get('Content-Encoding');
  if (encoding !== '' && encoding !== 'identity')
    throw new Problem(415, 'Unknown kind of content', 'The content is compressed. Send it uncompressed.');
  const late = within === undefined ? undefined : setTimeout(() => context.req.destroy(), within);
  try {
    return await getRawBody(context.req, { limit, length: context.get('Content-Length') || null });
  } catch (error) {
    if ((error as { status?: number }).status === 413) throw new Problem(413, 'Too large', tooLarge);
    throw error;
  } finally {
    clearTimeout(late);
  }
}
