import type { Site } from '../site/index.ts';

/** The stored documents that a change writes: the site row (brand, shared parts, order) and pages by id. */
export interface Touched {
  readonly site: boolean;
  readonly pages: readonly string[];
}

/** Which stored documents differ between two sites. What a change did not touch is the very same object in both. */
export function touchedDocuments(before: Site, after: Site): Touched {
  const keys = Object.keys(after).filter((key): key is keyof Site => key !== 'pages');
  return {
    site: keys.some((key) => after[key] !== before[key]),
    pages: [...new Set([...Object.keys(before.pages), ...Object.keys(after.pages)])].filter((id) => before.pages[id] !== after.pages[id]),
  };
}
