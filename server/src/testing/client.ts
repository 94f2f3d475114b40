import { startServer, type RunningServer } from '../main.ts';
import { freshUrl, ROOT } from './database.ts';

/** A running server and somebody signed in. */
export interface Client {
  readonly server: RunningServer;
  readonly databaseUrl: string;
  readonly cookie: string;
  get(path: string, headers?: Record<string, string>): Promise<Response>;
  send(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Response>;
  close(): Promise<void>;
}

/** Starts a server on a fresh database and signs the owner in. */
export async function startClient(databaseUrl?: string): Promise<Client> {
  const url = databaseUrl ?? (await freshUrl());
  process.env['YOHAKU_LOG'] = 'silent';
  const server = await startServer({ databaseUrl: url, port: 0, root: ROOT, demo: false });
  const token = (await server.link()).split('#')[1]!;
  const signedIn = await fetch(`${server.address}/api/session`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ token }) });
  const cookie = signedIn.headers.get('set-cookie')!.split(';')[0]!;
  return {
    server, databaseUrl: url, cookie,
    get: (path, headers = {}) => fetch(server.address + path, { headers: { cookie, ...headers } }),
    send: (method, path, body, headers = {}) => fetch(server.address + path, {
      method, headers: { cookie, ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
      ...(body === undefined ? {} : { body: typeof body === 'string' || body instanceof Uint8Array ? (body as BodyInit) : JSON.stringify(body) }),
    }),
    close: () => server.close(),
  };
}
