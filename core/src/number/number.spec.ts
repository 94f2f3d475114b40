import { clamp, cutDown, cutDownText, plural, round } from './index.ts';

describe('figures', () => {
  it('are cut off downwards, never rounded up to a pass', () => {
    expect(cutDown(4.499)).toBe(4.49);
    expect(cutDownText(4.4999999, 1)).toBe('4.4');
    expect(cutDown(4.1)).toBe(4.1);
    expect(cutDownText(7)).toBe('7.00');
  });
  it('round half away from zero and have no negative zero', () => {
    expect(round(-0.5)).toBe(-1);
    expect(Object.is(round(-0.001, 2), 0)).toBeTrue();
  });
  it('are kept in range, not-a-number too', () => {
    expect([clamp(5, 0, 3), clamp(-1, 0, 3), clamp(Number.NaN, 1, 3)]).toEqual([3, 0, 1]);
  });
  it('agree with their noun', () => {
    expect([plural(1, 'place'), plural(0, 'place'), plural(1248, 'place')]).toEqual([
      '1 place',
      '0 places',
      '1\u202f248 places',
    ]);
  });
});
