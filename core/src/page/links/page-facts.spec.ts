import type { Section, Site } from '../../site/index.ts';
import { smallSite } from '../../testing/small-site.ts';
import { factProblemsByPage } from '../index.ts';

const problemsOf = (site: Site) => [...factProblemsByPage(site)].flat();

describe('what a page says of itself', () => {
  const site = smallSite();
  const words1 = (text: string) => [{ text: 'See ' }, { id: 'l1', link: { to: 'page' as const, page: 'more' }, text }];
  const block = (site.pages['home']!.sections['s1'] as { own: { blocks: Record<string, { content: unknown }> } }).own
    .blocks['p']!;
  block.content = words1('the other page');
  const having = (home: string, more: string) => ({
    ...site,
    pages: {
      ...site.pages,
      home: { ...site.pages['home']!, description: home },
      more: { ...site.pages['more']!, description: more },
    },
  });
  const words = (home: string, more: string) =>
    problemsOf(having(home, more)).map((problem) => `${problem.page}: ${problem.words}`);

  it('is found missing, the same twice, and longer than what is shown of it', () => {
    expect(words('', '')).toEqual(['home: no description', 'more: no description']);
    expect(words('What is here.', 'What is here.')).toEqual(['more: the same description as Home']);
    expect(words('x'.repeat(160), 'y'.repeat(161))).toEqual([
      'more: description of 161 characters; about 160 are shown',
    ]);
    const long = {
      ...having('a', 'b'),
      name: 'A name that goes on and on, well over all that anybody would show of it',
    };
    expect(problemsOf(long).map(({ words: name }) => name)).toEqual([
      `title of ${long.name.length} characters; about 60 are shown`,
      `title of ${long.name.length + 6} characters; about 60 are shown`,
    ]);
  });
  it('is found where nobody finds their way by it: links that say nothing, no first heading or two, a picture without words', () => {
    const bad = smallSite();
    const { blocks, columns } = (bad.pages['home']!.sections['s1'] as { own: Section }).own;
    Object.assign(blocks['p']!, { content: words1('Read more') });
    Object.assign(blocks['h']!, { level: 2 });
    bad.assets['a1'] = { id: 'a1', name: 'Boat', hash: 'ab'.repeat(32), type: 'image/png', width: 900, height: 600 };
    blocks['pic'] = { kind: 'picture', id: 'pic', asset: 'a1', alt: '', shape: 'wide' };
    columns['col1']!.order.push('pic');
    bad.pages['home']!.description = 'What is here.';
    bad.pages['more']!.description = 'And there.';
    expect(
      problemsOf(bad)
        .filter(({ page }) => page === 'home')
        .map((problem) => problem.words),
    ).toEqual(['no first-level heading', 'a link with only the text “Read more”', 'an image without alternative text']);
  });
  it('is found in the page that is asked for first, the same as in page order', () => {
    const site = having('What is here.', 'What is here.');
    expect(
      [...factProblemsByPage(site, 'more')].map((entry) => entry.map(({ page, words: said }) => `${page}: ${said}`)),
    ).toEqual([['more: the same description as Home'], []]);
  });
  it('that is said well is no finding', () => expect(words('What is here.', 'And what is there.')).toEqual([]));
});
