import { kindOf } from '../kinds/index.ts';
import type { Section } from './section.ts';
import type { Site } from './site.ts';

/** Returns the owner of the field at an address, in words: `Fares, cards in Seasons`. */
export function ownerWords(site: Site, address: readonly string[]): string {
  const [root, name, two] = address;
  if (root === 'shared' && name === 'logo') return 'The icon of the site';
  if (root === 'shared' && name === 'header') return 'Header';
  const start =
    root === 'shared' && name === 'footer'
      ? 2
      : root === 'shared' && name === 'sections'
        ? 3
        : root === 'pages' && two === 'sections'
          ? 5
          : undefined;
  if (start === undefined) return root === 'pages' ? (site.pages[name!]?.title ?? name!) : 'The brand';
  const section = address
    .slice(0, start)
    .reduce<unknown>((value, key) => (value as Record<string, unknown> | undefined)?.[key], site) as
    Section | undefined;
  const block = address[start] === 'blocks' ? section?.blocks[address[start + 1]!] : undefined;
  const where = root === 'pages' ? (site.pages[name!]?.title ?? name!) : name === 'footer' ? 'All pages' : 'Shared';
  const kind = block && kindOf(block)?.label.toLowerCase();
  return `${where}, ${kind === undefined ? '' : `${kind} in `}${section?.label ?? ''}`;
}
