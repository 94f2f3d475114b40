import type { Inline } from '@yohaku/core';
import { readInline, tooMuch } from './read-inline.ts';

describe('reading edited words back', () => {
  const link: Inline = { id: 'l1', link: { to: 'url', url: 'https://a.example' }, text: 'here' };
  const element = (html: string): Element => {
    const paragraph = document.createElement('p');
    paragraph.innerHTML = html;
    return paragraph;
  };
  const text = (runs: readonly Inline[]) => runs.map((run) => run.text).join('');

  it('keeps words beyond 4,000 characters whole, in parts that cut no character', () => {
    const words = `${'x'.repeat(3999)}😀${'y'.repeat(9000)}`;
    const runs = readInline(element(words), []);
    expect(text(runs)).toBe(words);
    expect(runs.length).toBe(4);
    for (const run of runs) {
      expect(run.text.length).toBeLessThanOrEqual(4000);
      expect(run.text).not.toMatch(/[\ud800-\udbff]$|^[\udc00-\udfff]/);
    }
    expect(tooMuch(runs)).toBe('');
  });

  it('names a link that is too long, and a paragraph of too many parts, instead of cutting them', () => {
    const runs = readInline(element(`See <a data-place="p/l1">${'z'.repeat(5000)}</a>`), [link]);
    expect(text(runs).length).toBe(5004);
    expect(tooMuch(runs)).toMatch(/the link “z+…” is over 4000 characters/);
    expect(tooMuch(Array.from({ length: 201 }, () => ({ text: 'x' })))).toMatch(/201 parts.*200 are the most/);
  });

  it('takes out what no text can hold', () => {
    const paragraph = document.createElement('p');
    paragraph.append(document.createTextNode('a\u0000b\ud83dc\u00a0d'));
    expect(text(readInline(paragraph, []))).toBe('abc d');
  });
});
