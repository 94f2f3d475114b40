import { paintField } from '@yohaku/core';
import { median, type Result } from './result.ts';

const [WIDTH, HEIGHT] = [340, 212];

/** A plain gradient into a buffer of the same size: what filling it costs. */
function gradient(width: number, height: number): Uint8ClampedArray {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = (y * width + x) * 4;
      data[at] = (x * 255) / width;
      data[at + 1] = (y * 255) / height;
      data[at + 2] = 128;
      data[at + 3] = 255;
    }
  return data;
}

/** One frame of the contrast field against a plain gradient, at one and at two device pixels a CSS pixel. */
export function benchField(): Result[] {
  return [1, 2].map((density): Result => {
    const [width, height] = [WIDTH * density, HEIGHT * density];
    const ours: number[] = [];
    const reference: number[] = [];
    for (let i = 0; i < 160; i++) {
      const began = performance.now();
      paintField({ width, height, hue: (i * 7) % 360, against: { r: 207, g: 217, b: 214, alpha: 1 }, density });
      const between = performance.now();
      gradient(width, height);
      // The first forty warm up.
      if (i < 40) continue;
      ours.push(between - began);
      reference.push(performance.now() - between);
    }
    const [a, b] = [median(ours), median(reference)];
    return {
      name: `contrast field, density ${density}`,
      median: a,
      unit: 'ms',
      reference: 'a plain gradient in the same buffer',
      referenceMedian: b,
      ratio: a / b,
      bound: 'at most 4 times',
      holds: a / b <= 4,
    };
  });
}
