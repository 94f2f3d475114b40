import * as v from 'valibot';
import { Id, LIMITS, cleanText } from '../fields/index.ts';
import type { Source } from '../palette/index.ts';
import type { DownloadType } from '../site/index.ts';
import type { ReadFace } from '../change/index.ts';
import { answering } from './declare.ts';
import { megabytes } from './megabytes.ts';

/** A font file as it was read and kept, or in words why it was not. */
export type FontRead = (ReadFace & { readonly notes: readonly string[] }) | { readonly refused: string };

/** A name that people gave to something they send. */
const SentName = v.pipe(
  v.string(),
  v.transform((text) => cleanText(text).replaceAll(/\s+/g, ' ').trim()),
  v.minLength(1, 'must not be empty'),
  v.maxLength(200, 'must have at most 200 characters'),
);

export const SOURCES = {
  list: answering<{ readonly sources: readonly Source[] }>()({
    method: 'get',
    path: '/api/sites/:site/sources',
    summary: 'Sources of the brand, with their colours',
  }),
  add: answering<Source>()({
    method: 'post',
    path: '/api/sites/:site/sources',
    summary: 'Add a source and read its colours; the body is the file',
    query: v.object({ id: Id, name: SentName }),
    upload: {
      bytes: LIMITS.sourceBytes,
      tooLarge: `The file is over ${megabytes(LIMITS.sourceBytes)}. Make the file smaller and drop it again.`,
    },
  }),
  putAway: answering<void>()({
    method: 'put',
    path: '/api/sites/:site/sources/:id',
    summary: 'Remove or restore a source',
    body: v.strictObject({ putAway: v.boolean() }),
  }),
  picture: answering<never>()({
    method: 'get',
    path: '/api/sites/:site/sources/:id/picture',
    summary: 'The image itself',
    media: 'image/*',
  }),
} as const;

export const DOWNLOADS = {
  add: answering<{ readonly hash: string; readonly type: DownloadType; readonly bytes: number }>()({
    method: 'post',
    path: '/api/sites/:site/downloads',
    summary: 'Add a file that visitors can download: PDF, ZIP, CSV, calendar or plain text; the body is the file',
    query: v.object({ name: SentName }),
    upload: {
      bytes: LIMITS.sourceBytes,
      tooLarge: `The file is over ${megabytes(LIMITS.sourceBytes)}. Make the file smaller and drop it again.`,
    },
  }),
} as const;

export const FONTS = {
  read: answering<FontRead>()({
    method: 'post',
    path: '/api/fonts',
    summary: 'Add a font file, stored as WOFF2; the body is the file',
    query: v.object({ name: SentName }),
    upload: {
      bytes: LIMITS.fontBytes,
      tooLarge: `The file is over ${megabytes(LIMITS.fontBytes)}. Export the font with fewer characters and drop that file.`,
    },
  }),
  // Open: published pages show them, and so does the desk before anybody has signed in.
  file: answering<never>()({
    method: 'get',
    path: '/fonts/:file',
    summary: 'A font file',
    open: true,
    media: 'font/woff2',
  }),
} as const;

export const FRAME = {
  shell: answering<never>()({
    method: 'get',
    path: '/frame/:site/',
    summary: 'An empty page for previews',
    policy: 'frame',
    media: 'text/html',
  }),
  // By itself, to be printed: as it stands now, published or not.
  specimen: answering<never>()({
    method: 'get',
    path: '/frame/:site/specimen.html',
    summary: 'The specimen',
    policy: 'frame',
    media: 'text/html',
  }),
  // As the shelf shows it: the first page, with its styles within.
  first: answering<never>()({
    method: 'get',
    path: '/frame/:site/first.html',
    summary: 'The first page of a site',
    policy: 'frame',
    media: 'text/html',
  }),
  sharing: answering<never>()({
    method: 'get',
    path: '/frame/:site/sharing/:page',
    summary: 'The generated sharing image of a page',
    policy: 'frame',
    media: 'image/png',
  }),
  image: answering<never>()({
    method: 'get',
    path: '/frame/:site/images/:file',
    summary: 'An image of the site',
    policy: 'frame',
    media: 'image/*',
  }),
} as const;

export const SYSTEM = {
  health: answering<{ readonly status: 'ok' }>()({
    method: 'get',
    path: '/api/health',
    summary: 'Whether the server and its database answer',
    open: true,
  }),
  description: answering<object>()({
    method: 'get',
    path: '/api/openapi.json',
    summary: 'This description',
    open: true,
  }),
} as const;
