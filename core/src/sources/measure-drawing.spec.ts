import type { Pixels } from '../palette/index.ts';
import { styleSizeAt } from '../style/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { familyById } from '../type/index.ts';
import { drawnLetters, measureLetters, nearestSpace, sizesOf } from './index.ts';

/** A picture of upright strokes on paper: each with its left edge, top and bottom, which may lie within a pixel. */
function drawn(
  width: number,
  height: number,
  strokes: readonly { readonly x: number; readonly top: number; readonly bottom: number }[],
  paper = 250,
  ink = 20,
): Pixels {
  const data = new Uint8ClampedArray(width * height * 4).fill(255);
  const put = (x: number, y: number, covered: number) => {
    const grey = Math.round(paper + (ink - paper) * covered);
    data.fill(grey, (y * width + x) * 4, (y * width + x) * 4 + 3);
  };
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) put(x, y, 0);
  for (const { x, top, bottom } of strokes)
    for (let y = Math.floor(top); y < Math.ceil(bottom); y++)
      for (let dx = 0; dx < 3; dx++) put(x + dx, y, Math.min(y + 1, bottom) - Math.max(y, top));
  return { width, height, data };
}
const line = (baseline: number, heights: readonly number[], below: readonly number[] = []) =>
  heights.map((tall, i) => ({ x: 10 + i * 8, top: baseline - tall, bottom: baseline + (below[i] ?? 0) }));
const all = (pixels: Pixels) => ({ left: 0, top: 0, right: pixels.width - 1, bottom: pixels.height - 1 });

describe('letters measured in a drawing', () => {
  it('gives the height of small letters and of tall ones, with descenders and dots around', () => {
    const text = [...line(60, [28, 20, 20, 28, 20, 20, 20, 20], [0, 0, 0, 0, 8]), { x: 100, top: 57, bottom: 60 }];
    const pixels = drawn(140, 90, text);
    const measured = measureLetters(pixels, all(pixels))!;
    expect(measured.xHeight).toBeCloseTo(20, 0);
    expect(measured.tall).toBeCloseTo(28, 0);
    expect([measured.lines, measured.pitch]).toEqual([1, null]);
  });
  it('counts parts of a pixel, for dark on light and light on dark', () => {
    for (const [paper, ink] of [
      [250, 20],
      [25, 240],
    ] as const) {
      const pixels = drawn(140, 60, line(40, [14.5, 10.5, 10.5, 14.5, 10.5, 10.5]), paper, ink);
      const measured = measureLetters(pixels, all(pixels))!;
      expect(Math.abs(measured.xHeight! - 10.5))
        .withContext(`ink ${ink}`)
        .toBeLessThan(0.3);
    }
  });
  it('gives the distance of lines, and says so when letters are all of one height', () => {
    const pixels = drawn(
      100,
      160,
      [40, 70, 100].flatMap((at) => line(at, [16, 16, 16, 16])),
    );
    const measured = measureLetters(pixels, all(pixels))!;
    expect(measured).toEqual({ xHeight: null, tall: 16, pitch: 30, lines: 3 });
    expect(sizesOf(measured, { xHeight: 0.5, capHeight: 0.7 })).toEqual({ capitals: 16 / 0.7, small: 32 });
    expect(sizesOf({ xHeight: 20, tall: 28 }, { xHeight: 0.5, capHeight: 0.7 })).toEqual({ size: 40 });
  });
  it('reads nothing from an empty box, a flat shape, or a box outside of the picture', () => {
    const empty = drawn(60, 60, []);
    expect(measureLetters(empty, all(empty))).toBeUndefined();
    expect(measureLetters(empty, { left: 300, top: 300, right: 340, bottom: 340 })).toBeUndefined();
    const block = drawn(60, 60, [{ x: 20, top: 20, bottom: 40 }]);
    expect(measureLetters(block, all(block))).toBeUndefined();
  });
  it('names the style and the space of the brand that come nearest', () => {
    const site = smallSite();
    const { brand } = site;
    for (const id of brand.styleOrder) {
      const style = brand.styles[id]!;
      const size = styleSizeAt(brand, style, 1280);
      const { metrics } = familyById(brand.families[style.family])!;
      const letters = { xHeight: size * metrics.xHeight, tall: size * metrics.capHeight, pitch: null, lines: 1 };
      expect(drawnLetters(site, 1280, letters).nearest!.size)
        .withContext(id)
        .toBeCloseTo(size, 6);
    }
    for (const id of brand.spaceOrder) {
      const { values } = brand.spaces[id]!;
      expect(nearestSpace(site, 1280, values.desktop + 0.4)!.size).toBe(values.desktop);
      const phone = values.phone ?? values.desktop;
      expect(nearestSpace(site, 390, phone - 0.4)!.size).toBe(phone);
    }
  });
});
