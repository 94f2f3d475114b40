import { walk, type Target } from '../kinds/index.ts';
import { Site } from './site.ts';

/** Every address in the document that names something: a text style, a ground, a page, whatever a field can point at. Links in words are named by their ids. */
export function referencesTo(site: Site, target: Target, id: string): (readonly string[])[] {
  const found: (readonly string[])[] = [];
  walk(Site, site, (meaning, value, at) => {
    if (meaning.means === 'ref' && meaning.to === target && value === id) found.push([...at]);
  });
  return found;
}
