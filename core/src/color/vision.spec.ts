import { filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit, filterGrayscale, type Rgb } from 'culori';
import fc from 'fast-check';
import { VISIONS, seenAs, visionMatrix, type Vision } from './vision.ts';

const byte = fc.integer({ min: 0, max: 255 });
const ORACLE: Record<Exclude<Vision, 'full'>, (severity: number) => (color: Rgb) => unknown> = {
  protan: filterDeficiencyProt,
  deutan: filterDeficiencyDeuter,
  tritan: filterDeficiencyTrit,
  grey: filterGrayscale,
} as never;

describe('vision', () => {
  it('agrees with culori on every colour, kind and severity to a 255th', () => {
    fc.assert(
      fc.property(
        byte,
        byte,
        byte,
        fc.constantFrom('protan', 'deutan', 'tritan', 'grey') as fc.Arbitrary<Exclude<Vision, 'full'>>,
        fc.double({ min: 0, max: 1, noNaN: true }),
        (r, g, b, vision, severity) => {
          const seen = seenAs({ r, g, b, alpha: 1 }, visionMatrix(vision, severity));
          const oracle = ORACLE[vision](severity)({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 }) as Rgb;
          for (const channel of ['r', 'g', 'b'] as const)
            expect(Math.abs(seen[channel] - Math.min(255, Math.max(0, oracle[channel] * 255)))).toBeLessThanOrEqual(
              0.51,
            );
        },
      ),
    );
  });
  it('leaves full colour alone, greys grey, and keeps how much shows through', () => {
    fc.assert(
      fc.property(byte, byte, byte, (r, g, b) => {
        expect(seenAs({ r, g, b, alpha: 0.4 }, visionMatrix('full', 1))).toEqual({ r, g, b, alpha: 0.4 });
        for (const vision of VISIONS) {
          const { r: red, g: green, b: blue } = seenAs({ r, g: r, b: r, alpha: 1 }, visionMatrix(vision, 1));
          for (const value of [red, green, blue]) expect(Math.abs(value - r)).toBeLessThanOrEqual(1);
        }
      }),
    );
  });
  it('brings red and green together for protan and deutan eyes, and not for tritan ones', () => {
    const apart = (vision: Vision) => {
      const [entry, other] = [
        { r: 200, g: 60, b: 40, alpha: 1 },
        { r: 110, g: 120, b: 30, alpha: 1 },
      ].map((color) => seenAs(color, visionMatrix(vision, 1)));
      return Math.hypot(entry!.r - other!.r, entry!.g - other!.g, entry!.b - other!.b);
    };
    expect(apart('protan')).toBeLessThan(apart('full') * 0.75);
    expect(apart('deutan')).toBeLessThan(apart('full') * 0.75);
    expect(apart('tritan')).toBeGreaterThan(apart('full') * 0.8);
  });
});
