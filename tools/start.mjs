import { fork } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, realpathSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join, resolve } from 'node:path';
import { buildServer, buildWeb } from './build.mjs';
import { useCluster } from './cluster.mjs';
import { ensurePackages, ensurePostgres } from './install.mjs';
import { isAlive, lockOwner, markOf, placeOf, tryLock, writeOwner } from './lock.mjs';
import { ROOT } from './paths.mjs';
import { UseError, say } from './say.mjs';

const DEFAULT_PORT = 4780;
/** A server that died is started again, but not more often than this within a minute. */
const RESTARTS = 5;
const MINUTE = 60_000;
/** How often the database is looked after; ms. */
const WATCH = 1000;

/**
 * `./yohaku start`: sets up what is missing, serves until it is told to stop, brings back what dies meanwhile, and
 * stops all it started.
 */
export async function start({ port, data, empty }) {
  const wanted = port === undefined ? DEFAULT_PORT : wholePort(port);
  mkdirSync(resolve(data ?? join(ROOT, '.data')), { recursive: true });
  const dataDir = realpathSync(resolve(data ?? join(ROOT, '.data')));
  const lock = join(dataDir, 'start.lock');
  if (!tryLock(lock, '')) {
    const { pid, note } = lockOwner(lock);
    throw new UseError(
      `already running on ${dataDir} (process ${pid}${note ? `, ${note}` : ''}). Stop it first, or give another folder with --data.`,
    );
  }
  let cluster;
  let server;
  let watching;
  let stopping;
  const stop = (code) => {
    stopping ??= (async () => {
      clearInterval(watching);
      await server?.stop();
      await Promise.resolve(cluster?.release()).catch(() => {});
      rmSync(join(dataDir, 'server.pid'), { force: true });
      rmSync(lock, { recursive: true, force: true });
      process.exit(code);
    })();
    return stopping;
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => {
      if (!stopping) say('stopping');
      void stop(0);
    });
  try {
    await endLeftOver(dataDir);
    if (wanted !== 0) await probePort(wanted);
    ensurePackages();
    await buildServer();
    await buildWeb();
    if (!process.env.DATABASE_URL) {
      ensurePostgres();
      say('starting PostgreSQL');
      cluster = await useCluster(dataDir, { fast: process.env.YOHAKU_TEST_FAST === '1' });
    }
    if (stopping) return stopping;
    say('starting the server');
    server = keepServing(
      {
        databaseUrl: process.env.DATABASE_URL ?? cluster.url,
        port: wanted,
        root: ROOT,
        demo: !empty,
        logFile: join(dataDir, 'yohaku.log'),
      },
      dataDir,
      () => void stop(1),
    );
    const address = await server.first;
    if (stopping) return stopping;
    writeOwner(lock, address);
    process.stdout.write(`Yohaku is ready. Open this address once (it signs you in):\n${await server.link()}\n`);
    process.stderr.write(`yohaku: data in ${dataDir}; ./yohaku link prints a fresh address; Ctrl-C stops\n`);
    if (cluster)
      watching = watch(
        cluster,
        () => stopping !== undefined,
        () => {
          say(
            `the data folder ${dataDir} was deleted while Yohaku ran. What it held is gone, and nothing more can be saved. Stopping. Start again with a backup: ./yohaku start, then ./yohaku restore FILE.`,
          );
          void stop(1);
        },
      );
  } catch (error) {
    const message =
      error.code === 'EADDRINUSE'
        ? `port ${wanted} is in use by another program. Give another one with --port.`
        : error.code === 'EACCES'
          ? `port ${wanted} may not be used by this user. Give one above 1023 with --port.`
          : undefined;
    if (!(error instanceof UseError) && error.name !== 'UseError' && error.name !== 'AddressRefused' && !message)
      process.stderr.write(`${error.stack ?? error}\n`);
    say(message ?? error.message);
    await stop(2);
  }
}

/** Brings the database back when it dies, and keeps its log small. */
function watch(cluster, isStopping, onGone) {
  let busy = false;
  let failed = '';
  return setInterval(() => {
    if (busy || isStopping()) return;
    if (cluster.isGone()) return onGone();
    busy = true;
    cluster.tidy();
    void cluster
      .revive()
      .then(
        (revived) => {
          if (revived || failed) say('the database had stopped and is back');
          failed = '';
        },
        (error) => {
          // Whatever it is (a full disk, say) may pass: asked again, said once.
          if (error.message !== failed) say((failed = error.message));
        },
      )
      .finally(() => {
        busy = false;
      });
  }, WATCH);
}

/** A server left over from a `start` that was killed is told to end, and waited for. */
async function endLeftOver(dataDir) {
  const file = join(dataDir, 'server.pid');
  const [mark = '', place] = existsSync(file) ? readFileSync(file, 'utf8').split('\n') : [];
  // In a copied folder it names the server of the original.
  for (let waited = 0; mark !== '' && place === placeOf(dataDir) && isAlive(mark); waited += 100) {
    const pid = Number(mark.split(' ')[0]);
    if (waited === 0) {
      say(`a server left over from before (process ${pid}) is ending`);
      process.kill(pid, 'SIGTERM');
    } else if (waited === 10_000) process.kill(pid, 'SIGKILL');
    await new Promise((done) => setTimeout(done, 100));
  }
  rmSync(file, { force: true });
}

/**
 * Runs the server in a process of its own and starts it again when it dies.
 *
 * @returns `first`: its address once it serves (rejects when it cannot at all); `link()`; `stop()`
 */
function keepServing(options, dataDir, onGivenUp) {
  let child;
  let stopped = false;
  let settled = false;
  let asking;
  const deaths = [];
  let given = options;
  const first = new Promise((resolveFirst, rejectFirst) => {
    const run = () => {
      child = fork(join(ROOT, 'tools', 'serve.mjs'), [], {
        stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
        execArgv: ['--disable-warning=ExperimentalWarning'],
      });
      writeFileSync(join(dataDir, 'server.pid'), `${markOf(child.pid)}\n${placeOf(dataDir)}\n`);
      child.on('message', (message) => {
        if (message.ready) {
          // The same port again, whichever it was: windows are open on it.
          given = { ...options, port: message.ready.port, demo: false };
          if (settled) say('the server is back');
          settled = true;
          resolveFirst(message.ready.address);
        } else if (message.waits) say(`waiting ${message.waits}`);
        else if (message.failed && !settled) {
          stopped = true;
          rejectFirst(Object.assign(new Error(message.failed.message), message.failed));
        } else if (message.failed) say(`the server could not start: ${message.failed.message}`);
        else if ('link' in message) asking?.(message);
      });
      child.on('error', () => {});
      child.on('exit', (code, signal) => {
        if (stopped) return;
        const now = performance.now();
        deaths.push(now);
        while (deaths[0] < now - MINUTE) deaths.shift();
        if (deaths.length > RESTARTS) {
          say(
            `the server died ${deaths.length} times within a minute (last: ${signal ?? `exit ${code}`}); it is not started again. Its log is ${join(dataDir, 'yohaku.log')}.`,
          );
          stopped = true;
          if (!settled) return rejectFirst(new UseError('the server could not be started'));
          return onGivenUp();
        }
        say(`the server died (${signal ?? `exit ${code}`}) and is started again`);
        setTimeout(
          () => {
            if (!stopped) run();
          },
          Math.min(5000, 100 * 2 ** deaths.length),
        );
      });
      child.send({ start: given }, (error) => {
        if (error) child.kill('SIGKILL');
      });
    };
    run();
  });
  return {
    first,
    link: () =>
      new Promise((done, fail) => {
        asking = ({ link, why }) =>
          link ? done(link) : fail(new UseError(`no sign-in address could be made: ${why}`));
        child.send({ link: true });
      }),
    stop: () =>
      new Promise((done) => {
        stopped = true;
        if (child.exitCode !== null || child.signalCode !== null) return done();
        child.once('exit', () => done());
        child.kill('SIGTERM');
        setTimeout(() => child.kill('SIGKILL'), 10_000).unref();
      }),
  };
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
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new UseError(`--port takes a whole number from 0 to 65535, not “${text}”.`);
  return port;
}
