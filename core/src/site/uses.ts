import { walk, type Target } from '../kinds/index.ts';
import { Site } from './site.ts';

type Addresses = (readonly string[])[];

/**
 * Every address in the document that names something of a kind, by the id it names; one walk for all of them. Links in
 * words are named by their ids.
 */
export function referencesByTarget(site: Site, target: Target): ReadonlyMap<string, Addresses> {
  const found = new Map<string, Addresses>();
  walk(Site, site, (meaning, value, at) => {
    if (meaning.means !== 'ref' || meaning.to !== target || typeof value !== 'string') return;
    const known = found.get(value);
    if (known) known.push([...at]);
    else found.set(value, [[...at]]);
  });
  return found;
}

/**
 * Every address in the document that names one thing: a text style, a ground, a page, whatever a field can point at.
 */
export const referencesTo = (site: Site, target: Target, id: string): Addresses =>
  referencesByTarget(site, target).get(id) ?? [];
