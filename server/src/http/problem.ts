import type { Issue } from '@yohaku/core';

/** An answer that says what went wrong: sent as `application/problem+json` (RFC 9457). */
export class Problem extends Error {
  readonly status: number;
  readonly title: string;
  readonly issues: readonly Issue[];
  /** Seconds after which the same may be asked again (`Retry-After`); null where asking again does not help. */
  readonly retryAfter: number | null;
  constructor(
    status: number,
    title: string,
    detail: string,
    issues: readonly Issue[] = [],
    retryAfter: number | null = null,
  ) {
    super(detail);
    this.name = 'Problem';
    this.status = status;
    this.title = title;
    this.issues = issues;
    this.retryAfter = retryAfter;
  }
}

export const notFound = (what: string): Problem => new Problem(404, 'Not found', `${what} is not here.`);
