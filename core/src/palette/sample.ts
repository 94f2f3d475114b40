import { hex, oklabToRgb8Clipped, rgb8ToOklab, type Rgb8 } from '../color/index.ts';
import type { Pixels } from './extract.ts';

/**
 * The colour under a point: the median in OKLab, channel by channel, of the
 * opaque pixels within a radius, so that one noisy pixel decides nothing.
 * When one exact value covers more than half of them it is given as it is.
 *
 * @param x pixels from the left
 * @param y pixels from the top
 * @param radius in pixels, 0 for the one pixel alone
 * @returns undefined outside the picture or where nothing is opaque
 */
export function sampleColor({ width, height, data }: Pixels, x: number, y: number, radius: number): Rgb8 | undefined {
  const l: number[] = [];
  const a: number[] = [];
  const b: number[] = [];
  const counts = new Map<string, { rgb: Rgb8; count: number }>();
  const [cx, cy] = [Math.floor(x), Math.floor(y)];
  for (let py = Math.max(0, cy - radius); py <= Math.min(height - 1, cy + radius); py++)
    for (let px = Math.max(0, cx - radius); px <= Math.min(width - 1, cx + radius); px++) {
      const at = (py * width + px) * 4;
      if ((px - cx) ** 2 + (py - cy) ** 2 > radius * radius || data[at + 3]! < 250) continue;
      const rgb: Rgb8 = { r: data[at]!, g: data[at + 1]!, b: data[at + 2]!, alpha: 1 };
      const lab = rgb8ToOklab(rgb);
      l.push(lab.l);
      a.push(lab.a);
      b.push(lab.b);
      const key = hex(rgb);
      counts.set(key, { rgb, count: (counts.get(key)?.count ?? 0) + 1 });
    }
  if (l.length === 0) return undefined;
  const most = [...counts.values()].reduce((entry, other) => (other.count > entry.count ? other : entry));
  if (most.count * 2 > l.length) return most.rgb;
  return oklabToRgb8Clipped({ l: median(l), a: median(a), b: median(b) });
}

function median(values: number[]): number {
  values.sort((value, other) => value - other);
  const middle = values.length >> 1;
  return values.length % 2 ? values[middle]! : (values[middle - 1]! + values[middle]!) / 2;
}
