import type { Section } from './section.ts';

/**
 * Returns a function that looks for something in a section once: few of thousands of sections have it, and an edit
 * changes one section.
 */
export function perSection<T>(find: (section: Section) => readonly T[]): (section: Section) => readonly T[] {
  const known = new WeakMap<Section, readonly T[]>();
  const none: readonly T[] = [];
  return (section) => {
    let found = known.get(section);
    if (!found) {
      found = find(section);
      known.set(section, (found = found.length === 0 ? none : found));
    }
    return found;
  };
}
