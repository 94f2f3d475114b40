import { smallSite } from '../testing/small-site.ts';
import { pageFactProblems } from './index.ts';

describe('what a page says of itself', () => {
  const site = smallSite();
  const having = (home: string, more: string) => ({ ...site, pages: { ...site.pages, home: { ...site.pages['home']!, description: home }, more: { ...site.pages['more']!, description: more } } });
  const words = (home: string, more: string) => pageFactProblems(having(home, more)).map((one) => `${one.page}: ${one.words}`);

  it('is found missing, the same twice, and longer than what is shown of it', () => {
    expect(words('', '')).toEqual(['home: no description', 'more: no description']);
    expect(words('What is here.', 'What is here.')).toEqual(['more: the same description as Home']);
    expect(words('x'.repeat(160), 'y'.repeat(161))).toEqual(['more: description of 161 characters; about 160 are shown']);
    const long = { ...having('a', 'b'), name: 'A name that goes on and on, well over all that anybody would show of it' };
    expect(pageFactProblems(long).map(({ words: one }) => one)).toEqual([`title of ${long.name.length} characters; about 60 are shown`, `title of ${long.name.length + 6} characters; about 60 are shown`]);
  });
  it('that is said well is no finding', () => expect(words('What is here.', 'And what is there.')).toEqual([]));
});
