import type { Middleware } from 'koa';
import helmet from 'koa-helmet';
import { POLICIES } from './policy.ts';

/** Helmet's small headers, and the strictest policy; a route that shows pages sets its own once it is matched. */
export function headers(): Middleware[] {
  return [
    helmet({
      contentSecurityPolicy: false,
      strictTransportSecurity: false,
      crossOriginEmbedderPolicy: false,
      xFrameOptions: false,
      referrerPolicy: { policy: 'no-referrer' },
    }),
    async (context, next) => {
      context.set('Content-Security-Policy', POLICIES.data);
      context.set('Permissions-Policy', 'camera=(), geolocation=(), microphone=()');
      // Routes with cacheable answers set their own header.
      if (context.path.startsWith('/api')) context.set('Cache-Control', 'no-store');
      await next();
    },
  ];
}
