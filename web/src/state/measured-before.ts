import { Injectable } from '@angular/core';
import { publishedPages, type Site } from '@yohaku/core';
import { layoutGround, sameGround, type LayoutGround } from './layout-ground.ts';

/** The pages whose measurements the server had at the opening. */
@Injectable({ providedIn: 'root' })
export class MeasuredBefore {
  readonly #grounds = new Map<string, LayoutGround>();
  #siteId = '';

  /** Notes pages that are laid out as they were measured. */
  note(site: Site, pages: readonly string[]): void {
    this.#grounds.clear();
    this.#siteId = site.id;
    for (const page of pages) this.#grounds.set(page, layoutGround(site, page));
  }

  /** Returns whether the figures of a page are here, and no edit since can have changed them. */
  knows(site: Site, page: string): boolean {
    const isSame = site.id === this.#siteId && sameGround(this.#grounds.get(page), layoutGround(site, page));
    // Undone later, the page is measured again: in between, other figures took their place.
    if (!isSame) this.#grounds.delete(page);
    return isSame;
  }

  /** Returns true if that holds for every published page. */
  knowsAll(site: Site): boolean {
    return publishedPages(site).every(({ id }) => this.knows(site, id));
  }
}
