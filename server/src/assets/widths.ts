import { LRUCache } from 'lru-cache';
import { deliveredWidths, type Asset } from '@yohaku/core';
import type { Isolated } from '../isolated/index.ts';

const LIMITS = { seconds: 60, megabytes: 1500 };
const TOLD = {
  tooLong: 'The image takes too long to be scaled down.',
  tooMuch: 'The image takes too much memory to be scaled down.',
};
/**
 * The latest results by content and width, null for widths that cannot be made: pictures seldom change between
 * publications.
 */
const made = new LRUCache<string, { readonly bytes: Buffer | null }>({
  max: 20_000,
  maxSize: 128 * 1024 * 1024,
  sizeCalculation: ({ bytes }) => (bytes?.length ?? 0) + 64,
});

/**
 * Returns the published WebP files of a picture by width. A width that cannot be made is absent; the original file is
 * always published.
 */
export async function inWidths(apart: Isolated, asset: Asset, bytes: Buffer): Promise<Map<number, Buffer>> {
  const all = new Map<number, Buffer | null>();
  const keyOf = (width: number): string => `${asset.hash} ${width}`;
  const widths = deliveredWidths(asset);
  for (const width of widths) {
    const known = made.get(keyOf(width));
    if (known) all.set(width, known.bytes);
  }
  const missing = widths.filter((width) => !all.has(width));
  if (missing.length > 0) {
    const answer = await apart.run<(Uint8Array | null)[]>('widths', { bytes, widths: missing }, LIMITS, TOLD);
    missing.forEach((width, i) => {
      const entry = 'given' in answer ? answer.given[i] : null;
      const kept = entry ? Buffer.from(entry) : null;
      made.set(keyOf(width), { bytes: kept });
      all.set(width, kept);
    });
  }
  return new Map([...all].filter((entry): entry is [number, Buffer] => entry[1] !== null));
}
