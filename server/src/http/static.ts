import { readFile, readdir } from 'node:fs/promises';
import { extname, join, relative } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import type { Context, Middleware } from 'koa';
import { POLICIES } from './policy.ts';

const TYPES: Record<string, string> = {
  '.html': 'text/html; charset=utf-8', '.js': 'text/javascript; charset=utf-8', '.css': 'text/css; charset=utf-8', '.json': 'application/json',
  '.svg': 'image/svg+xml', '.png': 'image/png', '.woff2': 'font/woff2', '.woff': 'font/woff', '.txt': 'text/plain; charset=utf-8', '.ico': 'image/x-icon', '.map': 'application/json',
};

interface Served { readonly bytes: Buffer; readonly type: string; br?: Buffer; gzip?: Buffer }

/** Sends bytes compressed when the reader takes it and it helps; each form is made once. */
function send(context: Context, file: Served): void {
  context.type = file.type;
  context.vary('Accept-Encoding');
  const text = /^(text|application\/json|image\/svg)/.test(file.type) && file.bytes.length > 1024;
  const encoding = text ? context.acceptsEncodings('br', 'gzip', 'identity') : 'identity';
  if (encoding === 'br') {
    file.br ??= brotliCompressSync(file.bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } });
    context.set('Content-Encoding', 'br');
    context.body = file.br;
  } else if (encoding === 'gzip') {
    file.gzip ??= gzipSync(file.bytes);
    context.set('Content-Encoding', 'gzip');
    context.body = file.gzip;
  } else context.body = file.bytes;
}

/** Addresses at which the desk itself is opened. Everything else must be a file that was built. */
const DESK = /^\/(?:sign-in|sites\/[a-z0-9-]+(?:\/[A-Za-z0-9/_-]*)?)?$/;

/** Serves the built desk from memory. Only files that were built are ever read, by the names they were built under. */
export function webApp(folder: string): Middleware {
  let names: Promise<ReadonlySet<string>> | undefined;
  const files = new Map<string, Served>();
  const load = async (name: string): Promise<Served | undefined> => {
    names ??= namesIn(folder);
    if (!(await names).has(name)) return undefined;
    let file = files.get(name);
    if (!file) files.set(name, (file = { bytes: await readFile(join(folder, name)), type: TYPES[extname(name)] ?? 'application/octet-stream' }));
    return file;
  };
  return async (context, next) => {
    if (!['GET', 'HEAD'].includes(context.method) || context.body !== undefined || context.status !== 404) return next();
    const name = DESK.test(context.path) ? 'index.html' : context.path.slice(1);
    if (name === 'index.html') context.set('Content-Security-Policy', POLICIES.desk);
    const file = await load(name);
    if (!file) return next();
    context.set('Content-Security-Policy', POLICIES.desk);
    context.set('Cache-Control', /-[A-Z0-9]{8}\./.test(name) ? 'public, max-age=31536000, immutable' : 'no-cache');
    send(context, file);
  };
}

async function namesIn(folder: string): Promise<ReadonlySet<string>> {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true }).catch(() => []);
  return new Set(entries.filter((entry) => entry.isFile()).map((entry) => relative(folder, join(entry.parentPath ?? entry.path, entry.name)).replaceAll('\\', '/')));
}
