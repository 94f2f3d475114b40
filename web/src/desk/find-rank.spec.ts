import { rank } from './find-rank.ts';

describe('what fits a few letters', () => {
  const best = (typed: string, ...labels: string[]) =>
    labels.filter((label) => rank(label, typed) > 0).sort((label, other) => rank(other, typed) - rank(label, typed));
  it('has every word that was typed; one that begins with it comes first, and the shorter of two alike', () => {
    expect(best('fun', 'Deep funnel', 'Funnel lightness', 'Funnel', 'Type', 'Refund')).toEqual([
      'Funnel',
      'Funnel lightness',
      'Deep funnel',
      'Refund',
    ]);
    expect(best('size lead', 'Lead size', 'Lead', 'Size of labels')).toEqual(['Lead size']);
  });
  it('is found by common other words for it as well, after what has them in its name', () => {
    expect(rank('Line height', 'leading', 'leading')).toBeGreaterThan(0);
    expect(rank('Line height', 'height leading', 'leading')).toBeGreaterThan(0);
    expect(rank('Leading text', 'leading')).toBeGreaterThan(rank('Line height', 'leading', 'leading'));
    expect(rank('Line height', 'eading', 'leading')).toBe(0);
  });
  it('is found without its accents, and whatever signs were typed', () => {
    expect(best('uberschrift', 'Überschrift')).toEqual(['Überschrift']);
    expect([rank('a', ''), rank('a', '   '), rank('(x', '(x'), rank('abc', '[')]).toEqual([
      0,
      0,
      jasmine.any(Number) as never,
      0,
    ]);
    expect(rank('(x', '(x')).toBeGreaterThan(0);
  });
});
