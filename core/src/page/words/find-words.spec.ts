import { smallSite } from '../../testing/small-site.ts';
import { findWords } from './find-words.ts';

describe('words that are sought', () => {
  const site = smallSite();
  it('are found in page order whatever their case, in buttons, cards and links too, those of a shared section once', () => {
    expect(findWords(site, 'SHARED', 9)).toEqual([{ page: 'home', entry: 's2', block: 'c1', words: 'Shared' }]);
    expect(findWords(site, 'go', 9).map((word) => word.block)).toContain('k');
    expect(findWords(site, 'card', 9).map((word) => [word.page, word.block])).toEqual([['more', 'tc']]);
    expect(findWords(site, 'more', 9).map((word) => word.page)).toEqual(['home', 'more']);
  });
  it('are none for nothing, and no more than were asked for', () => {
    expect([findWords(site, '  ', 9), findWords(site, 'zzz', 9), findWords(site, 'e', 2).length]).toEqual([[], [], 2]);
  });
});
