import Koa from 'koa';
import { join } from 'node:path';
import { errorBoundary } from './boundary.ts';
import { headers } from './headers.ts';
import { moved } from './moved.ts';
import { mount, onlyOurs } from './mount.ts';
import { openApi } from './openapi.ts';
import { Problem } from './problem.ts';
import type { Route } from './route.ts';
import { webApp } from './static.ts';
import { siteRoutes } from './routes/sites.ts';
import { sessionRoutes } from './routes/session.ts';
import { downloadRoutes } from './routes/downloads.ts';
import { letterRoutes } from './routes/letters.ts';
import { measuredRoutes } from './routes/measured.ts';
import { publishRoutes } from './routes/publish.ts';
import { sourceRoutes } from './routes/sources.ts';
import { frameRoutes } from './routes/frame.ts';
import { fontRoutes } from './routes/fonts.ts';
import { systemRoutes } from './routes/system.ts';
import type { Services } from './context.ts';

/** Every route there is, each declared once. */
export function allRoutes(services: Services): Route[] {
  let described: object | undefined;
  const routes: Route[] = [
    ...systemRoutes(services, () => (described ??= openApi(routes))),
    ...sessionRoutes(services),
    ...siteRoutes(services),
    ...sourceRoutes(services),
    ...downloadRoutes(services),
    ...publishRoutes(services),
    ...measuredRoutes(services),
    ...letterRoutes(services),
    ...frameRoutes(services),
    ...fontRoutes(services),
  ];
  return routes;
}

const noSuchMethod = (): Problem => new Problem(405, 'Not possible', 'This cannot be done at this address.');

/** The whole HTTP application: one error boundary, then the routes, then the built desk. */
export function createApp(services: Services): Koa {
  const app = new Koa({ proxy: false });
  // A window that closes its event stream, or leaves in the middle of what it sends, is no error.
  app.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code !== 'ERR_STREAM_PREMATURE_CLOSE' && error.code !== 'ECONNRESET' && error.code !== 'EPIPE')
      services.log.error({ err: error }, 'while answering');
  });
  app.use(errorBoundary(services));
  for (const middleware of headers()) app.use(middleware);
  app.use(onlyOurs(services));
  app.use(moved(services));
  const router = mount(allRoutes(services), services);
  app.use(router.routes());
  app.use(router.allowedMethods({ throw: true, notImplemented: noSuchMethod, methodNotAllowed: noSuchMethod }));
  app.use(webApp(join(services.root, 'web', 'dist', 'browser')));
  return app;
}
