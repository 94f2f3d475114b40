import { basename, dirname } from 'node:path';
import { chmodSync, existsSync, mkdirSync } from 'node:fs';
import pino, { type Logger } from 'pino';
import { createStream } from 'rotating-file-stream';

/** Size at which the log is begun anew, and how many old ones are kept. */
const ROTATED = { size: '5M', maxFiles: 4 } as const;
/** Most characters of an error's words: what a query was given stands behind them, and may be a whole document. */
const MOST_WORDS = 400;

/** The error as it may be written down: what happened and where, never what was sent. */
export function errorForLog(error: unknown): object {
  if (!(error instanceof Error)) return { message: String(error).slice(0, MOST_WORDS) };
  const { code } = error as { code?: unknown };
  return {
    type: error.name,
    message: words(error.message),
    ...(typeof code === 'string' ? { code } : {}),
    // Lines of the stack only: its head repeats the message.
    stack: (error.stack ?? '')
      .split('\n')
      .filter((line) => /^\s+at /.test(line))
      .slice(0, 20)
      .join('\n'),
    ...(error.cause === undefined ? {} : { cause: errorForLog(error.cause) }),
  };
}

/** The words of an error up to where the database layer lists what the query was given. */
const words = (message: string): string => message.split(/\n?params:/)[0]!.slice(0, MOST_WORDS);

/** The logged parts of errors, requests and answers: no headers, no bodies. */
export const LOGGED = {
  err: errorForLog,
  req: (request: { method?: string; url?: string }) => ({ method: request.method, url: request.url?.slice(0, 200) }),
  res: (response: { statusCode?: number }) => ({ statusCode: response.statusCode }),
};

/**
 * The log: one JSON line an event, readable by its owner alone, begun anew before
 * it grows large. A disk that is full loses lines, never the server.
 *
 * @param file standard error when absent
 */
export function openLog(file?: string): Logger {
  const options: pino.LoggerOptions = {
    level: process.env['YOHAKU_LOG'] ?? 'info',
    serializers: LOGGED,
  };
  if (!file) return pino(options, pino.destination({ dest: 2, sync: false }));
  mkdirSync(dirname(file), { recursive: true });
  if (existsSync(file)) chmodSync(file, 0o600);
  const stream = createStream((time, index) => (time ? `${basename(file)}.${index ?? 1}` : basename(file)), {
    path: dirname(file),
    ...ROTATED,
    mode: 0o600,
  });
  stream.on('error', () => {});
  stream.on('warning', () => {});
  return pino(options, stream);
}
