import { Injectable, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { firstValueFrom } from 'rxjs';
import { addDownload, sameDownload } from '@yohaku/core';
import { SiteApi } from '../api/index.ts';
import { addFiles } from './add-files.ts';
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
    const { words } = await addFiles(files, this.#reading, async (file) => {
      const kept = await firstValueFrom(this.#api.addDownload(this.#site(), file.name, file));
      const known = this.#editor.current() && sameDownload(this.#editor.current()!, kept.hash);
      if (known) return `${file.name} is here already, as ${known.name}.`;
      this.#editor.commit((site) => addDownload(site, { id: freshId('d'), name: file.name.slice(0, 80), ...kept }));
      return '';
    });
    if (words) this.#store.dispatch(SiteActions.notice({ words }));
  }
}
