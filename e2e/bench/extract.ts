import sharp from 'sharp';
import { extractPalette } from '@yohaku/core';
import { decodePicture } from '../../server/src/assets/index.ts';
import { median, type Result } from './result.ts';

/** A picture of twelve megapixels with soft slopes, discs and grain, as a camera gives it. */
async function twelveMegapixels(): Promise<Buffer> {
  const [width, height] = [4000, 3000];
  const data = Buffer.alloc(width * height * 3);
  let grain = 7;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      grain = (grain * 1103515245 + 12345) & 0x7fffffff;
      const noise = (grain >> 16) % 13;
      const disc = Math.hypot(x - 2600, y - 1300) < 700;
      const at = (y * width + x) * 3;
      data[at] = (disc ? 184 : 40 + (y * 90) / height) + noise;
      data[at + 1] = (disc ? 58 : 80 + (x * 60) / width) + noise;
      data[at + 2] = (disc ? 30 : 120 + (y * 80) / height) + noise;
    }
  return sharp(data, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 90 })
    .toBuffer();
}

/**
 * Palette of a 12-megapixel picture against decoding it: reading it as a source is one decoding at the size that is
 * judged, and the palette of that.
 */
export async function benchExtract(): Promise<Result[]> {
  const bytes = await twelveMegapixels();
  const ours: number[] = [];
  const reference: number[] = [];
  const whole: number[] = [];
  // In turns, so that both meet the same noise; the first round warms up.
  for (let round = 0; round < 8; round++) {
    const began = performance.now();
    await sharp(bytes).ensureAlpha().raw().toBuffer();
    const decoded = performance.now();
    const { pixels } = await decodePicture(bytes);
    const read = performance.now();
    const colors = extractPalette(pixels, 12);
    if (colors.length < 2) throw new Error('the picture has no palette');
    if (round === 0) continue;
    reference.push(decoded - began);
    ours.push(performance.now() - read);
    whole.push(performance.now() - decoded);
  }
  const [a, b, c] = [median(ours), median(reference), median(whole)];
  const base = { unit: 'ms', reference: 'decoding the picture whole', referenceMedian: b };
  return [
    { ...base, name: 'palette of 12 megapixels', median: a, ratio: a / b, bound: 'no slower', holds: a <= b },
    {
      ...base,
      name: 'the same from file to palette',
      median: c,
      ratio: c / b,
      bound: 'at most twice, as it decodes once itself',
      holds: c <= 2 * b,
    },
  ];
}
