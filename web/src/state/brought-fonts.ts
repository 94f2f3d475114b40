import { Injectable, inject, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { addFontFace, faceName } from '@yohaku/core';
import { SiteApi, failureWords } from '../api/index.ts';
import { Editor, freshId } from './editor.ts';

const LARGEST = 10 * 1024 * 1024;

/** Font files on their way in: read by the server, then part of the brand, each an edit of its own. */
@Injectable({ providedIn: 'root' })
export class BroughtFonts {
  readonly #api = inject(SiteApi);
  readonly #editor = inject(Editor);
  /** One sentence for each of the last added files, and the progress while they are read. */
  readonly said = signal<readonly string[]>([]);
  readonly reading = signal<string | null>(null);

  /** Takes files in, one after the other; returns the ids of the families that have them. */
  async bring(files: Iterable<File>): Promise<readonly string[]> {
    this.said.set([]);
    const families = new Set<string>();
    for (const file of files) {
      this.reading.set(file.name);
      try {
        if (file.size > LARGEST)
          throw new Error(
            `The file is over ${LARGEST / 1024 / 1024} MB. Export the font with fewer characters and drop that.`,
          );
        const read = await firstValueFrom(this.#api.readFont(file.name, file));
        if ('refused' in read) throw new Error(read.refused);
        const { family, face, notes } = read;
        this.#editor.commit((site) => addFontFace(site, { family, face }, freshId('font')));
        const taken = Object.values(this.#editor.current()?.brand.fonts ?? {}).find((font) =>
          font.faces.some((known) => known.hash === face.hash),
        );
        if (taken) families.add(taken.id);
        this.#say(`${file.name} is ${family.name} ${faceName(face)}.`, ...notes);
      } catch (error) {
        this.#say(
          `${file.name} was not added; nothing changed. ${error instanceof Error && !('status' in error) ? error.message : failureWords(error)}`,
        );
      }
    }
    this.reading.set(null);
    return [...families];
  }

  #say(...sentences: string[]): void {
    this.said.update((said) => [...said, sentences.join(' ')]);
  }
}
