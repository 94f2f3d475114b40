import { createServer, type RequestListener, type Server } from 'node:http';
import { join } from 'node:path';
import { pinoHttp } from 'pino-http';
import { Isolated } from './isolated/index.ts';
import { clearSessions, makeSignInToken } from './auth/index.ts';
import { loadDemo } from './demo.ts';
import { awaitDatabase, checkDatabaseAddress, migrateDatabase, openDatabase } from './db/index.ts';
import { createApp } from './http/app.ts';
import { doorOf } from './http/door.ts';
import { UploadQueue, letterQueue, uploadLimits, type UploadLimits } from './http/uploads.ts';
import { ChangeHub } from './live/index.ts';
import { LOGGED, openLog } from './log.ts';

export interface ServerOptions {
  readonly databaseUrl: string;
  /** 0 takes any free port. */
  readonly port: number;
  readonly root: string;
  readonly demo: boolean;
  /** File for the log; standard error when absent. */
  readonly logFile?: string;
  /** The address that browsers use, when a proxy stands in front. */
  readonly publicAddress?: string;
  readonly uploadLimits?: UploadLimits;
  /** Addresses of proxies, separated by commas, whose `X-Forwarded-For` is trusted (`YOHAKU_PROXIES`). */
  readonly proxies?: string;
  /** How long a database that does not answer yet is waited for, ms; a minute by default. */
  readonly patience?: number;
  /** Hears what is waited for, in a few words. */
  readonly onWait?: (why: string) => void;
}

export interface RunningServer {
  readonly port: number;
  readonly address: string;
  /** A fresh one-time sign-in address. */
  link(): Promise<string>;
  close(): Promise<void>;
}

/** The server closes a socket without traffic after this time, ms. Event streams send something more often. */
const IDLE_SOCKET = 60_000;

/** How often sessions that are over are cleared away; ms. */
const CLEARING = 60 * 60_000;

/**
 * Waits for the database, migrates, loads the demo where wanted, and serves on
 * loopback. Requests that come before all of that is done wait for it.
 * @throws the error of `listen` (EADDRINUSE) or of the database, with everything closed again
 */
export async function startServer(options: ServerOptions): Promise<RunningServer> {
  checkDatabaseAddress(options.databaseUrl);
  const log = openLog(options.logFile);
  const database = openDatabase(options.databaseUrl, (error) => log.warn({ err: error }, 'database connection lost'));
  const hub = new ChangeHub(options.databaseUrl, () => database.remembered.clear());
  const apart = new Isolated();
  const server = createServer({
    requestTimeout: 120_000,
    headersTimeout: 20_000,
    keepAliveTimeout: IDLE_SOCKET,
    maxHeaderSize: 16 * 1024,
  });
  // A request that comes between listening and being able to answer is answered as soon as that is so.
  let handler: RequestListener | undefined;
  const early: Parameters<RequestListener>[] = [];
  // A request can take long. Only a client that does not read a waiting answer is disconnected.
  server.on('request', (_request, response) =>
    response.on('timeout', (socket) => {
      if (socket.writableLength > 0) socket.destroy();
      else socket.setTimeout(IDLE_SOCKET);
    }),
  );
  server.on('request', (request, response) => {
    if (handler) handler(request, response);
    else early.push([request, response]);
  });
  // A stalled client is disconnected, and its buffer is freed.
  server.setTimeout(IDLE_SOCKET);
  server.on('clientError', (_error, socket) => {
    if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nConnection: close\r\n\r\n');
    else socket.destroy();
  });
  let clearing: NodeJS.Timeout | undefined;
  const closeAll = async () => {
    clearInterval(clearing);
    const closed = new Promise<void>((resolve) => server.close(() => resolve()));
    server.closeAllConnections();
    await closed;
    apart.close();
    await hub.close();
    await database.close().catch(() => {});
  };
  try {
    const port = await listen(server, options.port);
    const publicAddress = options.publicAddress ?? process.env['YOHAKU_ADDRESS'];
    const door = doorOf(port, publicAddress || undefined, options.proxies ?? process.env['YOHAKU_PROXIES']);
    await awaitDatabase(database, options.patience, options.onWait);
    await migrateDatabase(database, join(options.root, 'server', 'migrations'));
    if (options.demo) await loadDemo(database);
    await clearSessions(database.db);
    await hub.start();
    const handle = createApp({
      database,
      hub,
      log,
      door,
      apart,
      letters: letterQueue(),
      uploads: new UploadQueue(options.uploadLimits ?? uploadLimits(process.env['YOHAKU_UPLOADS'])),
      root: options.root,
    }).callback();
    const logged = pinoHttp({
      logger: log,
      serializers: LOGGED,
      wrapSerializers: false,
      autoLogging: { ignore: (request) => !request.url?.startsWith('/api') },
      customLogLevel: (_request, response) => (response.statusCode >= 500 ? 'error' : 'debug'),
    });
    handler = (request, response) => {
      logged(request, response);
      void handle(request, response);
    };
    for (const [request, response] of early.splice(0)) handler(request, response);
    clearing = setInterval(() => void clearSessions(database.db).catch(() => {}), CLEARING);
    clearing.unref();
    const address = `http://127.0.0.1:${port}`;
    const shown = publicAddress ? publicAddress.replace(/\/$/, '') : address;
    return {
      port,
      address,
      link: async () => `${shown}/sign-in#${await makeSignInToken(database.db)}`,
      close: closeAll,
    };
  } catch (error) {
    await closeAll();
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
