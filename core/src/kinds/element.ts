import type { Element, ElementContent } from 'hast';

/** Attributes of an element as hast names them. */
export type Properties = Record<string, string | number | boolean | undefined>;

/**
 * An element of the page tree. Undefined and empty attributes are left out. Made for every element of every page: no
 * lists on the way.
 */
export function element(
  tagName: string,
  properties: Properties,
  children: readonly (ElementContent | string | undefined)[] = [],
): Element {
  const kept: Record<string, string | number | boolean> = {};
  for (const key in properties) {
    const value = properties[key];
    if (value !== undefined && value !== '') kept[key] = value;
  }
  const inside: ElementContent[] = [];
  for (const child of children)
    if (child !== undefined && child !== '')
      inside.push(typeof child === 'string' ? { type: 'text', value: child } : child);
  return { type: 'element', tagName, properties: kept, children: inside };
}

/** `Kind “words”`, shortened for lists. */
export function labelled(kind: string, words: string): string {
  const short = words.length > 40 ? `${words.slice(0, 38).trimEnd()}…` : words;
  return short === '' ? kind : `${kind} “${short}”`;
}
