import { deliveredWidths, type Asset } from '@yohaku/core';
import type { Apart } from '../apart/index.ts';

const LIMITS = { seconds: 60, megabytes: 1500 };
const TOLD = { tooLong: 'The picture takes too long to be made smaller.', tooMuch: 'The picture takes too much memory to be made smaller.' };
/** What was made last, by content and width: pictures seldom change between publications. */
const made = new Map<string, Buffer>();
const MOST_BYTES = 128 * 1024 * 1024;
let bytesKept = 0;

/** A picture in the widths in which it goes out, as WebP, by width; fewer where it cannot be had in them: then its own bytes do. */
export async function inWidths(apart: Apart, asset: Asset, bytes: Buffer): Promise<Map<number, Buffer>> {
  const widths = deliveredWidths(asset);
  const missing = widths.filter((width) => !made.has(`${asset.hash} ${width}`));
  const fresh = new Map<number, Buffer>();
  if (missing.length > 0) {
    const answer = await apart.run<Uint8Array[]>('widths', { bytes, widths: missing }, LIMITS, TOLD);
    if ('given' in answer) missing.forEach((width, i) => fresh.set(width, Buffer.from(answer.given[i]!)));
  }
  const all = new Map(widths.flatMap((width) => {
    const one = fresh.get(width) ?? made.get(`${asset.hash} ${width}`);
    return one ? [[width, one] as const] : [];
  }));
  for (const [width, one] of fresh) {
    made.set(`${asset.hash} ${width}`, one);
    bytesKept += one.length;
  }
  while (bytesKept > MOST_BYTES) {
    const [key, one] = made.entries().next().value!;
    made.delete(key);
    bytesKept -= one.length;
  }
  return all;
}
