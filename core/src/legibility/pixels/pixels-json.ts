import * as v from 'valibot';
import { pixelSets, type PixelSet, type PixelSets } from './pixel-set.ts';

const BASE64 = /^[A-Za-z0-9+/]*={0,2}$/;

/** Pixels as they travel: the channels as base64; where they lie is not needed to judge them. */
export const PixelsJson = v.pipe(v.array(v.strictObject({
  page: v.pipe(v.string(), v.maxLength(60)), place: v.pipe(v.string(), v.maxLength(200)), width: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(4000)),
  area: v.picklist(['lines', 'around']), problem: v.pipe(v.string(), v.maxLength(300)), rgb: v.pipe(v.string(), v.maxLength(20_000), v.regex(BASE64, 'must be base64')),
})), v.maxLength(5000));
export type PixelsJson = v.InferOutput<typeof PixelsJson>;

/** Sets as JSON, or undefined when they come to more than `most` characters. */
export function writePixels(sets: PixelSets, most = 1_600_000): PixelsJson | undefined {
  const list = [...sets.values()].map(({ page, place, width, area, problem, rgb }) => ({ page, place, width, area, problem, rgb: btoa(String.fromCharCode(...rgb)) }));
  return list.reduce((sum, one) => sum + one.rgb.length + 200, 0) > most ? undefined : list;
}

/** Sets from JSON that has passed the schema. */
export function readPixelsJson(list: PixelsJson): PixelSets {
  return pixelSets(list.map((one): PixelSet => {
    const bytes = Uint8Array.from(atob(one.rgb), (letter) => letter.charCodeAt(0));
    const rgb = bytes.subarray(0, bytes.length - (bytes.length % 3));
    return { ...one, rgb, at: new Uint16Array((rgb.length / 3) * 2) };
  }));
}
