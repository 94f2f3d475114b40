import { zip } from 'fflate';
import type { ExportedSite } from './export-site.ts';

/** A zip of an exported site; the same files give the same bytes. Packed beside the server's own thread. */
export function zipSite(files: ExportedSite): Promise<Buffer> {
  const entries = Object.fromEntries([...files].map(([name, file]) => [name, new Uint8Array(file.bytes)]));
  return new Promise((resolve, reject) => {
    zip(entries, { level: 6, mtime: new Date('2020-01-01T00:00:00Z') }, (error, packed) =>
      error ? reject(error) : resolve(Buffer.from(packed)),
    );
  });
}
