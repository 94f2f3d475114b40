import type { Context } from 'koa';
import parseRange from 'range-parser';
import { bytesOfFile, type LiveFile } from '../publish/index.ts';
import type { Querier } from '../db/index.ts';

/**
 * Answers with a stored file: 304 for a client that has it, 206 for one range, 416 for
 * a range outside the file (RFC 9110, sections 13 and 14), otherwise the whole file.
 * The server reads bytes only when it sends them.
 *
 * @param status status of a whole answer; only a 200 can turn into a 304
 */
export function sendFile(context: Context, db: Querier, file: LiveFile, status = 200): void {
  context.set('ETag', `"${file.hash}"`);
  context.status = status;
  // Koa checks freshness only for successful answers.
  if (status === 200 && context.fresh) {
    context.status = 304;
    return;
  }
  context.type = file.type;
  context.set('Accept-Ranges', 'bytes');
  const [from, to] = rangeOf(context, file, status);
  if (from > to && file.size > 0) {
    context.status = 416;
    context.set('Content-Range', `bytes */${file.size}`);
    context.type = 'text/plain';
    context.body = 'This file has no such range.\n';
    return;
  }
  if (context.status === 206) context.set('Content-Range', `bytes ${from}-${to}/${file.size}`);
  context.length = Math.max(0, to - from + 1);
  if (context.method === 'HEAD') return;
  context.body = file.size === 0 ? '' : bytesOfFile(db, file.hash, from, to);
  // Koa resets both when it gets a stream.
  context.type = file.type;
  context.length = Math.max(0, to - from + 1);
}

/** Returns the first and last requested byte; the first is larger than the last when the range is outside the file. */
function rangeOf(context: Context, file: LiveFile, status: number): [number, number] {
  const whole: [number, number] = [0, file.size - 1];
  const asked = context.get('Range');
  const only = context.get('If-Range');
  if (status !== 200 || asked === '' || (only !== '' && only !== `"${file.hash}"`)) return whole;
  const ranges = parseRange(file.size, asked, { combine: true });
  if (ranges === -1) return [1, 0];
  // A request for several ranges gets the whole file, as the RFC allows.
  if (ranges === -2 || ranges.type !== 'bytes' || ranges.length !== 1) return whole;
  context.status = 206;
  return [ranges[0]!.start, ranges[0]!.end];
}
