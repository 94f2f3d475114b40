import type { Element } from 'hast';
import { plural } from '../number/index.ts';
import { siteIndex } from '../reach/index.ts';
import type { Site } from '../site/index.ts';
import { recipeClass } from '../style/index.ts';
import type { SpecimenPart } from './frame.ts';

/** Something that stands on pages and not on the specimen. */
export interface LeftOut {
  readonly label: string;
  readonly count: number;
}

/**
 * Returns the looks on the pages that the given parts do not show: recipes without a
 * sample, overrides of single places, and images. Most places first.
 */
export function leftOut(site: Site, parts: readonly SpecimenPart[]): LeftOut[] {
  const shown = new Set<string>();
  const visit = (node: Element): void => {
    for (const name of String(node.properties['className'] ?? '').split(' ')) shown.add(name);
    const token = node.properties['dataToken'];
    if (typeof token === 'string') shown.add(token);
    for (const child of node.children) if (child.type === 'element') visit(child);
  };
  for (const part of parts) visit(part.element);
  const found = new Map<string, number>();
  const add = (label: string, count: number) => found.set(label, (found.get(label) ?? 0) + count);
  for (const group of siteIndex(site).groups) {
    for (const recipe of group.painting.recipes)
      if (!recipe.startsWith('drawing:') && !shown.has(recipeClass(recipe)) && !drawn(site, recipe, shown))
        add(`${group.kind}, ${words(site, recipe)}`, group.count);
    for (const { property, value, band } of group.painting.overrides)
      add(
        `${property} ${value.kind === 'literal' ? value.css : value.path}${band ? ` on ${band}` : ''}, set on a place`,
        group.count,
      );
    if (group.pictured && group.kind === 'text') add('text over an image', group.count);
  }
  return [...found]
    .map(([label, count]) => ({ label, count }))
    .sort((entry, other) => other.count - entry.count || (entry.label < other.label ? -1 : 1));
}

/** Paddings and gaps are drawn to scale rather than used: their tokens stand on the sheet. */
function drawn(site: Site, recipe: string, shown: ReadonlySet<string>): boolean {
  const space = site.brand.spaces[recipe.split(':')[1] ?? ''];
  return space !== undefined && /^(pad|gutter|gap|inset):/.test(recipe) && shown.has(`space.${space.path}.desktop`);
}

/** A recipe in words: `shade, Deep`; `menu, Paper`. */
function words(site: Site, recipe: string): string {
  const { brand } = site;
  return recipe
    .split(':')
    .map(
      (part) =>
        brand.grounds[part]?.label ??
        brand.spaces[part]?.label ??
        brand.variants[part]?.label ??
        brand.styles[part]?.label ??
        part,
    )
    .join(', ');
}

export const leftOutWords = ({ label, count }: LeftOut): string => `${label}: ${plural(count, 'place')}`;
