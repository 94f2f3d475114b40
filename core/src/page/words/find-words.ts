import { wordsIn } from '../../kinds/index.ts';
import { sectionOf, type Site } from '../../site/index.ts';

/** Words on a page that hold what was sought: where, and the line of words itself. */
export interface WordsFound {
  readonly page: string;
  readonly entry: string;
  readonly block: string;
  readonly words: string;
}

/**
 * Words of the pages that hold a text, in page order, whatever its case. Words of a
 * shared section are found once, on the first page that has it.
 *
 * @param most how many are looked for
 */
export function findWords(site: Site, sought: string, most: number): WordsFound[] {
  const wanted = sought.trim().toLowerCase();
  const found: WordsFound[] = [];
  const seen = new Set<string>();
  if (wanted === '') return found;
  for (const page of site.pageOrder) {
    const { sections, sectionOrder } = site.pages[page]!;
    for (const entry of sectionOrder) {
      const section = sectionOf(site, sections[entry]!);
      if (!section || seen.has(section.id)) continue;
      if ('shared' in sections[entry]!) seen.add(section.id);
      for (const block of section.columnOrder.flatMap((column) => section.columns[column]!.order)) {
        for (const words of wordsIn(section.blocks[block]!))
          if (words.toLowerCase().includes(wanted)) found.push({ page, entry, block, words });
        if (found.length >= most) return found.slice(0, most);
      }
    }
  }
  return found;
}
