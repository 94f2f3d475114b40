import { Injectable, computed, signal } from '@angular/core';
import { clipSection, readClip, type Section, type SectionClip, type Site } from '@yohaku/core';
import { remember, remembered } from '../ui/index.ts';

const KEY = 'yohaku-copied-section';

/**
 * A section copied, for another page or another site: kept on this machine, so that a window of another site has it.
 */
@Injectable({ providedIn: 'root' })
export class CopiedSection {
  readonly #text = signal(remembered(KEY));
  readonly clip = computed((): SectionClip | undefined => readClip(this.#text()));

  constructor() {
    addEventListener('storage', (event) => {
      if (event.key === KEY) this.#text.set(event.newValue);
    });
  }

  /** @param at where it stands */
  take(site: Site, section: Section, at: { readonly page: string; readonly entry: string }): void {
    const text = JSON.stringify(clipSection(site, section, at));
    remember(KEY, text);
    this.#text.set(text);
  }
}
