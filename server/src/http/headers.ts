import type { Middleware } from 'koa';
import helmet from 'koa-helmet';

const POLICY = { desk: desk(), frame: frame("'self'"), live: frame("'none'") };

function desk(): string {
  return ["default-src 'self'", "style-src 'self' 'unsafe-inline'", "img-src 'self' data: blob:", "font-src 'self'", "worker-src 'self'", "frame-src 'self'", "object-src 'none'", "base-uri 'self'", "form-action 'self'", "frame-ancestors 'none'"].join('; ');
}

/** Pages of a site never run a script, wherever they are shown. */
function frame(ancestors: string): string {
  return ["default-src 'none'", "style-src 'self' 'unsafe-inline'", "img-src 'self' data:", "font-src 'self'", "manifest-src 'self'", "form-action 'none'", "base-uri 'none'", `frame-ancestors ${ancestors}`].join('; ');
}

/** Security headers: helmet's small ones, and one policy each for the desk, the frames on the wall, and published sites. */
export function headers(): Middleware[] {
  return [
    helmet({ contentSecurityPolicy: false, strictTransportSecurity: false, crossOriginEmbedderPolicy: false, xFrameOptions: false, referrerPolicy: { policy: 'no-referrer' } }),
    async (context, next) => {
      context.set('Content-Security-Policy', context.path.startsWith('/frame') ? POLICY.frame : context.path.startsWith('/live') ? POLICY.live : POLICY.desk);
      context.set('Permissions-Policy', 'camera=(), geolocation=(), microphone=()');
      await next();
    },
  ];
}
