import type { Site } from '../site/index.ts';

/** The stored documents that a change writes: the site row (brand, shared parts, order), pages and items by id. */
export interface Touched {
  readonly site: boolean;
  readonly pages: readonly string[];
  readonly items: readonly string[];
}

/** Which stored documents differ between two sites. What a change did not touch is the very same object in both. */
export function touchedDocuments(before: Site, after: Site): Touched {
  const keys = Object.keys(after).filter((key): key is keyof Site => key !== 'pages' && key !== 'items');
  return {
    site: keys.some((key) => after[key] !== before[key]),
    pages: differing(before.pages, after.pages),
    items: differing(before.items, after.items),
  };
}

function differing(before: Readonly<Record<string, unknown>>, after: Readonly<Record<string, unknown>>): string[] {
  if (before === after) return [];
  const found: string[] = [];
  for (const id in before) if (before[id] !== after[id]) found.push(id);
  for (const id in after) if (!Object.hasOwn(before, id)) found.push(id);
  return found;
}
