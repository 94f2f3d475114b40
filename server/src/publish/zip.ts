import { zipSync } from 'fflate';
import type { ExportedSite } from './export-site.ts';

/** A zip of an exported site; the same files give the same bytes. */
export function zipSite(files: ExportedSite): Buffer {
  const entries = Object.fromEntries([...files].map(([name, file]) => [name, new Uint8Array(file.bytes)]));
  return Buffer.from(zipSync(entries, { level: 6, mtime: new Date('2020-01-01T00:00:00Z') }));
}
