import { failingCauses, type FailingRow } from './failing-causes.ts';

const row = (part: Partial<FailingRow>): FailingRow => ({
  page: 'home',
  place: 'p1',
  label: 'Eyebrow',
  rule: 'text-contrast',
  found: 3.9,
  needed: 4.5,
  tokens: ['background.fog.eyebrow', 'color.core.funnel'],
  ...part,
});

describe('causes of failures', () => {
  it('join what one edit of a token puts right, the cause with most places first, with its worst value', () => {
    const causes = failingCauses([
      row({ rule: 'size', found: 10, needed: 12, tokens: ['text.note.size'] }),
      row({}),
      row({ page: 'about', found: 2.1 }),
      row({ page: 'about', found: 2.4 }),
    ]);
    expect(causes.map(({ places, pages, worst }) => [places, pages, worst.found])).toEqual([
      [2, ['home', 'about'], 2.1],
      [1, ['home'], 10],
    ]);
  });
  it('keep apart what needs another ratio, and join by name what no token decides', () => {
    const header = { rule: 'covered', label: 'Header', tokens: [], found: 120, needed: 96 };
    const causes = failingCauses([
      row({}),
      row({ needed: 3 }),
      row({ ...header, page: 'home' }),
      row({ ...header, page: 'about', found: 140 }),
    ]);
    expect(causes.map(({ rows, worst }) => [rows.length, worst.found])).toEqual([
      [2, 140],
      [1, 3.9],
      [1, 3.9],
    ]);
  });
});
