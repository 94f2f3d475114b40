import pg from 'pg';
import { startServer, type RunningServer, type ServerOptions } from '../main.ts';
import { freshUrl, ROOT } from './database.ts';

/** A running server and somebody signed in. */
export interface Client {
  readonly server: RunningServer;
  readonly databaseUrl: string;
  /** The same database, asked past the server. */
  readonly databasePool: pg.Pool;
  readonly cookie: string;
  get(path: string, headers?: Record<string, string>): Promise<Response>;
  send(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Response>;
  close(): Promise<void>;
}

/** Starts a server on a fresh database and signs the owner in. */
export async function startClient(databaseUrl?: string, more: Partial<ServerOptions> = {}): Promise<Client> {
  const url = databaseUrl ?? (await freshUrl());
  process.env['YOHAKU_LOG'] ??= 'silent';
  const server = await startServer({ databaseUrl: url, port: 0, root: ROOT, demo: false, ...more });
  const token = (await server.link()).split('#')[1]!;
  const signedIn = await fetch(`${server.address}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ token }),
  });
  const cookie = signedIn.headers.get('set-cookie')!.split(';')[0]!;
  const databasePool = new pg.Pool({ connectionString: url, max: 2 });
  databasePool.on('error', () => {});
  return {
    server,
    databaseUrl: url,
    databasePool,
    cookie,
    get: (path, headers = {}) => fetch(server.address + path, { headers: { cookie, ...headers } }),
    send: (method, path, body, headers = {}) =>
      fetch(server.address + path, {
        method,
        headers: { cookie, ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
        ...(body === undefined
          ? {}
          : {
              body: typeof body === 'string' || body instanceof Uint8Array ? (body as BodyInit) : JSON.stringify(body),
            }),
      }),
    close: async () => {
      await databasePool.end();
      await server.close();
    },
  };
}
