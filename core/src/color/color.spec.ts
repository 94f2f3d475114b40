import * as fc from 'fast-check';
import { clampChroma, converter, differenceEuclidean, wcagContrast } from 'culori';
import Color from 'colorjs.io';
import { contrastRatio, isLargeText, luminance } from './contrast.ts';
import { composite } from './composite.ts';
import { deltaERgb } from './difference.ts';
import { colorSpots } from './find.ts';
import { hex, cssColor } from './format.ts';
import { inSrgb, mapToSrgb, paintedRgb } from './gamut.ts';
import { fixPair } from './fix-pair.ts';
import { oklabToOklch, rgb8ToOklab } from './oklab.ts';
import { parseColor } from './parse.ts';
import type { Rgb8 } from './color.ts';

const byte = fc.integer({ min: 0, max: 255 });
const rgb8 = fc.record({ r: byte, g: byte, b: byte, alpha: fc.constant(1) });
const culoriOf = ({ r, g, b }: Rgb8) => ({ mode: 'rgb' as const, r: r / 255, g: g / 255, b: b / 255 });
const oklch = fc.record({
  l: fc.double({ min: 0.05, max: 0.98, noNaN: true }),
  c: fc.double({ min: 0, max: 0.37, noNaN: true }),
  h: fc.double({ min: 0, max: 359.9, noNaN: true }),
  alpha: fc.constant(1),
});

describe('colour', () => {
  it('has the contrast ratio that culori has', () => {
    fc.assert(
      fc.property(
        rgb8,
        rgb8,
        (entry, other) => Math.abs(contrastRatio(entry, other) - wcagContrast(culoriOf(entry), culoriOf(other))) < 1e-6,
      ),
    );
  });

  it('has the ratios that everybody knows by heart', () => {
    const rgb = (text: string) => parseColor(text)!.rgb;
    expect(contrastRatio(rgb('black'), rgb('white'))).toBeCloseTo(21, 10);
    expect(contrastRatio(rgb('#777'), rgb('#fff'))).toBeCloseTo(4.478, 3);
    expect(contrastRatio(rgb('#777'), rgb('#fff')) >= 4.5).toBeFalse();
  });

  it('converts to OKLCH as colorjs.io does', () => {
    fc.assert(
      fc.property(rgb8, (color) => {
        const ours = oklabToOklch(rgb8ToOklab(color));
        const [l, c, h] = new Color('srgb', [color.r / 255, color.g / 255, color.b / 255]).to('oklch').coords as [
          number,
          number,
          number,
        ];
        return (
          Math.abs(ours.l - l) < 1e-4 &&
          Math.abs(ours.c - c) < 1e-4 &&
          (c < 0.002 || Math.abs(((ours.h - h + 540) % 360) - 180) < 0.5)
        );
      }),
    );
  });

  it('paints every OKLCH colour that came from 8 bits as the same 8 bits', () => {
    fc.assert(
      fc.property(rgb8, (color) => hex(paintedRgb(oklabToOklch(rgb8ToOklab(color)))) === hex(color)),
      { numRuns: 2000 },
    );
  });

  it('maps into sRGB at constant lightness and hue, as far as culori’s clampChroma', () => {
    const toRgb = converter('rgb');
    fc.assert(
      fc.property(oklch, (color) => {
        const mapped = mapToSrgb(color);
        if (mapped.l !== color.l || mapped.h !== color.h || !inSrgb(mapped)) return false;
        const expected = clampChroma({ mode: 'oklch', ...color }, 'oklch');
        const rgb = toRgb(expected);
        return Math.abs(mapped.c - (expected.c ?? 0)) < 0.003 || Math.min(rgb.r, rgb.g, rgb.b) < -0.001;
      }),
    );
    const inside = { l: 0.5, c: 0.05, h: 30, alpha: 1 };
    expect(mapToSrgb(inside)).toBe(inside);
  });

  it('measures ΔE OK as culori’s Euclidean distance in OKLab', () => {
    const distance = differenceEuclidean('oklab');
    fc.assert(
      fc.property(
        rgb8,
        rgb8,
        (entry, other) => Math.abs(deltaERgb(entry, other) - distance(culoriOf(entry), culoriOf(other))) < 1e-4,
      ),
    );
  });

  it('composites a translucent colour over an opaque one', () => {
    expect(composite({ r: 255, g: 0, b: 0, alpha: 0.5 }, { r: 0, g: 0, b: 255, alpha: 1 })).toEqual({
      r: 128,
      g: 0,
      b: 128,
      alpha: 1,
    });
    const opaque = { r: 1, g: 2, b: 3, alpha: 1 };
    expect(composite(opaque, { r: 9, g: 9, b: 9, alpha: 1 })).toBe(opaque);
  });

  it('calls text large from 24 px, or from 18.66 px and bold', () => {
    expect([
      isLargeText(24, 400),
      isLargeText(23.99, 400),
      isLargeText(18.66, 700),
      isLargeText(18.65, 700),
      isLargeText(18.66, 600),
    ]).toEqual([true, false, true, false, false]);
  });

  it('reads all notations of one colour alike, and paints a typed hex as exactly that', () => {
    for (const text of ['#b83a1e', 'b83a1e', 'rgb(184 58 30)', 'rgb(184, 58, 30)', 'RGB(184 58 30 / 100%)'])
      expect(hex(parseColor(text)!.rgb))
        .withContext(text)
        .toBe('#b83a1e');
    fc.assert(fc.property(rgb8, (color) => hex(parseColor(hex(color))!.rgb) === hex(color)));
    expect(cssColor(parseColor('rgb(1 2 3 / 0.5)')!.rgb)).toBe('rgb(1 2 3 / 0.5)');
    for (const text of ['italic 300 14px/20px "Quay", sans-serif', '"', '--', 'rgb(', 'url(x)', '1e999', ',-'])
      expect(parseColor(text)).withContext(text).toBeUndefined();
    fc.assert(
      fc.property(fc.string({ maxLength: 80 }), (text) => (parseColor(text), true)),
      { numRuns: 2000 },
    );
  });

  it('says when sRGB cannot show a colour, and refuses what is none', () => {
    expect(parseColor('oklch(70% 0.3 150)')!.mapped).toBeTrue();
    expect(parseColor('oklch(60% 0.05 150)')!.mapped).toBeFalse();
    for (const text of ['', 'sea', '#12', '#ggg', 'rgb(', 'url(x)', 'a'.repeat(200), 'var(--x)'])
      expect(parseColor(text)).withContext(text).toBeUndefined();
  });
});

describe('colours in text', () => {
  it('finds every notation where it stands, and no words that only look like codes', () => {
    const found = colorSpots(
      'Brand: #b83a1e and again #B83A1E; deep rgb(14, 59, 67); a facade, decade, bad add; ink 14211f; oklch(94% 0.02 86).',
    );
    expect(found.map((entry) => [hex(entry.color.rgb), entry.index])).toEqual([
      ['#b83a1e', 7],
      ['#b83a1e', 25],
      ['#0e3b43', 39],
      ['#14211f', 87],
      [hex(parseColor('oklch(94% 0.02 86)')!.rgb), 95],
    ]);
  });
  it('finds nothing in a text without a colour', () => {
    expect(colorSpots('The boat leaves at nine and the tide does not care.')).toEqual([]);
    expect(colorSpots('')).toEqual([]);
  });
});

describe('fix of one pair', () => {
  it('passes, and no colour on a lattice around it passes and is nearer', () => {
    fc.assert(
      fc.property(rgb8, rgb8, fc.constantFrom(3, 4.5, 7), (color, ground, needed) => {
        const fix = fixPair(color, ground, needed);
        if (!fix) return luminance(ground) < 0.05 * (needed - 1) && luminance(ground) > 1.05 / needed - 0.05;
        if (contrastRatio(fix.rgb, ground) < needed) return false;
        let best = Infinity;
        for (let r = 0; r < 256; r += 15)
          for (let g = 0; g < 256; g += 15)
            for (let b = 0; b < 256; b += 15) {
              const candidate = { r, g, b, alpha: 1 };
              if (contrastRatio(candidate, ground) >= needed) best = Math.min(best, deltaERgb(candidate, color));
            }
        return fix.deltaE <= best + 1e-9;
      }),
      { numRuns: 60 },
    );
  });
  it('leaves a passing pair alone', () => {
    expect(fixPair({ r: 0, g: 0, b: 0, alpha: 1 }, { r: 255, g: 255, b: 255, alpha: 1 }, 4.5)!.deltaE).toBe(0);
  });
});
