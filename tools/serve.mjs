import { join } from 'node:path';
import { BUILD } from './paths.mjs';

/**
 * The server in a process of its own, for `start`: is told its options, answers
 * with its address, and ends when `start` does.
 */
const { startServer } = await import(join(BUILD, 'server.mjs'));
let server;
let ending;

const end = (code) => {
  ending ??= (async () => {
    // A connection that never closes must not keep it.
    const limit = setTimeout(() => process.exit(code), 8000);
    limit.unref();
    await server?.close().catch(() => {});
    process.exit(code);
  })();
};

process.on('message', (message) => {
  if (message.start) void start(message.start);
  else if (message.link)
    void server?.link().then(
      (link) => process.send?.({ link }),
      (error) => process.send?.({ link: null, why: error.message }),
    );
});
// Ctrl-C reaches the whole group: `start` decides.
process.on('SIGINT', () => {});
process.on('SIGHUP', () => {});
process.on('SIGTERM', () => end(0));
process.on('disconnect', () => end(0));

async function start(options) {
  try {
    server = await startServer({ ...options, onWait: (why) => process.send?.({ waits: `for the database: ${why}` }) });
    process.send?.({ ready: { address: server.address, port: server.port } });
  } catch (error) {
    process.send?.({ failed: { message: error.message, code: error.code, name: error.name, stack: error.stack } }, () =>
      process.exit(2),
    );
  }
}
