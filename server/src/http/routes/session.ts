import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import * as v from 'valibot';
import { endSession, listSessions, useSignInToken } from '../../auth/index.ts';
import { Problem, notFound } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

const SignIn = v.strictObject({ token: v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{20,100}$/, 'is no sign-in token')) });

/** Signing in with a one-time token, asking who one is, signing out, and the list of sessions. */
export function sessionRoutes({ database, door }: Services): Route[] {
  const limiter = new RateLimiterPostgres({ storeClient: database.pool, tableName: 'rate_limits', tableCreated: true, keyPrefix: 'sign-in', points: 30, duration: 60 });
  return [
    route({
      method: 'post', path: '/api/session', summary: 'Sign in with a one-time token', open: true, body: SignIn, bodyBytes: 4096,
      async handle({ context, body: { token } }) {
        // The right token is let in whatever came before it: only wrong ones are counted.
        const session = await useSignInToken(database.db, token, context.get('User-Agent'));
        if (!session) {
          await limiter.consume(context.ip).catch((error: unknown) => {
            if (error instanceof RateLimiterRes) throw new Problem(429, 'Too often', 'Too many wrong attempts to sign in. Wait a minute and try again.', [], Math.ceil(error.msBeforeNext / 1000));
            throw error;
          });
          throw new Problem(401, 'Link not valid', 'This link was used already or is too old. Run ./yohaku link for a fresh one.');
        }
        // Behind a proxy the connection itself is plain; what the browser sees is what counts.
        context.cookies.secure = door.secure;
        context.cookies.set(door.cookie, session.secret, { httpOnly: true, sameSite: 'strict', secure: door.secure, expires: session.expiresAt, path: '/', overwrite: true });
        context.status = 204;
      },
    }),
    route({
      method: 'get', path: '/api/session', summary: 'Who is signed in',
      handle({ context, user }) {
        context.body = { user };
      },
    }),
    route({
      method: 'delete', path: '/api/session', summary: 'Sign out',
      async handle({ context, user, session }) {
        await endSession(database.db, user, session);
        context.cookies.secure = door.secure;
        context.cookies.set(door.cookie, null, { path: '/', secure: door.secure });
        context.status = 204;
      },
    }),
    route({
      method: 'get', path: '/api/sessions', summary: 'Where somebody is signed in, the one used last first',
      async handle({ context, user, session }) {
        context.body = { sessions: (await listSessions(database.db, user)).map((one) => ({ ...one, current: one.id === session })) };
      },
    }),
    route({
      method: 'delete', path: '/api/sessions/:id', summary: 'End one session, and the streams it has open',
      async handle({ context, user, params }) {
        if (!(await endSession(database.db, user, params['id']!))) throw notFound('The session');
        context.status = 204;
      },
    }),
  ];
}
