import { Injectable, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { plural } from '@yohaku/core';
import { siteFeature } from '../state/index.ts';
import { OpenCounts } from './open-counts.ts';

/** The save state of the open site in words. */
@Injectable({ providedIn: 'root' })
export class SaveState {
  readonly #store = inject(Store);
  readonly #open = inject(OpenCounts);
  readonly #opening = this.#store.selectSignal(siteFeature.selectOpening);
  readonly #saving = this.#store.selectSignal(siteFeature.selectSaving);
  readonly #pending = this.#store.selectSignal(siteFeature.selectPending);
  readonly #waitingWords = this.#store.selectSignal(siteFeature.selectWaitingWords);
  readonly #behind = this.#store.selectSignal(siteFeature.selectBehind);

  readonly words = computed(() => {
    const saving = this.#saving();
    const opening = this.#opening();
    if (opening) return `opening: ${opening.here} of ${opening.of} pages are here`;
    if (saving === 'waiting')
      return this.#pending().length > 0
        ? `not saved yet, will try again. ${this.#waitingWords()}`
        : `saved; edits from other windows cannot be read yet, will try again. ${this.#waitingWords()}`;
    // Between two edits of one's own a gap of one is no news.
    if (this.#behind() > 1) return `reading ${plural(this.#behind(), 'edit')} of other windows`;
    if (saving === 'saving') return 'saving';
    const notLive = this.#open.notLive();
    if (notLive === null) return 'saved; nothing is live yet';
    return notLive === 0
      ? 'saved; all of it is live'
      : `saved; ${notLive} difference${notLive === 1 ? ' is' : 's are'} not live`;
  });
}
