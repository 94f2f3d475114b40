import { existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join, resolve } from 'node:path';
import { buildServer, buildWeb } from './build.mjs';
import { useCluster } from './cluster.mjs';
import { ensurePackages, ensurePostgres } from './install.mjs';
import { lockOwner, tryLock } from './lock.mjs';
import { BUILD, ROOT } from './paths.mjs';
import { UseError, say } from './say.mjs';

const DEFAULT_PORT = 4780;

/** `./yohaku start`: sets up what is missing, serves until it is told to stop, and stops all it started. */
export async function start({ port, data, empty }) {
  const wanted = port === undefined ? DEFAULT_PORT : wholePort(port);
  const dataDir = resolve(data ?? join(ROOT, '.data'));
  mkdirSync(dataDir, { recursive: true });
  const lock = join(dataDir, 'start.lock');
  if (!tryLock(lock, '')) {
    const { pid, note } = lockOwner(lock);
    throw new UseError(`already running on ${dataDir} (process ${pid}${note ? `, ${note}` : ''}). Stop it first, or give another folder with --data.`);
  }
  let cluster;
  let server;
  let stopping;
  const stop = (code) => {
    stopping ??= (async () => {
      await server?.close().catch(() => {});
      await cluster?.release().catch(() => {});
      rmSync(lock, { recursive: true, force: true });
      process.exit(code);
    })();
    return stopping;
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => { if (!stopping) say('stopping'); void stop(0); });
  try {
    if (wanted !== 0) await probePort(wanted);
    ensurePackages();
    await buildServer();
    buildWeb();
    if (!process.env.DATABASE_URL) {
      ensurePostgres();
      say('starting PostgreSQL');
      cluster = await useCluster(dataDir, { fast: process.env.YOHAKU_TEST_FAST === '1' });
    }
    if (stopping) return stopping;
    say('starting the server');
    const { startServer } = await import(join(BUILD, 'server.mjs'));
    server = await startServer({ databaseUrl: process.env.DATABASE_URL ?? cluster.url, port: wanted, root: ROOT, demo: !empty, logFile: join(dataDir, 'yohaku.log') });
    writeFileSync(join(lock, 'owner'), `${process.pid}\n${server.address}\n`);
    process.stdout.write(`Yohaku is ready. Open this address once (it signs you in):\n${await server.link()}\n`);
    process.stderr.write(`yohaku: data in ${existsSync(dataDir) ? dataDir : data}; ./yohaku link prints a fresh address; Ctrl-C stops\n`);
  } catch (error) {
    const message = error.code === 'EADDRINUSE' ? `port ${wanted} is in use by another program. Give another one with --port.` : error.code === 'EACCES' ? `port ${wanted} may not be used by this user. Give one above 1023 with --port.` : undefined;
    if (!(error instanceof UseError) && !message) process.stderr.write(`${error.stack ?? error}\n`);
    say(message ?? error.message);
    await stop(2);
  }
}

/** Fails at once when the port is taken, before anything is built or started. */
function probePort(port) {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(port, '127.0.0.1', () => probe.close(resolve));
  });
}

function wholePort(text) {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 0 || port > 65535) throw new UseError(`--port takes a whole number from 0 to 65535, not “${text}”.`);
  return port;
}
