import { Injectable, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { firstValueFrom } from 'rxjs';
import { addPicture, pictureOf } from '@yohaku/core';
import { SiteApi } from '../api/index.ts';
import { addFiles } from './add-files.ts';
import { Editor, freshId } from './editor.ts';
import { SiteActions } from './site/site.actions.ts';
import { siteFeature } from './site/site.selectors.ts';

/** Takes pictures into the site: sent to the server, which decodes and cleans them, then one edit each. */
@Injectable({ providedIn: 'root' })
export class PictureShelf {
  readonly #store = inject(Store);
  readonly #api = inject(SiteApi);
  readonly #editor = inject(Editor);
  readonly #site = this.#store.selectSignal(siteFeature.selectSiteId);
  readonly #reading = signal<readonly string[]>([]);
  /** Names of files that are on their way. */
  readonly reading = this.#reading.asReadonly();

  /**
   * Reads files one after another; what is refused is said and stops nobody else.
   *
   * @returns ids of the pictures, those that the site had already among them
   */
  async bring(files: readonly File[]): Promise<string[]> {
    const ids: string[] = [];
    const { words } = await addFiles(files, this.#reading, async (file) => {
      const source = await firstValueFrom(this.#api.addSource(this.#site(), freshId('e'), file.name, file));
      // It hangs among the pictures of the site, not among the sources.
      await firstValueFrom(this.#api.putAwaySource(this.#site(), source.id, true));
      const site = this.#editor.current();
      const picture = site && pictureOf(site, source, freshId('a'));
      if (!picture) return `${file.name} is not an image. Use PNG, JPEG, WebP or SVG.`;
      this.#editor.commit((now) => addPicture(now, picture));
      ids.push(picture.id);
      return '';
    });
    if (words) this.#store.dispatch(SiteActions.notice({ words }));
    return ids;
  }
}
