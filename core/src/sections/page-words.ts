import { Block, mapFields, walk, type Inline, type Meaning } from '../kinds/index.ts';
import { shownPage } from '../collections/index.ts';
import { sectionOf, type Page, type Section, type Site } from '../site/index.ts';

const isShown = ({ means }: Meaning): boolean => means === 'words' || means === 'line';
const isEmpty = (value: unknown): boolean =>
  value === '' || (Array.isArray(value) && value.every((run) => (run as Inline).text.trim() === ''));

/**
 * Returns the sort of a text: texts of the same field of the same kind of block can replace one another, body texts by
 * style.
 */
const sortOf = (block: Block, field: string): string =>
  `${block.kind} ${block.kind === 'text' ? block.style : ''} ${field}`;

/** The texts of a page in order, by sort. */
export type PageWords = ReadonlyMap<string, readonly unknown[]>;

/** Returns the texts of a page, collected once for all section previews. */
export function wordsOfPage(site: Site, kept: Page): PageWords {
  const page = shownPage(site, kept);
  const said = new Map<string, unknown[]>();
  for (const id of page.sectionOrder) {
    const section = sectionOf(site, page.sections[id]!);
    for (const block of section ? blocksOf(section) : []) {
      walk(
        Block,
        block,
        (meaning, value, path) => {
          if (!isShown(meaning) || value === undefined || value === null || isEmpty(value)) return;
          const sort = sortOf(block, path.at(-1)!);
          const list = said.get(sort);
          if (list) list.push(value);
          else said.set(sort, [value]);
        },
        [],
        true,
      );
    }
  }
  return said;
}

/** The blocks of a section in the order in which they stand. */
const blocksOf = ({ blocks, columns, columnOrder }: Section): Block[] =>
  columnOrder.flatMap((column) => columns[column]!.order.map((id) => blocks[id]!));

/**
 * A section as it would stand among the words of a page: what it says gives way, in turn, to
 * what the page says in texts of the same style and in blocks of the same kind; where the page
 * says no more, the section keeps its own. It is for looking at: what is laid in has its own words.
 */
export function inPageWords(said: PageWords, section: Section): Section {
  if (said.size === 0) return section;
  const taken = new Map<string, number>();
  const words = (block: Block): Block =>
    mapFields(Block, block, (meaning, value, beside) => {
      if (!isShown(meaning) || isEmpty(value)) return value;
      const field = Object.keys(beside).find((key) => beside[key] === value);
      if (field === undefined) return value;
      const sort = sortOf(block, field);
      const next = taken.get(sort) ?? 0;
      taken.set(sort, next + 1);
      return said.get(sort)?.[next] ?? value;
    });
  return {
    ...section,
    blocks: { ...section.blocks, ...Object.fromEntries(blocksOf(section).map((block) => [block.id, words(block)])) },
  };
}
