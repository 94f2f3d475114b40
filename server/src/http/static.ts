import { readFile } from 'node:fs/promises';
import { extname, join, normalize } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import type { Context, Middleware } from 'koa';

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

/** Serves the built desk from memory; any other path without an ending gives its index, so that addresses can be reloaded. */
export function webApp(folder: string): Middleware {
  const files = new Map<string, Served | undefined>();
  const load = async (name: string): Promise<Served | undefined> => {
    if (!files.has(name)) {
      const bytes = await readFile(join(folder, name)).catch(() => undefined);
      files.set(name, bytes ? { bytes, type: TYPES[extname(name)] ?? 'application/octet-stream' } : undefined);
    }
    return files.get(name);
  };
  return async (context, next) => {
    if (!['GET', 'HEAD'].includes(context.method) || /^\/(api|frame|live|fonts)(\/|$)/.test(context.path)) return next();
    let name = normalize(decodeURIComponent(context.path)).replace(/^[/\\]+/, '');
    if (name.includes('..')) return next();
    if (name === '' || extname(name) === '') name = 'index.html';
    const file = await load(name);
    if (!file) return next();
    context.set('Cache-Control', /-[A-Z0-9]{8}\./.test(name) ? 'public, max-age=31536000, immutable' : 'no-cache');
    send(context, file);
  };
}
