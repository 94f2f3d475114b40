import Koa from 'koa';
import { bodyParser } from '@koa/bodyparser';
import Router from '@koa/router';
import { join } from 'node:path';
import { errorBoundary } from './boundary.ts';
import { guard } from './guard.ts';
import { headers } from './headers.ts';
import { webApp } from './static.ts';
import { siteRoutes } from './routes/sites.ts';
import { sessionRoutes } from './routes/session.ts';
import { publishRoutes } from './routes/publish.ts';
import { evidenceRoutes } from './routes/evidence.ts';
import { frameRoutes } from './routes/frame.ts';
import { fontRoutes } from './routes/fonts.ts';
import { systemRoutes } from './routes/system.ts';
import type { Services } from './context.ts';

/** The whole HTTP application: one error boundary, one guard, then the routes by folder. */
export function createApp(services: Services): Koa {
  const app = new Koa({ proxy: false });
  // A window that closes its event stream is no error.
  app.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code !== 'ERR_STREAM_PREMATURE_CLOSE' && error.code !== 'ECONNRESET') services.log.error({ err: error }, 'while answering');
  });
  app.use(errorBoundary(services));
  for (const middleware of headers()) app.use(middleware);
  app.use(guard(services));
  app.use(bodyParser({ enableTypes: ['json'], jsonLimit: '2mb', onError: (error, context) => context.throw((error as { status?: number }).status === 413 ? 413 : 400) }));
  const router = new Router();
  for (const add of [systemRoutes, sessionRoutes, siteRoutes, evidenceRoutes, publishRoutes, frameRoutes, fontRoutes]) add(router, services);
  app.use(router.routes());
  app.use(router.allowedMethods());
  app.use(webApp(join(services.root, 'web', 'dist', 'browser')));
  return app;
}
