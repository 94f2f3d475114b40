import { inOrder } from './row-order.ts';

describe('rows in order', () => {
  const collator = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' });
  const ordered = (values: readonly (string | number | null)[], down = false) =>
    inOrder(values, (entry) => entry, down);

  it('are those of the language, whatever of ASCII they are made of', () => {
    // Pairs of every two characters that can be typed, alone, before and behind another, and figures of any length.
    const typed = Array.from({ length: 95 }, (_, i) => String.fromCharCode(32 + i));
    const texts = [
      '',
      ...typed,
      ...typed.map((name) => `a${name}`),
      ...typed.map((name) => `${name}b2`),
      'a10',
      'a9',
      'A009b',
      'a9b',
      'a 2026-01-09',
      'a 2026-01-10',
      '1e3',
      '-4',
      '12345678901234567890',
      '2345678901234567890',
    ];
    const found = ordered(texts) as string[];
    for (let i = 1; i < found.length; i++)
      expect(collator.compare(found[i - 1]!, found[i]!))
        .withContext(`“${found[i - 1]}” before “${found[i]}”`)
        .toBeLessThanOrEqual(0);
    expect(found.length).toBe(texts.length);
  });
  it('are those of the language for other letters too, figures by how large they are, and nothing stands last both ways', () => {
    expect(ordered(['zeta', 'Öl', 'apfel', null, 'Ära'])).toEqual(['apfel', 'Ära', 'Öl', 'zeta', null]);
    expect(ordered([10, null, 9, -1], true)).toEqual([10, 9, -1, null]);
    expect(ordered(['b', null, 'a'], true)).toEqual(['b', 'a', null]);
  });
});
