import { pageAddress, type Page, type Site } from '@yohaku/core';

/** Returns the reason why a page cannot have a name, in words; empty if it can. */
export function titleProblem(page: Page, text: string): string {
  if (text === '') return 'A page needs a name.';
  return text.length > 80 ? `${text.length} characters; at most 80. “${page.title}” is kept.` : '';
}

/** Returns the reason why a page cannot have an address, in words; empty if it can. */
export function addressProblem(site: Site, page: Page, text: string): string {
  if (!/[a-z0-9]/i.test(text.replace(/\.html$/i, ''))) return 'An address needs letters or digits.';
  const file = pageAddress(text);
  if (file === 'specimen.html') return 'specimen.html is the address of the specimen.';
  if (text.trim().includes('/')) return 'An address is one name without a slash: all pages are in one folder.';
  const other = Object.values(site.pages).find(({ id, file: taken }) => id !== page.id && taken === file);
  return other ? `${file} is the address of ${other.title}.` : '';
}
