import type { Issue } from '@yohaku/core';

/** An answer that says what went wrong: sent as `application/problem+json` (RFC 9457). */
export class Problem extends Error {
  readonly status: number;
  readonly title: string;
  readonly issues: readonly Issue[];
  constructor(status: number, title: string, detail: string, issues: readonly Issue[] = []) {
    super(detail);
    this.name = 'Problem';
    this.status = status;
    this.title = title;
    this.issues = issues;
  }
}

export const notFound = (what: string): Problem => new Problem(404, 'Not found', `${what} is not here.`);
