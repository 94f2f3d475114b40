import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import { API } from '@yohaku/core';
import { endSession, listSessions, useSignInToken } from '../../auth/index.ts';
import { Problem, notFound } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/** Signing in with a one-time token, asking who one is, signing out, and the list of sessions. */
export function sessionRoutes({ database, door }: Services): Route[] {
  const limiter = new RateLimiterPostgres({
    storeClient: database.pool,
    tableName: 'rate_limits',
    tableCreated: true,
    keyPrefix: 'sign-in',
    points: 30,
    duration: 60,
  });
  return [
    route(API.session.signIn, async ({ context, body: { token } }) => {
      // The right token is let in whatever came before it: only wrong ones are counted.
      const session = await useSignInToken(database.db, token, context.get('User-Agent'));
      if (!session) {
        await limiter.consume(context.ip).catch((error: unknown) => {
          if (error instanceof RateLimiterRes)
            throw new Problem(
              429,
              'Too often',
              'Too many wrong attempts to sign in. Wait a minute and try again.',
              [],
              Math.ceil(error.msBeforeNext / 1000),
            );
          throw error;
        });
        throw new Problem(
          401,
          'Link not valid',
          'This sign-in address was used already or has expired. Run ./yohaku link to get a new one.',
        );
      }
      // Behind a proxy the connection itself is plain; what the browser sees is what counts.
      context.cookies.secure = door.secure;
      context.cookies.set(door.cookie, session.secret, {
        httpOnly: true,
        sameSite: 'strict',
        secure: door.secure,
        expires: session.expiresAt,
        path: '/',
        overwrite: true,
      });
      context.status = 204;
    }),
    route(API.session.who, ({ user }) => ({ user })),
    route(API.session.signOut, async ({ context, user, session }) => {
      await endSession(database.db, user, session);
      context.cookies.secure = door.secure;
      context.cookies.set(door.cookie, null, { path: '/', secure: door.secure });
      context.status = 204;
    }),
    route(API.session.list, async ({ user, session }) => {
      return {
        sessions: (await listSessions(database.db, user)).map((entry) => ({ ...entry, current: entry.id === session })),
      };
    }),
    route(API.session.end, async ({ context, user, params }) => {
      if (!(await endSession(database.db, user, params.id))) throw notFound('The session');
      context.status = 204;
    }),
  ];
}
