import { Injectable } from '@angular/core';
import { publishedPages, type Site } from '@yohaku/core';
import { layoutInputs, sameInputs, type LayoutInputs } from './layout-inputs.ts';

/** The pages whose measurements the server had at the opening. */
@Injectable({ providedIn: 'root' })
export class MeasuredBefore {
  readonly #grounds = new Map<string, LayoutInputs>();
  #siteId = '';

  /** Notes pages that are laid out as they were measured. */
  note(site: Site, pages: readonly string[]): void {
    this.#grounds.clear();
    this.#siteId = site.id;
    for (const page of pages) this.#grounds.set(page, layoutInputs(site, page));
  }

  /** Returns whether the figures of a page are here, and no edit since can have changed them. */
  knows(site: Site, page: string): boolean {
    const isSame = site.id === this.#siteId && sameInputs(this.#grounds.get(page), layoutInputs(site, page));
    // Undone later, the page is measured again: in between, other figures took their place.
    if (!isSame) this.#grounds.delete(page);
    return isSame;
  }

  /** Returns true if that holds for every published page. */
  knowsAll(site: Site): boolean {
    return publishedPages(site).every(({ id }) => this.knows(site, id));
  }
}
