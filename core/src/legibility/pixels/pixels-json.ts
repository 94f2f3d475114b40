import * as v from 'valibot';
import { PlaceId, PublishedId } from '../../fields/index.ts';
import { pixelSets, type PixelSet, type PixelSets } from './pixel-set.ts';

const BASE64 = /^[A-Za-z0-9+/]*={0,2}$/;

/** Pixels as they travel: the channels as base64; where they lie is not needed to judge them. */
export const PixelsJson = v.pipe(
  v.array(
    v.strictObject({
      page: PublishedId,
      place: PlaceId,
      width: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(4000)),
      area: v.picklist(['lines', 'around']),
      problem: v.pipe(v.string(), v.maxLength(300)),
      rgb: v.pipe(v.string(), v.maxLength(20_000), v.regex(BASE64, 'must be base64')),
      along: v.optional(v.pipe(v.string(), v.maxLength(20_000), v.regex(BASE64, 'must be base64'))),
    }),
  ),
  v.maxLength(5000),
);
export type PixelsJson = v.InferOutput<typeof PixelsJson>;

/** Sets as JSON, or undefined when they come to more than `most` characters. */
export function writePixels(sets: PixelSets, most = 1_600_000): PixelsJson | undefined {
  const list = [...sets.values()].map(({ page, place, width, area, problem, rgb, along }) => ({
    page,
    place,
    width,
    area,
    problem,
    rgb: btoa(String.fromCharCode(...rgb)),
    // Eight bits are finer than the colours between two ends.
    ...(along ? { along: btoa(String.fromCharCode(...along.map((value) => value >> 8))) } : {}),
  }));
  return list.reduce((sum, entry) => sum + entry.rgb.length + (entry.along?.length ?? 0) + 200, 0) > most
    ? undefined
    : list;
}

const bytesOf = (base64: string): Uint8Array => Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));

/** Sets from JSON that has passed the schema. */
export function readPixelsJson(list: PixelsJson): PixelSets {
  return pixelSets(
    list.map((entry): PixelSet => {
      const { along, ...rest } = entry;
      const bytes = bytesOf(entry.rgb);
      const rgb = bytes.subarray(0, bytes.length - (bytes.length % 3));
      const positions = along === undefined ? undefined : Uint16Array.from(bytesOf(along), (byte) => byte * 257);
      return {
        ...rest,
        rgb,
        at: new Uint16Array((positions?.length ?? rgb.length / 3) * 2),
        ...(positions ? { along: positions } : {}),
      };
    }),
  );
}
