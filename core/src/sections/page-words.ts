import { Block, mapFields, walk, type Inline, type Meaning } from '../kinds/index.ts';
import { shownPage } from '../collections/index.ts';
import { sectionOf, type Page, type Section, type Site } from '../site/index.ts';

const isShown = ({ means }: Meaning): boolean => means === 'words' || means === 'line';
const isEmpty = (value: unknown): boolean => value === '' || (Array.isArray(value) && value.every((run) => (run as Inline).text.trim() === ''));

/** What words may stand for one another: those of one field of one kind of block, texts by their style. */
const sortOf = (block: Block, field: string): string => `${block.kind} ${block.kind === 'text' ? block.style : ''} ${field}`;

/**
 * A section as it would stand among the words of a page: what it says gives way, in turn, to
 * what the page says in texts of the same style and in blocks of the same kind; where the page
 * says no more, the section keeps its own. It is for looking at: what is laid in has its own words.
 */
export function inPageWords(site: Site, kept: Page, section: Section): Section {
  const page = shownPage(site, kept);
  const said = new Map<string, unknown[]>();
  for (const id of page.sectionOrder) {
    const one = sectionOf(site, page.sections[id]!);
    if (!one) continue;
    for (const column of one.columnOrder) for (const at of one.columns[column]!.order) {
      const block = one.blocks[at]!;
      walk(Block, block, (meaning, value, path) => {
        if (!isShown(meaning) || value === undefined || value === null || isEmpty(value)) return;
        const sort = sortOf(block, path.at(-1)!);
        said.set(sort, [...(said.get(sort) ?? []), value]);
      }, [], true);
    }
  }
  if (said.size === 0) return section;
  const words = (block: Block): Block => mapFields(Block, block, (meaning, value, beside) => {
    if (!isShown(meaning) || isEmpty(value)) return value;
    const field = Object.keys(beside).find((key) => beside[key] === value);
    return (field === undefined ? undefined : said.get(sortOf(block, field))?.shift()) ?? value;
  });
  const blocks = { ...section.blocks };
  for (const column of section.columnOrder) for (const id of section.columns[column]!.order) blocks[id] = words(blocks[id]!);
  return { ...section, blocks };
}
