import { gradientColor, type Rgb8 } from '../../color/index.ts';

/**
 * The pixels of a picture that lie behind one place at one width, as the page
 * crops and scales it, before any shade: what the desk reads from the real
 * layout. `lines` are those behind the lines of its text, `around` those next
 * to its edge, where a button's shape or a focus ring must be seen.
 */
export interface PixelSet {
  readonly page: string;
  readonly place: string;
  readonly width: number;
  readonly area: (typeof PIXEL_AREAS)[number];
  /** Red, green, blue in turn, 0 to 255. */
  readonly rgb: Uint8Array;
  /** Over a gradient, instead of colours: how far along it each pixel lies, 0 to 65535. */
  readonly along?: Uint16Array;
  /** Where each pixel lies on the page, x and y in turn, CSS px. */
  readonly at: Uint16Array;
  /** Why there are no pixels: the picture will not decode, say. */
  readonly problem: string;
}

const lastColoured = new WeakMap<PixelSet, { readonly wash: object; readonly set: PixelSet }>();

/**
 * The same pixels with the colours a gradient has now: where they lie along it
 * stays the same whatever its ends become. Remembered for the gradient asked for
 * last: every state and width of a text asks again.
 */
export function coloured(set: PixelSet, wash: { readonly from: Rgb8; readonly to: Rgb8 } | undefined): PixelSet {
  if (!set.along || !wash) return set;
  const known = lastColoured.get(set);
  if (known?.wash === wash) return known.set;
  const rgb = new Uint8Array(set.along.length * 3);
  set.along.forEach((along, i) => {
    const { r, g, b } = gradientColor(wash.from, wash.to, along / 65535);
    rgb.set([r, g, b], i * 3);
  });
  const made = { ...set, rgb };
  lastColoured.set(set, { wash, set: made });
  return made;
}

export const PIXEL_AREAS = ['lines', 'around'] as const;

/** Pixel sets by page, place, width and area. */
export type PixelSets = ReadonlyMap<string, PixelSet>;

export const NO_PIXELS: PixelSets = new Map();

/** The key of a set. */
export function pixelKey(page: string, place: string, width: number, area: PixelSet['area']): string {
  return `${page} ${place} ${width} ${area}`;
}

/** Sets by their key. */
export function pixelSets(list: readonly PixelSet[]): PixelSets {
  return new Map(list.map((set) => [pixelKey(set.page, set.place, set.width, set.area), set]));
}

/**
 * The part of a picture that `object-fit: cover` shows in a box (CSS Images 3,
 * 5.5; object-position 50% 50% unless told otherwise).
 *
 * @param picture its own size in px
 * @param box size of the box in CSS px
 * @param focus 0 to 1 from left and from top
 * @returns left, top, width and height in px of the picture
 */
export function coverCrop(
  picture: { width: number; height: number },
  box: { width: number; height: number },
  focus: { x: number; y: number } = { x: 0.5, y: 0.5 },
): { x: number; y: number; width: number; height: number } {
  const scale = Math.max(box.width / picture.width, box.height / picture.height);
  const [width, height] = [box.width / scale, box.height / scale];
  return { x: (picture.width - width) * focus.x, y: (picture.height - height) * focus.y, width, height };
}
