import { labelled, plainText, walk, type Inline } from '../../kinds/index.ts';
import { lostLinks } from './link-words.ts';
import { pageTree } from '../tree/tree.ts';
import { Page, type Site } from '../../site/index.ts';

/** Longer ones are cut off where results are listed, characters. */
export const TITLE_SHOWN = 60;
export const DESCRIPTION_SHOWN = 160;

/** Something about what a page says of itself that will not be read as it is meant. */
export interface PageFactProblem {
  readonly page: string;
  readonly title: string;
  readonly words: string;
  /** The fix for it, or its place. */ readonly fix?: FactFix;
}

/**
 * How a problem is fixed: a first heading given, all but the first lowered, a link led to the page itself; or the place
 * where somebody has to say something.
 */
export type FactFix =
  | { readonly kind: 'first-heading' | 'one-heading' }
  | { readonly kind: 'link'; readonly at: readonly string[] }
  | { readonly kind: 'place'; readonly place: string };

/**
 * Pages without a description, with one that others have as well, with facts that are longer than what is shown of
 * them, or with links to sections that are gone; in page order, page by page: a thousand have to be taken apart for
 * them. `begin`: the page that comes first.
 */
export function* factProblemsByPage(site: Site, begin?: string): Generator<PageFactProblem[], void, void> {
  const broken = lostLinks(site);
  const said = new Map<string, string>();
  for (const id of site.pageOrder) {
    const text = site.pages[id]!.description.trim();
    if (!said.has(text)) said.set(text, id);
  }
  for (const id of begin === undefined ? site.pageOrder : [begin, ...site.pageOrder.filter((page) => page !== begin)]) {
    const { title, description, file } = site.pages[id]!;
    const shown = file === 'index.html' ? site.name : `${title}, ${site.name}`;
    const found: Omit<PageFactProblem, 'page' | 'title'>[] = [];
    const words = { push: (...all: string[]) => found.push(...all.map((entry) => ({ words: entry }))) };
    if (shown.length > TITLE_SHOWN) words.push(`title of ${shown.length} characters; about ${TITLE_SHOWN} are shown`);
    const text = description.trim();
    if (text === '') words.push('no description');
    else if (text.length > DESCRIPTION_SHOWN)
      words.push(`description of ${text.length} characters; about ${DESCRIPTION_SHOWN} are shown`);
    const other = said.get(text)!;
    if (text !== '' && other !== id) words.push(`the same description as ${site.pages[other]!.title}`);
    found.push(...outlineProblems(site, id));
    for (const lost of broken)
      if (lost.page === id || (lost.page === '' && file === 'index.html'))
        found.push({ words: lost.words, fix: { kind: 'link', at: lost.at } });
    yield found.map((entry) => ({ page: id, title, ...entry }));
  }
}

/** Words of a link that say nothing by themselves: whoever goes from link to link hears no more than them. */
export const SAYS_NOTHING = /^(click )?(here|this|link|more|read more|learn more|see more|details)\.?$/i;
/** Widest picture that may say nothing: smaller ones are ornaments as a rule, px. */
const ORNAMENT = 64;

/**
 * Returns the problems of a page's outline: no first-level heading or several, links without meaning, images without
 * text.
 */
function outlineProblems(site: Site, id: string): Omit<PageFactProblem, 'page' | 'title'>[] {
  const { places } = pageTree(site, id);
  const first = places.filter(({ level }) => level === 1).length;
  const found: Omit<PageFactProblem, 'page' | 'title'>[] =
    first === 0
      ? [{ words: 'no first-level heading', fix: { kind: 'first-heading' } }]
      : first > 1
        ? [{ words: `${first} first-level headings; use one`, fix: { kind: 'one-heading' } }]
        : [];
  const links = new Set<string>();
  let unsaid = 0;
  walk(Page, site.pages[id], (meaning, value, _at, beside) => {
    if (meaning.means === 'words' && Array.isArray(value)) {
      for (const run of value as readonly Inline[])
        if ('link' in run && SAYS_NOTHING.test(plainText([run]).trim())) links.add(run.text.trim());
    } else if (meaning.means === 'alt' && value === '') {
      const asset = site.assets[String((beside as { asset?: unknown }).asset)];
      if (asset && asset.width > ORNAMENT) unsaid++;
    }
  });
  for (const words of links) {
    const place = places.find(({ kind, label }) => kind === 'link' && label === labelled('Link', words));
    found.push({
      words: `a link with only the text “${words}”`,
      ...(place ? { fix: { kind: 'place', place: place.id } } : {}),
    });
  }
  const silent = places.find(
    ({ kind, asset, label, section }) =>
      kind === 'picture' && asset !== null && label === 'Image' && section !== 'header' && section !== 'footer',
  );
  if (unsaid > 0)
    found.push({
      words: unsaid === 1 ? 'an image without alternative text' : `${unsaid} images without alternative text`,
      ...(silent ? { fix: { kind: 'place', place: silent.id } } : {}),
    });
  return found;
}
