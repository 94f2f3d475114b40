import * as v from 'valibot';
import { Id, Label } from '../fields/index.ts';

/** The media types that visitors can download, each with its file ending. */
export const DOWNLOAD_TYPES = {
  'application/pdf': 'pdf',
  'application/zip': 'zip',
  'text/csv': 'csv',
  'text/calendar': 'ics',
  'text/plain': 'txt',
} as const;
export type DownloadType = keyof typeof DOWNLOAD_TYPES;

/** A file that visitors download; its bytes are kept apart, by content hash. */
export const Download = v.strictObject({
  id: Id,
  name: Label,
  hash: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
  type: v.picklist(Object.keys(DOWNLOAD_TYPES) as DownloadType[]),
  /** How large it is. */
  bytes: v.pipe(v.number(), v.integer(), v.minValue(1)),
});
export type Download = v.InferOutput<typeof Download>;
