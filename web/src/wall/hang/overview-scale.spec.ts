import { overviewScale } from './overview-scale.ts';

describe('the scale of the overview', () => {
  it('is larger where there are few pages, and never so large that they do not fit beside each other', () => {
    expect([1, 2, 9, 850].map((pages) => overviewScale(pages, 1280, true))).toEqual([0.34, 0.34, 0.14, 0.14]);
    for (const pages of [1, 2, 3, 4])
      expect(pages * (1670 * overviewScale(pages, 1280, true) + 44)).toBeLessThanOrEqual(1280);
  });
  it('is large enough to judge two or three pages of many', () => {
    expect([1, 2, 9, 850].map((pages) => overviewScale(pages, 1280, false))).toEqual([0.34, 0.34, 0.27, 0.27]);
  });
  it('uses the room of a wide window', () => {
    expect(overviewScale(9, 1920, true)).toBe(0.21);
    expect(overviewScale(1, 1920, true)).toBe(0.51);
  });
});
