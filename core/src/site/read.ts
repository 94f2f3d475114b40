import * as v from 'valibot';
import { Site } from './site.ts';
import { SCHEMA_VERSION, documentToNow } from './versions/chain.ts';
import { danglingIssue, danglingReferences } from './references.ts';

/** One thing wrong with what was read. */
export interface Issue {
  /** Dotted path into the document; empty for the whole. */
  readonly path: string;
  readonly message: string;
  readonly received?: string;
}

/** Valibot's issues in our words. At most twenty, so that a hostile document cannot make a huge answer. */
export function toIssues(issues: readonly v.BaseIssue<unknown>[]): Issue[] {
  return issues.slice(0, 20).map((issue) => ({
    path: v.getDotPath(issue) ?? '',
    message: issue.message,
    received: issue.received.slice(0, 80),
  }));
}

/** A document that cannot be read; `issues` say where and why. */
export class SiteIssues extends Error {
  readonly issues: readonly Issue[];
  /** True if it was made by a newer version, which has it in order. */
  readonly newer: boolean;
  constructor(issues: readonly Issue[], newer = false) {
    super(
      `The site could not be read: ${issues[0]?.path ? `${issues[0].path} ` : ''}${issues[0]?.message ?? 'unknown reason'}`,
    );
    this.name = 'SiteIssues';
    this.issues = issues;
    this.newer = newer;
  }
}

/**
 * Reads a document by the schema and its references alone, bringing older
 * versions up to date. What needs the pages to be known is checked by `readSite`.
 * @throws SiteIssues when it does not fit the schema or points at things that are not there
 */
export function readDocument(input: unknown): Site {
  const result = v.safeParse(Site, upcast(input));
  if (!result.success) throw new SiteIssues(toIssues(result.issues));
  const dangling = danglingReferences(result.output);
  if (dangling.length > 0) throw new SiteIssues(dangling.slice(0, 20).map(danglingIssue));
  return result.output;
}

/**
 * Brings a stored document of an older version up to `SCHEMA_VERSION`; version 1 is the first. @throws SiteIssues for
 * one of a newer version
 */
export function upcast(input: unknown): unknown {
  if (typeof input !== 'object' || input === null) return input;
  const version = (input as { schemaVersion?: unknown }).schemaVersion;
  if (typeof version === 'number' && version > SCHEMA_VERSION)
    throw new SiteIssues(
      [
        {
          path: 'schemaVersion',
          message: `is ${version}; this Yohaku reads up to ${SCHEMA_VERSION}. Update Yohaku to open it.`,
        },
      ],
      true,
    );
  return documentToNow(input as Record<string, unknown>);
}
