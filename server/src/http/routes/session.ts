import type Router from '@koa/router';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import * as v from 'valibot';
import { endSession, sessionUser, useSignInToken } from '../../auth/index.ts';
import { cookieName } from '../guard.ts';
import { readInput } from '../input.ts';
import { Problem } from '../problem.ts';
import type { Services } from '../context.ts';

export const SignIn = v.strictObject({ token: v.pipe(v.string(), v.minLength(20), v.maxLength(100)) });

/** Signing in with a one-time token, asking who one is, signing out. */
export function sessionRoutes(router: Router, { database, port }: Services): void {
  const limiter = new RateLimiterPostgres({ storeClient: database.pool, tableName: 'rate_limits', tableCreated: true, keyPrefix: 'sign-in', points: 30, duration: 60 });
  router.post('/api/session', async (context) => {
    await limiter.consume(context.ip).catch((error: unknown) => {
      if (error instanceof RateLimiterRes) throw new Problem(429, 'Too often', 'Too many attempts to sign in. Wait a minute and try again.');
      throw error;
    });
    const { token } = readInput(SignIn, context.request.body);
    const session = await useSignInToken(database.db, token);
    if (!session) throw new Problem(401, 'Link not valid', 'This link was used already or is too old. Run ./yohaku link for a fresh one.');
    context.cookies.set(cookieName(port), session.secret, { httpOnly: true, sameSite: 'strict', expires: session.expiresAt, path: '/', overwrite: true });
    context.status = 204;
  });
  router.get('/api/session', async (context) => {
    const secret = context.cookies.get(cookieName(port));
    const user = secret ? await sessionUser(database.db, secret) : undefined;
    if (!user) throw new Problem(401, 'Not signed in', 'Open the address that ./yohaku start or ./yohaku link prints.');
    context.body = { user };
  });
  router.delete('/api/session', async (context) => {
    const secret = context.cookies.get(cookieName(port));
    if (secret) await endSession(database.db, secret);
    context.cookies.set(cookieName(port), null, { path: '/' });
    context.status = 204;
  });
}
