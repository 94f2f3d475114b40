import type { LoadedSite, Page, Site, SiteLine } from '@yohaku/core';
import { SameStrings } from './same-strings.ts';

/** A site on its way here: with the pages that are here once enough of them are, and then whole. */
export type Opening =
  { readonly site: Site | null; readonly here: number; readonly of: number } | { readonly whole: LoadedSite };

/** From so many pages on a site is shown before all of it is here; fewer are here at once. */
const LARGE = 40;
/** How many pages are waited for before it is shown: about what hangs in sight. */
const FIRST = 12;

/**
 * Reads a site that comes line by line. It is shown once, with its first pages, when
 * those are here; from then on only how many there are is told, until it is whole.
 */
export class SiteReader {
  #from = 0;
  #head: LoadedSite | undefined;
  #of = 0;
  #shown = false;
  #whole = false;
  readonly #pages: Record<string, Page> = {};
  #here = 0;
  readonly #texts = new SameStrings();

  /** Takes all that has come so far. @param text from its start */
  read(text: string): Opening[] {
    const end = text.lastIndexOf('\n') + 1;
    for (const line of text.slice(this.#from, end).split('\n'))
      if (line !== '') this.#take(this.#texts.in(JSON.parse(line) as SiteLine));
    this.#from = Math.max(this.#from, end);
    if (this.#whole || !this.#head || this.#of < LARGE || this.#here < FIRST) return [];
    const site = this.#shown ? null : this.#site();
    this.#shown = true;
    return [{ site, here: this.#here, of: this.#of }];
  }

  /** Takes the last of it. @throws Error when something is missing: the connection broke */
  end(text: string): Opening[] {
    this.read(text);
    if (!this.#whole || !this.#head) throw new Error('The site loaded only in part. Reload.');
    return [{ whole: { ...this.#head, site: this.#site() } }];
  }

  #take(line: SiteLine): void {
    if ('head' in line) {
      this.#head = line.head;
      this.#of = line.pages;
    } else if ('page' in line) {
      this.#pages[line.page.id] = line.page;
      this.#here++;
    } else this.#whole = true;
  }

  /** The site with the pages that are here, in their order. */
  #site(): Site {
    const { site } = this.#head!;
    const pageOrder = site.pageOrder.filter((id) => this.#pages[id]);
    return { ...site, pageOrder, pages: Object.fromEntries(pageOrder.map((id) => [id, this.#pages[id]!])) };
  }
}
