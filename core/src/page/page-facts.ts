import { lostLinks } from './link-words.ts';
import type { Site } from '../site/index.ts';

/** Longer ones are cut off where results are listed, characters. */
export const TITLE_SHOWN = 60;
export const DESCRIPTION_SHOWN = 160;

/** Something about what a page says of itself that will not be read as it is meant. */
export interface PageFactProblem { readonly page: string; readonly title: string; readonly words: string }

/** Pages without a description, with one that others have as well, with facts that are longer than what is shown of them, or with links to sections that are gone; in page order. */
export function pageFactProblems(site: Site): PageFactProblem[] {
  const seen = new Map<string, string>();
  const broken = lostLinks(site);
  return site.pageOrder.flatMap((id): PageFactProblem[] => {
    const { title, description, file } = site.pages[id]!;
    const shown = file === 'index.html' ? site.name : `${title}, ${site.name}`;
    const words: string[] = [];
    if (shown.length > TITLE_SHOWN) words.push(`title of ${shown.length} characters; about ${TITLE_SHOWN} are shown`);
    const text = description.trim();
    if (text === '') words.push('no description');
    else if (text.length > DESCRIPTION_SHOWN) words.push(`description of ${text.length} characters; about ${DESCRIPTION_SHOWN} are shown`);
    const other = text === '' ? undefined : seen.get(text);
    if (other !== undefined) words.push(`the same description as ${other}`);
    else seen.set(text, title);
    for (const lost of broken) if (lost.page === id || (lost.page === '' && file === 'index.html')) words.push(lost.words);
    return words.map((one) => ({ page: id, title, words: one }));
  });
}
