import type { DownloadType } from '@yohaku/core';
import type { Querier } from '../db/index.ts';
import { storeFile } from './files.ts';
import { DownloadRefused } from './refused.ts';

/** How the bytes of each kind begin. */
const MAGIC: readonly (readonly [DownloadType, string])[] = [
  ['application/pdf', '%PDF-'],
  ['application/zip', 'PK\u0003\u0004'],
  ['text/calendar', 'BEGIN:VCALENDAR'],
];

/**
 * Of what kind a file is that visitors may download, by its bytes first; a text is a
 * table where its name says so.
 * @throws DownloadRefused for anything else: what a browser would run or show as a page is not kept
 */
export function downloadType(name: string, bytes: Buffer): DownloadType {
  if (bytes.length === 0) throw new DownloadRefused(`${name} is empty. Export it again and drop the new one.`);
  const start = bytes
    .subarray(0, 64)
    .toString('latin1')
    .replace(/^\u00ef\u00bb\u00bf/, '');
  const known = MAGIC.find(([, begins]) => start.startsWith(begins));
  if (known) return known[0];
  const text = /\.(csv|tsv|txt|md)$/i.test(name) && !bytes.includes(0);
  if (!text)
    throw new DownloadRefused(
      `${name} is neither PDF, ZIP, CSV, a calendar nor plain text. Export it as one of these, or pack it as a ZIP.`,
    );
  return /\.[ct]sv$/i.test(name) ? 'text/csv' : 'text/plain';
}

/** Keeps a file that visitors may download. @throws DownloadRefused */
export async function keepDownload(
  db: Querier,
  name: string,
  bytes: Buffer,
): Promise<{ readonly hash: string; readonly type: DownloadType; readonly bytes: number }> {
  const type = downloadType(name, bytes);
  return { hash: await storeFile(db, bytes, type), type, bytes: bytes.length };
}
