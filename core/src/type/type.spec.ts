import * as fc from 'fast-check';
import { unclearSteps } from './heading-steps.ts';
import { fluidAt, fluidCss, fluidSize, scaleStep, stepSize } from './scale.ts';

const scale = { small: { width: 390, base: 17, ratio: 1.17 }, large: { width: 1280, base: 18, ratio: 1.28 } };

describe('type scale', () => {
  it('has base times ratio to the step at both ends', () => {
    fc.assert(
      fc.property(fc.integer({ min: -3, max: 6 }), (step) => {
        const size = scaleStep(scale, step);
        return (
          Math.abs(fluidAt(size, 390) - stepSize(scale, 'small', step)) < 0.02 &&
          Math.abs(fluidAt(size, 1280) - stepSize(scale, 'large', step)) < 0.02
        );
      }),
    );
  });
  it('is whole px at both ends where it is snapped, and never a step out of order', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 12, max: 32, noNaN: true }),
        fc.double({ min: 1.05, max: 2, noNaN: true }),
        fc.integer({ min: -3, max: 8 }),
        (base, ratio, step) => {
          const snapped = {
            small: { width: 390, base, ratio },
            large: { width: 1280, base: base + 2, ratio: ratio + 0.05 },
            snapped: true,
          };
          const at = (width: number, value: number) => fluidAt(scaleStep(snapped, value), width);
          return [390, 1280].every(
            (width) =>
              Math.abs(at(width, step) - Math.round(at(width, step))) < 0.01 &&
              at(width, step) <= at(width, step + 1) + 0.01,
          );
        },
      ),
    );
  });
  it('grows with every step, and from the base up with the width, without a jump', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 8 }), fc.integer({ min: 320, max: 1919 }), (step, width) => {
        const at = (value: number, w: number) => fluidAt(scaleStep(scale, value), w);
        return (
          at(step, width) < at(step + 1, width) &&
          at(step, width) <= at(step, width + 1) + 1e-9 &&
          at(step, width + 1) - at(step, width) < 0.3
        );
      }),
    );
  });
  it('never leaves the span between both ends, and grows evenly between them', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 320, max: 1920 }),
        fc.double({ min: 10, max: 60, noNaN: true }),
        fc.double({ min: 10, max: 60, noNaN: true }),
        (width, small, large) => {
          const px = fluidAt(fluidSize(scale, small, large), width);
          const wanted = Math.max(
            Math.min(small, large),
            Math.min(Math.max(small, large), small + ((large - small) * (width - 390)) / 890),
          );
          return Math.abs(px - wanted) < 0.05;
        },
      ),
    );
  });
  it('writes clamp() in rem and vw, and plain rem where nothing moves', () => {
    expect(fluidCss(scaleStep(scale, 0))).toMatch(/^clamp\(1\.0625rem, [\d.]+rem \+ [\d.]+vw, 1\.125rem\)$/);
    expect(fluidCss(fluidSize(scale, 16, 16))).toBe('1rem');
  });
});

describe('ladder', () => {
  it('marks a heading that is smaller than, or hardly larger than, the style below it', () => {
    const found = unclearSteps([
      { style: 'a', size: 40, heading: true },
      { style: 'b', size: 24, heading: true },
      { style: 'c', size: 23, heading: false },
      { style: 'd', size: 30, heading: false },
    ]);
    expect(found.map(({ upper, lower, kind }) => [upper, lower, kind])).toEqual([['b', 'c', 'near-equal']]);
    expect(
      unclearSteps([
        { style: 'a', size: 20, heading: true },
        { style: 'b', size: 24, heading: true },
      ])[0]!.kind,
    ).toBe('inverted');
  });
});
