import * as fc from 'fast-check';
import { contrastRatio, deltaERgb, hex, parseColor, paintedRgb } from '../color/index.ts';
import { deriveColor, ruleBetween, ruleWords } from './derive.ts';
import { extractPalette, type Pixels } from './extract.ts';
import { proposeName, uniqueName, uniquePath } from './name.ts';

const color = fc
  .integer({ min: 0, max: 0xffffff })
  .map((value) => parseColor(`#${value.toString(16).padStart(6, '0')}`)!);
const [WHITE, BLACK] = ['#fff', '#000'].map((text) => parseColor(text)!.rgb) as [
  ReturnType<typeof paintedRgb>,
  ReturnType<typeof paintedRgb>,
];

/** A logo: a disc and a bar on transparent paper, with anti-aliased edges. */
function logo(colors: string[], size = 160): Pixels {
  const [disc, bar] = colors.map((text) => parseColor(text)!.rgb);
  const data = new Uint8ClampedArray(size * size * 4);
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      const at = (y * size + x) * 4;
      const edge = size * 0.3 - Math.hypot(x - size / 2, y - size / 2);
      const cover = Math.max(0, Math.min(1, edge + 0.5));
      const inBar = y > size * 0.8 && y < size * 0.9;
      const color = inBar ? bar! : disc!;
      data.set([color.r, color.g, color.b, inBar ? 255 : Math.round(cover * 255)], at);
    }
  return { width: size, height: size, data };
}

describe('palette of a picture', () => {
  it('recovers the flat colours of a logo within ΔE OK 0.02, ignoring fringes and transparency', () => {
    const palette = extractPalette(logo(['#b83a1e', '#0e3b43']));
    expect(palette.length).toBe(2);
    expect(deltaERgb(palette[0]!.rgb, parseColor('#b83a1e')!.rgb)).toBeLessThan(0.02);
    expect(deltaERgb(palette[1]!.rgb, parseColor('#0e3b43')!.rgb)).toBeLessThan(0.02);
    expect(palette.reduce((sum, entry) => sum + entry.share, 0)).toBeCloseTo(1, 6);
    expect(palette[0]!.share).toBeGreaterThan(palette[1]!.share);
  });

  it('leaves out the mixed edge between two flat colours', () => {
    const size = 100;
    const data = new Uint8ClampedArray(size * size * 4);
    for (let y = 0; y < size; y++)
      for (let x = 0; x < size; x++) {
        const mix = Math.max(0, Math.min(1, (x - 49 + y * 0.01) / 2));
        data.set([255 - 71 * mix, 255 - 197 * mix, 255 - 225 * mix, 255].map(Math.round), (y * size + x) * 4);
      }
    expect(extractPalette({ width: size, height: size, data }).map((entry) => hex(entry.rgb))).toEqual([
      '#ffffff',
      '#b83a1e',
    ]);
  });

  it('Trial 5: a band over the width and a footer are backgrounds, and white is not swallowed by a paper white', () => {
    const [width, height] = [200, 200];
    const data = new Uint8ClampedArray(width * height * 4);
    const at = (x: number, y: number): string => {
      if (y < 24) return '#14211f';
      if (y >= 170) return '#b83a1e';
      if (y >= 60 && y < 90) return '#ffffff';
      // Letters: strokes of four px with gaps.
      if (y >= 110 && y < 130 && x > 20 && x < 180 && x % 9 < 4) return '#2b2b2b';
      return '#fbfaf6';
    };
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const { r, g, b } = parseColor(at(x, y))!.rgb;
        data.set([r, g, b, 255], (y * width + x) * 4);
      }
    expect(
      Object.fromEntries(extractPalette({ width, height, data }).map((entry) => [hex(entry.rgb), entry.role])),
    ).toEqual({
      '#fbfaf6': 'ground',
      '#ffffff': 'ground',
      '#14211f': 'ground',
      '#b83a1e': 'ground',
      '#2b2b2b': 'text',
    });
  });

  it('gives the same palette for the same picture', () => {
    expect(extractPalette(logo(['#336699', '#ffcc00']))).toEqual(extractPalette(logo(['#336699', '#ffcc00'])));
  });

  it('has nothing to say of an empty or fully transparent picture', () => {
    expect(extractPalette({ width: 0, height: 0, data: new Uint8Array() })).toEqual([]);
    expect(extractPalette({ width: 2, height: 1, data: new Uint8Array(8) })).toEqual([]);
  });

  it('keeps to the number asked for', () => {
    expect(extractPalette(logo(['#b83a1e', '#0e3b43']), 1).length).toBe(1);
  });
});

describe('derived swatches', () => {
  it('lead from the source back to where the colour stood', () => {
    const source = parseColor('#b83a1e')!.oklch;
    const target = parseColor('#8f2a12')!;
    expect(hex(paintedRgb(deriveColor(source, ruleBetween('x', source, target.oklch))))).toBe(hex(target.rgb));
  });
  it('are mixed from the one to the other, ends included', () => {
    const [entry, other] = [parseColor('#b83a1e')!, parseColor('#0e3b43')!];
    const at = (share: number) =>
      hex(paintedRgb(deriveColor(entry.oklch, { kind: 'mix', source: 'a', with: 'b', share }, other.oklch)));
    expect([at(0), at(1)]).toEqual(['#b83a1e', '#0e3b43']);
    const half = deriveColor(entry.oklch, { kind: 'mix', source: 'a', with: 'b', share: 0.5 }, other.oklch);
    expect(half.l).toBeCloseTo((entry.oklch.l + other.oklch.l) / 2, 9);
  });
  it('reach the contrast asked for on the other swatch, as near to the source as they can', () => {
    fc.assert(
      fc.property(color, color, fc.constantFrom(3, 4.5, 7), (source, ground, ratio) => {
        const made = deriveColor(source.oklch, { kind: 'contrast', source: 'a', on: 'b', ratio }, ground.oklch);
        const found = contrastRatio(paintedRgb(made), ground.rgb);
        const best = Math.max(contrastRatio(WHITE, ground.rgb), contrastRatio(BLACK, ground.rgb));
        if (best >= ratio) expect(found).toBeGreaterThanOrEqual(ratio);
        else expect(found).toBeCloseTo(best, 6);
        // A thousandth of lightness back towards the source would no longer do.
        const back = made.l + Math.sign(source.oklch.l - made.l) * 0.012;
        if (best >= ratio && Math.abs(source.oklch.l - made.l) > 0.012)
          expect(contrastRatio(paintedRgb({ ...source.oklch, l: back }), ground.rgb)).toBeLessThan(ratio + 0.2);
      }),
      { numRuns: 200 },
    );
  });
  it('stay as they are where the source has the contrast already', () => {
    const ink = parseColor('#101820')!;
    expect(
      hex(
        paintedRgb(
          deriveColor(ink.oklch, { kind: 'contrast', source: 'a', on: 'b', ratio: 4.5 }, parseColor('#fff')!.oklch),
        ),
      ),
    ).toBe('#101820');
  });
  it('are laid over as the browser does it', () => {
    const over = deriveColor(
      parseColor('#000')!.oklch,
      { kind: 'over', source: 'a', on: 'b', alpha: 0.1 },
      parseColor('#fff')!.oklch,
    );
    expect(hex(paintedRgb(over))).toBe('#e6e6e6');
  });
  it('are said in words', () => {
    const name = (id: string) => id.toUpperCase();
    expect(ruleWords({ source: 'a', lightness: -0.12, chroma: 0.8, hue: 10 }, name)).toBe(
      'A, 12 darker, chroma 80 %, hue +10°',
    );
    expect(ruleWords({ source: 'a', lightness: 0, chroma: 1, hue: 0 }, name)).toBe('A, the same');
    expect(ruleWords({ kind: 'mix', source: 'a', with: 'b', share: 0.3 }, name)).toBe('30 % B in A');
    expect(ruleWords({ kind: 'contrast', source: 'a', on: 'b', ratio: 4.5 }, name)).toBe('A at 4.5 on B');
    expect(ruleWords({ kind: 'over', source: 'a', on: 'b', alpha: 0.08 }, name)).toBe('8 % A over B');
  });
});

describe('names', () => {
  it('are proposed in plain words and made unique', () => {
    expect(proposeName(parseColor('#ffffff')!.oklch)).toBe('White');
    expect(uniqueName('Brick', ['brick', 'Brick 2'])).toBe('Brick 3');
    expect(uniquePath('Tern white!', ['tern-white'])).toBe('tern-white-2');
    expect(uniquePath('余白', [])).toBe('token');
  });
});
