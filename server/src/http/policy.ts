import type { AnswerPolicy } from '@yohaku/core';

const DESK = [
  "default-src 'self'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self'",
  "worker-src 'self'",
  "frame-src 'self'",
  "object-src 'none'",
  "base-uri 'self'",
  "form-action 'self'",
  "frame-ancestors 'none'",
].join('; ');

/**
 * Pages of a site never run a script, wherever they are shown. Only those that are published may show embeds that were
 * allowed within.
 */
const page = (ancestors: string, forms: string, frames: string): string =>
  [
    "default-src 'none'",
    `frame-src ${frames}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    "manifest-src 'self'",
    `form-action ${forms}`,
    "base-uri 'none'",
    `frame-ancestors ${ancestors}`,
  ].join('; ');

/**
 * Content Security Policies: of the desk, of the frames on the wall, of published
 * sites, and of everything else, which is never shown as a page (`sandbox` keeps
 * even a picture that is opened by itself from running anything).
 */
export const POLICIES = {
  desk: DESK,
  frame: page("'self'", "'none'", "'none'"),
  live: page("'none'", "'self'", 'https:'),
  data: "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox; frame-ancestors 'none'",
} as const satisfies Readonly<Record<AnswerPolicy | 'desk', string>>;
