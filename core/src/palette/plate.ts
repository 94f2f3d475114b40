import type { Rgb8 } from '../color/index.ts';
import type { Pixels } from './extract.ts';

/** Share of the border that one opaque colour must have to be a plate. */
const BORDER = 0.9;

/**
 * The colour of the plate that a flat picture stands on: the one opaque colour
 * of nearly all its border. Undefined for what is cut out or busy to its edge.
 */
export function plateOf({ width, height, data }: Pixels): Rgb8 | undefined {
  const counts = new Map<number, number>();
  let all = 0;
  const look = (x: number, y: number) => {
    const at = (y * width + x) * 4;
    all++;
    if (data[at + 3] !== 255) return;
    const key = (data[at]! << 16) | (data[at + 1]! << 8) | data[at + 2]!;
    counts.set(key, (counts.get(key) ?? 0) + 1);
  };
  for (let x = 0; x < width; x++) for (const y of [0, height - 1]) look(x, y);
  for (let y = 1; y < height - 1; y++) for (const x of [0, width - 1]) look(x, y);
  const [most] = [...counts].sort(([, value], [, other]) => other - value);
  return most && most[1] >= all * BORDER
    ? { r: most[0] >> 16, g: (most[0] >> 8) & 255, b: most[0] & 255, alpha: 1 }
    : undefined;
}
