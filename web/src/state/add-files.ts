import type { WritableSignal } from '@angular/core';
import { failureWords } from '../api/index.ts';

/** The result of adding several files: the number of added ones, and a sentence for each of the others. */
export interface AddedFiles {
  readonly taken: number;
  readonly words: string;
}

/**
 * Brings files in one after another; what is refused is said and stops nobody else.
 *
 * @param reading names of files that are on their way: those of these are among them meanwhile
 * @param take takes one in; what it gives is why it was not, or nothing
 */
export async function addFiles(
  files: readonly File[],
  reading: WritableSignal<readonly string[]>,
  take: (file: File) => Promise<string>,
): Promise<AddedFiles> {
  const refused: string[] = [];
  reading.update((now) => [...now, ...files.map(({ name }) => name)]);
  for (const file of files) {
    try {
      const why = await take(file);
      if (why) refused.push(why);
    } catch (error) {
      const words = failureWords(error);
      refused.push(words.includes(file.name) ? words : `${file.name}: ${words}`);
    } finally {
      reading.update((now) => now.filter((name) => name !== file.name));
    }
  }
  const taken = files.length - refused.length;
  return {
    taken,
    words:
      refused.length === 0
        ? ''
        : `${refused.join(' ')}${taken > 0 ? ' The others were added.' : ' Nothing was changed.'}`,
  };
}
