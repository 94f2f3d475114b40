import type { Middleware } from 'koa';
import { ChangeRefused } from '@yohaku/core';
import { IsolatedBusy } from '../isolated/index.ts';
import { DownloadRefused, PictureRefused } from '../assets/index.ts';
import { ExportRefused } from '../publish/index.ts';
import { SourceRefused } from '../sources/index.ts';
import { isCrowded, isDatabaseDown, isDiskFull, isLocked, isRefusedByDatabase } from '../db/index.ts';
import { SiteRefused, SiteUnreadable } from '../sites/index.ts';
import { Problem } from './problem.ts';
import type { Services } from './context.ts';

const TITLES: Record<number, string> = {
  400: 'Bad request',
  401: 'Not signed in',
  403: 'Not allowed',
  404: 'Not found',
  405: 'Not possible',
  413: 'Too large',
  415: 'Unknown kind of content',
  429: 'Too often',
};

/**
 * The one place where errors become answers. Nothing of an unknown error leaves the server but a number to look it up
 * by.
 */
export function errorBoundary({ log }: Services): Middleware {
  return async (context, next) => {
    try {
      await next();
      if (context.status >= 400 && (context.body === undefined || context.body === null))
        throw new Problem(
          context.status,
          TITLES[context.status] ?? 'Refused',
          context.status === 404 ? 'There is nothing at this address.' : 'This cannot be done at this address.',
        );
    } catch (error) {
      // The client has disconnected, so there is nobody to answer and nothing to report.
      if (context.req.destroyed && isAborted(error)) {
        context.respond = false;
        return;
      }
      const problem = toProblem(error, (unknown) =>
        log.error({ err: unknown, path: context.path.slice(0, 200) }, 'unexpected error'),
      );
      if (problem.retryAfter !== null) context.set('Retry-After', String(problem.retryAfter));
      context.status = problem.status;
      context.type = 'application/problem+json';
      context.body = JSON.stringify({
        type: 'about:blank',
        title: problem.title,
        status: problem.status,
        detail: problem.message,
        ...(problem.issues.length > 0 ? { issues: problem.issues } : {}),
      });
    }
  };
}

const isAborted = (error: unknown): boolean =>
  /^(ECONNABORTED|ECONNRESET|EPIPE|ERR_STREAM_PREMATURE_CLOSE)$/.test(String((error as { code?: unknown }).code));

function toProblem(error: unknown, report: (error: unknown) => void): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof ChangeRefused)
    return new Problem(error.kind === 'gone' ? 409 : 422, 'Change refused', error.message, error.issues);
  if (error instanceof PictureRefused || error instanceof SourceRefused)
    return new Problem(422, 'Source refused', error.message);
  if (error instanceof DownloadRefused) return new Problem(422, 'Download refused', error.message);
  if (error instanceof ExportRefused) return new Problem(422, 'Files missing', error.message);
  if (error instanceof SiteRefused) return new Problem(422, 'Site refused', error.message, error.issues);
  if (error instanceof SiteUnreadable)
    return new Problem(
      error.newer ? 409 : 422,
      error.newer ? 'Made by a newer Yohaku' : 'Site not readable',
      error.message,
      error.issues,
    );
  if (error instanceof IsolatedBusy) return new Problem(503, 'Busy', error.message, [], 5);
  if (isLocked(error))
    return new Problem(
      503,
      'Site busy',
      'Another process is changing this site and is not done yet. This request saved nothing; send it again unchanged.',
      [],
      2,
    );
  if (isDiskFull(error))
    return new Problem(
      503,
      'Disk full',
      'The disk of the server is full. This request saved nothing. Free some disk space, then send the request again unchanged.',
      [],
      2,
    );
  if (isCrowded(error))
    return new Problem(
      503,
      'Database busy',
      'Other programs hold all connections of the database. This request saved nothing; send it again unchanged.',
      [],
      2,
    );
  if (isDatabaseDown(error))
    return new Problem(
      503,
      'Database not reachable',
      'The database does not answer. This request saved nothing; send it again unchanged.',
      [],
      2,
    );
  // A value that the schema accepts and the database refuses is still the sender's fault, not a server error.
  if (isRefusedByDatabase(error))
    return new Problem(422, 'Input refused', 'Part of the request cannot be stored. The request saved nothing.');
  const status = (error as { status?: unknown }).status;
  if (typeof status === 'number' && status >= 400 && status < 500) {
    const detail =
      status === 413
        ? 'The request is too large. Send less at once.'
        : status === 400
          ? 'The request could not be read.'
          : 'The request cannot be answered.';
    return new Problem(status, TITLES[status] ?? 'Refused', detail);
  }
  report(error);
  return new Problem(
    500,
    'Something went wrong',
    'Something went wrong on the server. What was saved before is safe; try again.',
  );
}
