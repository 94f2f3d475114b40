import { Injectable, effect, inject, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import { firstValueFrom } from 'rxjs';
import { SiteApi, failureWords } from '../../api/index.ts';
import { freshId } from '../editor.ts';
import { siteFeature } from '../site/site.selectors.ts';
import { SourcesActions, sourcesFeature, rememberRanking, rememberedRanking } from './sources.ts';

/** Name of a text that came without a file; the server has a sentence of its own for it. */
export const PASTED = 'Pasted text';

/** Takes sources in, many at once and in any form, and puts them away and back. */
@Injectable({ providedIn: 'root' })
export class Tray {
  readonly #store = inject(Store);
  readonly #api = inject(SiteApi);
  readonly #site = this.#store.selectSignal(siteFeature.selectSiteId);
  readonly #status = this.#store.selectSignal(siteFeature.selectStatus);
  readonly #state = this.#store.selectSignal(sourcesFeature.selectSourcesState);

  constructor() {
    effect(() => {
      if (this.#status() === 'ready') untracked(() => void this.#list());
    });
    let listed = '';
    effect(() => {
      const state = this.#state();
      const site = this.#site();
      // The first state of a site is what was kept: writing it back would lose it before it is read.
      if (site && listed === site) rememberRanking(site, state);
      else listed = site;
    });
  }

  async #list(): Promise<void> {
    const site = this.#site();
    const sources = await firstValueFrom(this.#api.sources(site)).catch(() => []);
    this.#store.dispatch(SourcesActions.listed({ sources, kept: rememberedRanking(site) }));
  }

  /** Reads files one after another; those that are refused stop nobody else. */
  async add(files: readonly { readonly name: string; readonly content: Blob }[]): Promise<void> {
    for (const { name } of files) this.#store.dispatch(SourcesActions.reading({ name }));
    for (const { name, content } of files) {
      try {
        const sources = await firstValueFrom(this.#api.addSource(this.#site(), freshId('e'), name, content));
        this.#store.dispatch(SourcesActions.read({ name, sources }));
      } catch (error) {
        const words = failureWords(error);
        this.#store.dispatch(
          SourcesActions.refused({
            name,
            words: name === PASTED || words.includes(name) ? words : `${name}: ${words}`,
          }),
        );
      }
    }
  }

  /** @returns whether the text was read; one that was not is the caller's to keep */
  async addText(text: string, name = PASTED): Promise<boolean> {
    if (text.trim() === '') {
      this.#store.dispatch(
        SourcesActions.refused({ name, words: 'Nothing to read yet. Paste colour codes, or drop an image.' }),
      );
      return false;
    }
    const before = this.#state().sources.length;
    await this.add([{ name, content: new Blob([text]) }]);
    return this.#state().sources.length > before;
  }

  /** Adds dropped files, folders (sent as one archive) or text. */
  async drop(data: DataTransfer): Promise<void> {
    const entries = [...data.items].map((item) => item.webkitGetAsEntry()).filter((entry) => entry !== null);
    const folders = entries.filter((entry) => entry.isDirectory) as FileSystemDirectoryEntry[];
    const files = [...data.files].filter((file) => !folders.some((folder) => folder.name === file.name));
    const text = entries.length === 0 ? data.getData('text/plain') : '';
    if (text) await this.addText(text);
    if (files.length > 0) await this.add(files.map((file) => ({ name: file.name, content: file })));
    for (const folder of folders) await this.addFolder(folder.name, await filesIn(folder));
  }

  /** An old site as a folder: its pages and sheets go as one archive. */
  async addFolder(name: string, files: readonly { readonly path: string; readonly file: File }[]): Promise<void> {
    const { zipSync } = await import('fflate');
    const read = await Promise.all(
      files.map(
        async ({ path, file }) =>
          [path, /\.(html?|css)$/i.test(path) ? new Uint8Array(await file.arrayBuffer()) : new Uint8Array()] as const,
      ),
    );
    await this.add([{ name, content: new Blob([zipSync(Object.fromEntries(read)) as BlobPart]) }]);
  }

  async putAway(id: string): Promise<void> {
    this.#store.dispatch(SourcesActions.removeSource({ id }));
    await this.#tell(id, true);
  }

  async putBack(): Promise<void> {
    const sources = this.#state().away[0];
    if (!sources) return;
    this.#store.dispatch(SourcesActions.restoreSource({ sources }));
    await this.#tell(sources.id, false);
  }

  async #tell(id: string, away: boolean): Promise<void> {
    await firstValueFrom(this.#api.putAwaySource(this.#site(), id, away)).catch((error: unknown) => {
      this.#store.dispatch(SourcesActions.refused({ name: id, words: failureWords(error) }));
      void this.#list();
    });
  }
}

async function filesIn(folder: FileSystemDirectoryEntry): Promise<{ path: string; file: File }[]> {
  const reader = folder.createReader();
  const found: { path: string; file: File }[] = [];
  for (;;) {
    const batch = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (batch.length === 0) return found;
    for (const entry of batch) {
      if (entry.isDirectory) found.push(...(await filesIn(entry as FileSystemDirectoryEntry)));
      else
        found.push({
          path: entry.fullPath.replace(/^\//, ''),
          file: await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject)),
        });
    }
  }
}
