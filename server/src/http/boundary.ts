import type { Middleware } from 'koa';
import { ChangeRefused } from '@yohaku/core';
import { PictureRefused } from '../assets/index.ts';
import { EvidenceRefused } from '../evidence/index.ts';
import { Problem } from './problem.ts';
import type { Services } from './context.ts';

const TITLES: Record<number, string> = { 400: 'Bad request', 401: 'Not signed in', 403: 'Not allowed', 404: 'Not found', 405: 'Not possible', 413: 'Too large', 415: 'Unknown kind of content', 429: 'Too often' };

/** The one place where errors become answers. Nothing of an unknown error leaves the server but a number to look it up by. */
export function errorBoundary({ log }: Services): Middleware {
  return async (context, next) => {
    try {
      await next();
      if (context.status === 404 && context.body === undefined && context.path.startsWith('/api')) throw new Problem(404, 'Not found', `There is nothing at ${context.path}.`);
    } catch (error) {
      const problem = toProblem(error, (unknown) => log.error({ err: unknown, path: context.path }, 'unexpected error'));
      context.status = problem.status;
      context.type = 'application/problem+json';
      context.body = JSON.stringify({
        type: 'about:blank', title: problem.title, status: problem.status, detail: problem.message,
        ...(problem.issues.length > 0 ? { issues: problem.issues } : {}),
      });
    }
  };
}

function toProblem(error: unknown, report: (error: unknown) => void): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof ChangeRefused) return new Problem(error.kind === 'gone' ? 409 : 422, 'Change refused', error.message, error.issues);
  if (error instanceof PictureRefused || error instanceof EvidenceRefused) return new Problem(422, 'Evidence refused', error.message);
  if (isDatabaseDown(error)) return new Problem(503, 'Database not reachable', 'The database does not answer. Nothing was saved by this request; it can be sent again unchanged.');
  const status = (error as { status?: unknown }).status;
  if (typeof status === 'number' && status >= 400 && status < 500) {
    const detail = status === 413 ? 'The request is too large. Send less at once.' : status === 400 ? 'The request could not be read as JSON.' : 'The request cannot be answered.';
    return new Problem(status, TITLES[status] ?? 'Refused', detail);
  }
  report(error);
  return new Problem(500, 'Something went wrong', 'Something went wrong on the server. What was saved before is safe; try again.');
}

/** Whether an error (or its cause) says that PostgreSQL cannot be reached or is going down. */
function isDatabaseDown(error: unknown): boolean {
  for (let at = error, depth = 0; at instanceof Error && depth < 5; at = at.cause, depth++) {
    const code = (at as { code?: unknown }).code;
    if (typeof code === 'string' && (/^(ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT)$/.test(code) || /^(08|57P)/.test(code))) return true;
    if (/Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error/i.test(at.message)) return true;
    if (at instanceof AggregateError && at.errors.some((one) => isDatabaseDown(one))) return true;
  }
  return false;
}
