import { DOWNLOAD_TYPES, type Download } from '../../site/index.ts';

/** Where a download lies, relative to the pages: named by id and content, so that it can be kept for ever. */
export const downloadFile = ({ id, hash, type }: Download): string =>
  `downloads/${id}-${hash.slice(0, 10)}.${DOWNLOAD_TYPES[type]}`;

/** Returns type and size of a download: `PDF, 240 kB`. */
export function downloadFacts({ type, bytes }: Download): string {
  const size =
    bytes < 1000
      ? `${bytes} bytes`
      : bytes < 1_000_000
        ? `${Math.round(bytes / 1000)} kB`
        : `${(bytes / 1_000_000).toFixed(1)} MB`;
  return `${DOWNLOAD_TYPES[type].toUpperCase()}, ${size}`;
}
