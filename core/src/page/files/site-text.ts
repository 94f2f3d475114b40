import type { ElementContent } from 'hast';
import type { Site } from '../../site/index.ts';
import { publishedPages } from './published.ts';
import { pageTree } from '../tree/tree.ts';

/** Every character that stands on some page, each once. */
export function charactersOf(site: Site): Set<string> {
  const found = new Set<string>();
  const visit = (node: ElementContent): void => {
    if (node.type === 'text') for (const character of node.value) found.add(character);
    else if (node.type === 'element') for (const child of node.children) visit(child);
  };
  for (const { id } of publishedPages(site)) for (const part of pageTree(site, id).parts) visit(part.element);
  // Items with one look share a page here; the words of the others come from the items themselves.
  for (const item of Object.values(site.items))
    for (const value of Object.values(item.values)) for (const character of value) found.add(character);
  return found;
}

/**
 * The characters of a site's own text that a font has none for, in the order of
 * their code points. Line breaks and other controls are drawn by no font.
 *
 * @param coverage first and last code points of runs that the font has
 */
export function missingCharacters(site: Site, coverage: readonly (readonly [number, number])[]): string[] {
  const has = (point: number) => coverage.some(([first, last]) => point >= first && point <= last);
  return [...charactersOf(site)]
    .filter((character) => character >= ' ' && !has(character.codePointAt(0)!))
    .sort((name, other) => name.codePointAt(0)! - other.codePointAt(0)!);
}
