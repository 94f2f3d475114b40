import { deltaERgb, hex, parseColor, paintedRgb } from '../color/index.ts';
import { deriveColor, ruleBetween } from './derive.ts';
import { extractPalette, type Pixels } from './extract.ts';
import { proposeName, uniqueName, uniquePath } from './name.ts';

/** A logo: a disc and a bar on transparent paper, with anti-aliased edges. */
function logo(colors: string[], size = 160): Pixels {
  const [disc, bar] = colors.map((text) => parseColor(text)!.rgb);
  const data = new Uint8ClampedArray(size * size * 4);
  for (let y = 0; y < size; y++) for (let x = 0; x < size; x++) {
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
    expect(palette.reduce((sum, one) => sum + one.share, 0)).toBeCloseTo(1, 6);
    expect(palette[0]!.share).toBeGreaterThan(palette[1]!.share);
  });

  it('leaves out the mixed edge between two flat colours', () => {
    const size = 100;
    const data = new Uint8ClampedArray(size * size * 4);
    for (let y = 0; y < size; y++) for (let x = 0; x < size; x++) {
      const mix = Math.max(0, Math.min(1, (x - 49 + y * 0.01) / 2));
      data.set([255 - 71 * mix, 255 - 197 * mix, 255 - 225 * mix, 255].map(Math.round), (y * size + x) * 4);
    }
    expect(extractPalette({ width: size, height: size, data }).map((one) => hex(one.rgb))).toEqual(['#ffffff', '#b83a1e']);
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
});

describe('names', () => {
  it('are proposed in plain words and made unique', () => {
    expect(proposeName(parseColor('#ffffff')!.oklch)).toBe('White');
    expect(uniqueName('Brick', ['brick', 'Brick 2'])).toBe('Brick 3');
    expect(uniquePath('Tern white!', ['tern-white'])).toBe('tern-white-2');
    expect(uniquePath('余白', [])).toBe('token');
  });
});
