import type { Middleware } from 'koa';
import { sessionUser } from '../auth/index.ts';
import { Problem } from './problem.ts';
import type { Services } from './context.ts';

const OPEN = new Set(['/api/health', '/api/openapi.json', '/api/session']);

/** The cookie's name holds the port, so that two servers on one machine do not sign each other out. */
export const cookieName = (port: number): string => `yohaku_${port}`;

/** Refuses foreign hosts, changing requests from other origins, and everything under `/api` and `/frame` without a session. */
export function guard(services: Services): Middleware {
  const hosts = new Set([`127.0.0.1:${services.port}`, `localhost:${services.port}`, ...(process.env['YOHAKU_HOST'] ? [process.env['YOHAKU_HOST']] : [])]);
  return async (context, next) => {
    if (!hosts.has(context.host)) throw new Problem(403, 'Not allowed', 'This address is not one Yohaku serves.');
    if (!['GET', 'HEAD', 'OPTIONS'].includes(context.method)) {
      const origin = context.get('Origin');
      if (origin !== '' && !hosts.has(origin.replace(/^https?:\/\//, ''))) throw new Problem(403, 'Not allowed', 'Changes are taken only from Yohaku’s own pages.');
    }
    if ((context.path.startsWith('/api') && !OPEN.has(context.path)) || context.path.startsWith('/frame')) {
      const secret = context.cookies.get(cookieName(services.port));
      const user = secret ? await sessionUser(services.database.db, secret) : undefined;
      if (!user) throw new Problem(401, 'Not signed in', 'Open the address that ./yohaku start or ./yohaku link prints.');
      context.state['user'] = user;
    }
    await next();
  };
}
