import * as fc from 'fast-check';
import { contrastRatio } from './contrast.ts';
import { FIELD, fieldColor, fieldHeight, fieldRatio, lightnessFor, luminanceAt, paintField } from './contrast-field.ts';
import { inSrgb, paintedRgb } from './gamut.ts';
import { parseColor } from './parse.ts';
import type { Rgb8 } from './color.ts';

const ground = fc
  .integer({ min: 0, max: 0xffffff })
  .map((value) => parseColor(`#${value.toString(16).padStart(6, '0')}`)!.rgb);
const white = parseColor('#fff')!.rgb;

describe('contrast field', () => {
  it('has at each point the colour of that contrast, wherever sRGB has one', () => {
    fc.assert(
      fc.property(
        ground,
        fc.double({ min: 0, max: 0.6, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        (against, across, down, hue) => {
          const wanted = luminanceAt(fieldRatio(down), against);
          const c = across * FIELD.mostChroma;
          const raw = { l: lightnessFor(wanted, c, hue), c, h: hue, alpha: 1 };
          if (wanted < 0.002 || wanted > 1 || !inSrgb(raw)) return;
          // 8-bit rounding near black moves a ratio by a few percent.
          expect(
            Math.abs(contrastRatio(paintedRgb(fieldColor(across, down, hue, against)), against) / fieldRatio(down) - 1),
          ).toBeLessThan(0.08);
        },
      ),
    );
  });
  it('leaves clear what no ratio or no gamut reaches, and hatches what is weak', () => {
    const [width, height] = [120, 90];
    const data = paintField({ width, height, hue: 33.9, against: parseColor('#cfd9d6')!.rgb, density: 1 });
    const alphaAt = (x: number, y: number) => data[(Math.floor(y * height) * width + Math.floor(x * width)) * 4 + 3]!;
    expect([alphaAt(0, 0.5), alphaAt(0.99, 0.1), alphaAt(0, 0)]).toEqual([255, 0, 0]);
    const weakRows = Array.from(
      { length: width },
      (_, x) => data[(Math.floor(fieldHeight(2) * height) * width + x) * 4 + 3]!,
    );
    const strongRow = Array.from(
      { length: width },
      (_, x) => data[(Math.floor(fieldHeight(6) * height) * width + x) * 4 + 3]!,
    );
    expect(weakRows.some((alpha) => alpha === 180)).toBeTrue();
    expect(strongRow.some((alpha) => alpha === 180)).toBeFalse();
  });
  it('paints what its points say: each opaque pixel has the ratio of its row', () => {
    const [width, height] = [80, 60];
    const data = paintField({ width, height, hue: 250, against: white, density: 2 });
    let looked = 0;
    for (let row = 0; row < height; row++)
      for (let column = 0; column < width; column++) {
        const i = (row * width + column) * 4;
        if (data[i + 3] === 0) continue;
        const pixel: Rgb8 = { r: data[i]!, g: data[i + 1]!, b: data[i + 2]!, alpha: 1 };
        const ratio = fieldRatio((row + 0.5) / height);
        if (ratio > 14) continue;
        looked++;
        expect(Math.abs(contrastRatio(pixel, white) / ratio - 1))
          .withContext(`${column} ${row}`)
          .toBeLessThan(0.03);
      }
    expect(looked).toBeGreaterThan(500);
  });
  it('stands on one scale both ways', () => {
    for (const ratio of [1, 3, 4.5, 7, 19]) expect(fieldRatio(fieldHeight(ratio))).toBeCloseTo(ratio, 9);
  });
});
