import { createServer, type Server } from 'node:http';
import { join } from 'node:path';
import pino from 'pino';
import { pinoHttp } from 'pino-http';
import { makeSignInToken } from './auth/index.ts';
import { loadDemo } from './demo.ts';
import { migrateDatabase, openDatabase } from './db/index.ts';
import { createApp } from './http/app.ts';
import { ChangeHub } from './live/index.ts';

export interface ServerOptions {
  readonly databaseUrl: string;
  /** 0 takes any free port. */
  readonly port: number;
  readonly root: string;
  readonly demo: boolean;
  /** File for the log; standard error when absent. */
  readonly logFile?: string;
}

export interface RunningServer {
  readonly port: number;
  readonly address: string;
  /** A fresh one-time sign-in address. */
  link(): Promise<string>;
  close(): Promise<void>;
}

/**
 * Migrates, loads the demo where wanted, and serves on loopback.
 * @throws the error of `listen` (EADDRINUSE) or of the database, with everything closed again
 */
export async function startServer(options: ServerOptions): Promise<RunningServer> {
  const log = pino({ level: process.env['YOHAKU_LOG'] ?? 'info', redact: ['req.headers.cookie', 'req.headers.authorization'] }, pino.destination({ dest: options.logFile ?? 2, mkdir: true, sync: false }));
  const database = openDatabase(options.databaseUrl, (error) => log.warn({ err: error }, 'database connection lost'));
  const hub = new ChangeHub(options.databaseUrl);
  const server = createServer();
  try {
    const port = await listen(server, options.port);
    await migrateDatabase(database, join(options.root, 'server', 'migrations'));
    if (options.demo) await loadDemo(database);
    await hub.start();
    const app = createApp({ database, hub, log, port, root: options.root });
    const handle = app.callback();
    const logged = pinoHttp({ logger: log, autoLogging: { ignore: (request) => !request.url?.startsWith('/api') }, customLogLevel: (_request, response) => (response.statusCode >= 500 ? 'error' : 'debug') });
    server.on('request', (request, response) => {
      logged(request, response);
      void handle(request, response);
    });
    const address = `http://127.0.0.1:${port}`;
    return {
      port, address,
      link: async () => `${address}/sign-in#${await makeSignInToken(database.db)}`,
      close: async () => {
        const closed = new Promise<void>((resolve) => server.close(() => resolve()));
        server.closeAllConnections();
        await closed;
        await hub.close();
        await database.close();
      },
    };
  } catch (error) {
    server.close();
    await hub.close();
    await database.close().catch(() => {});
    throw error;
  }
}

function listen(server: Server, port: number): Promise<number> {
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve((server.address() as { port: number }).port));
  });
}

export { makeSignInToken } from './auth/index.ts';
export { openDatabase, migrateDatabase } from './db/index.ts';
