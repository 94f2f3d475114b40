import type { Brand } from '../site/index.ts';
import { facesOf } from '../type/index.ts';

/** Every family in use, heading before body, each once. */
export function familiesInUse(brand: Brand): string[] {
  return [...new Set([brand.families.heading, brand.families.body])];
}

/** `@font-face` rules of the given families, with files below `base`. */
export function fontsCss(families: readonly string[], base: string): string {
  return families.flatMap(facesOf).map(({ family, weight, italic, file }) =>
    `@font-face { font-family: "${family.name}"; font-weight: ${weight}; font-style: ${italic ? 'italic' : 'normal'}; font-display: swap; src: url("${base}${file}") format("woff2"); }`,
  ).join('\n') + '\n';
}
