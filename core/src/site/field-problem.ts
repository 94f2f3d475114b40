import * as v from 'valibot';
import { fieldAt } from '../kinds/index.ts';
import { Site } from './site.ts';

/**
 * Returns true if the field at an address is running words, which may have emphasis and links, or one plain line. A
 * field that is not filled in yet is what its schema says.
 */
export const isRunning = (site: Site, address: readonly string[]): boolean =>
  fieldAt(Site, site, address).meaning?.means === 'words';

/** Returns the problem of a value for the field at an address, by its schema; empty if there is none. */
export function fieldProblem(site: Site, address: readonly string[], value: unknown): string {
  const { schema } = fieldAt(Site, site, address);
  const result = schema && v.safeParse(schema, value);
  return result === undefined || result.success ? '' : result.issues[0].message;
}
