import { specimenBody, specimenBodyHtml, specimenPartsHtml, type Site } from '@yohaku/core';
import type { FrameSource } from '../paint/index.ts';

/**
 * The specimen. While a control is held only its tokens follow; what it says in words is written when the hand lets go.
 */
export class SpecimenSource implements FrameSource {
  /** True if a control is held. */
  held = false;
  #last: readonly { readonly id: string; readonly html: string }[] | undefined;

  has(): boolean {
    return true;
  }
  parts(site: Site): readonly { readonly id: string; readonly html: string }[] {
    if (!this.#last || !this.held) this.#last = specimenPartsHtml(site);
    return this.#last;
  }
  html(site: Site): string {
    return specimenBodyHtml(site);
  }
  body(site: Site): { className: string; place: string | null; page: string | null } {
    return { className: specimenBody(site), place: null, page: null };
  }
}
