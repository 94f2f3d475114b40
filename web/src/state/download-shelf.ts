import { Injectable, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { firstValueFrom } from 'rxjs';
import { addDownload, sameDownload } from '@yohaku/core';
import { SiteApi, failureWords } from '../api/index.ts';
import { Editor, freshId } from './editor.ts';
import { SiteActions } from './site/site.actions.ts';
import { siteFeature } from './site/site.selectors.ts';

/** Takes files in for visitors to download: sent to the server, which looks what they are, then one edit each. */
@Injectable({ providedIn: 'root' })
export class DownloadShelf {
  readonly #store = inject(Store);
  readonly #api = inject(SiteApi);
  readonly #editor = inject(Editor);
  readonly #site = this.#store.selectSignal(siteFeature.selectSiteId);
  readonly #reading = signal<readonly string[]>([]);
  /** Names of files that are on their way. */
  readonly reading = this.#reading.asReadonly();

  /** Brings files in one after another; what is refused is said and stops nobody else. */
  async bring(files: readonly File[]): Promise<void> {
    const refused: string[] = [];
    let taken = 0;
    this.#reading.update((now) => [...now, ...files.map(({ name }) => name)]);
    for (const file of files) {
      try {
        const kept = await firstValueFrom(this.#api.addDownload(this.#site(), file.name, file));
        const known = this.#editor.current() && sameDownload(this.#editor.current()!, kept.hash);
        if (known) refused.push(`${file.name} is here already, as ${known.name}.`);
        else this.#editor.commit((site) => addDownload(site, { id: freshId('d'), name: file.name.slice(0, 80), ...kept }));
        taken++;
      } catch (error) {
        const words = failureWords(error);
        refused.push(words.includes(file.name) ? words : `${file.name}: ${words}`);
      } finally {
        this.#reading.update((now) => now.filter((name) => name !== file.name));
      }
    }
    if (refused.length > 0) this.#store.dispatch(SiteActions.notice({ words: `${refused.join(' ')}${taken === files.length ? '' : taken > 0 ? ' The others were taken in.' : ' Nothing was changed.'}` }));
  }
}
