import type { Page, Site } from '@yohaku/core';
import { small } from '../testing/small.ts';
import { siteLines } from '../testing/site-lines.ts';
import { SiteReader, type Opening } from './site-reader.ts';

/** A site of so many pages, all like the first. */
function manyPages(count: number): Site {
  const site = small();
  const page = site.pages['home']!;
  const pages = Array.from({ length: count }, (_, i): Page => ({
    ...page,
    id: `p${i}`,
    file: i === 0 ? 'index.html' : `p${i}.html`,
  }));
  return {
    ...site,
    pageOrder: pages.map((entry) => entry.id),
    pages: Object.fromEntries(pages.map((entry) => [entry.id, entry])),
  };
}

describe('a site that comes in parts', () => {
  it('is shown with its first pages, then told by how many are here, then whole, wherever it was cut', () => {
    const site = manyPages(60);
    const text = siteLines({ site, sequence: 7, told: ['told'] });
    for (const step of [97, 5000, text.length]) {
      const reader = new SiteReader();
      const seen: Opening[] = [];
      for (let end = step; end < text.length; end += step) seen.push(...reader.read(text.slice(0, end)));
      const counts = seen.flatMap((entry) => ('here' in entry ? [entry.here] : []));
      expect(counts).toEqual([...counts].sort((count, other) => count - other));
      const shown = seen.flatMap((entry) => ('site' in entry && entry.site ? [entry.site] : []));
      expect(shown.length).toBe(step === text.length ? 0 : 1);
      for (const first of shown) expect(first.pageOrder).toEqual(site.pageOrder.slice(0, first.pageOrder.length));
      expect(reader.end(text)).toEqual([{ whole: { site, sequence: 7, told: ['told'] } }]);
    }
  });
  it('is waited for where it is small: all of it is here at once', () => {
    const site = manyPages(12);
    const text = siteLines({ site, sequence: 1 });
    const reader = new SiteReader();
    expect(reader.read(text.slice(0, text.length - 20))).toEqual([]);
    expect(reader.end(text)).toEqual([{ whole: { site, sequence: 1 } }]);
  });
  it('is not taken where the connection broke', () => {
    const text = siteLines({ site: manyPages(60), sequence: 1 });
    expect(() => new SiteReader().end(text.slice(0, text.length - 400))).toThrowError(/loaded only in part/);
    expect(() => new SiteReader().end('')).toThrowError(/loaded only in part/);
  });
});
