import type { Brand, Site } from '../site/index.ts';
import { BANDS, bandQuery } from '../breakpoint/index.ts';
import {
  allRecipes,
  customProperty,
  declarationsOf,
  FIELD_PADDING,
  recipeClass,
  recipes,
  type Declaration,
} from '../style/index.ts';
import { layoutCss } from './layout-css.ts';
import { overridesCss } from './overrides-css.ts';

const PSEUDO = {
  visited: ':visited',
  hover: ':hover',
  focus: ':focus-visible',
  pressed: ':active',
  disabled: ':disabled',
  busy: '[aria-busy="true"]',
  selected: '::selection',
} as const;

const line = ({ property, token, ofHeight }: Declaration): string =>
  `${property}: ${ofHeight ? `calc(var(${customProperty(token)}) * var(--high))` : `var(${customProperty(token)})`};`;

const isMotion = ({ property }: Declaration): boolean => property.startsWith('transition-');

/** Every recipe as a class: resting values, states (pseudo-class and its `data-show` twin), then values by band. */
function recipesCss(brand: Brand): string {
  const rules: string[] = [];
  const moving: string[] = [];
  const banded = new Map<string, string[]>(BANDS.map((band) => [band.id, []]));
  for (const recipe of allRecipes(brand)) {
    const name = `.${recipeClass(recipe)}`;
    const declarations = declarationsOf(brand, recipe);
    const moves = declarations.filter(isMotion);
    if (moves.length > 0) moving.push(`${name} { ${moves.map(line).join(' ')} }`);
    const plain = declarations.filter(
      (declaration) => !declaration.state && !declaration.band && !isMotion(declaration),
    );
    if (plain.length > 0) rules.push(`${name} { ${plain.map(line).join(' ')} }`);
    for (const state of ['visited', 'hover', 'focus', 'pressed', 'disabled', 'busy', 'selected'] as const) {
      const own = declarations.filter((declaration) => declaration.state === state);
      // A selection within strong or emphasised text belongs to its paragraph.
      const inside = state === 'selected' ? `, ${name} :is(strong, em)::selection` : '';
      if (own.length > 0)
        rules.push(`${name}${PSEUDO[state]}${inside}, ${name}[data-show="${state}"] { ${own.map(line).join(' ')} }`);
    }
    for (const band of BANDS) {
      const own = declarations.filter((declaration) => declaration.band === band.id);
      if (own.length > 0) banded.get(band.id)!.push(`${name} { ${own.map(line).join(' ')} }`);
    }
  }
  const media = BANDS.map((band) => `@media ${bandQuery(band.id)} {\n${banded.get(band.id)!.join('\n')}\n}`);
  // Who asks for less motion is given none.
  const motion = moving.length > 0 ? `@media (prefers-reduced-motion: no-preference) {\n${moving.join('\n')}\n}\n` : '';
  return `@layer looks {\n${rules.join('\n')}\n${media.join('\n')}\n${motion}}\n`;
}

/** How high a button or field of one line is: what a share of the height is taken of. */
function heightsCss(brand: Brand): string {
  const rules = brand.sizeOrder.map(
    (id) =>
      `.${recipeClass(recipes.buttonSize(id))} { --high: calc(1lh + 2 * (var(${customProperty(`button.${brand.sizes[id]!.path}.pad-y`)}) + var(--own-edge, var(--edge-button)))); }`,
  );
  for (const { id, path, shape } of Object.values(brand.variants))
    if (shape?.edge !== undefined)
      rules.push(
        `${brand.groundOrder.map((ground) => `.${recipeClass(recipes.button(id, ground))}`).join(', ')} { --own-edge: var(${customProperty(`button.${path}.edge`)}); }`,
      );
  return `@layer layout {\n${rules.join('\n')}\n.field { --high: calc(1lh + 2 * (${FIELD_PADDING}px + var(--edge-field))); }\n}\n`;
}

/** Opacity classes of the shades in use over pictures, and the focus points of those. */
function shadesCss(site: Site): string {
  const shades = new Set<number>();
  const focuses = new Set<string>();
  const sections = [
    site.shared.footer,
    ...Object.values(site.shared.sections),
    ...Object.values(site.pages).flatMap((page) =>
      Object.values(page.sections).flatMap((entry) => ('own' in entry ? [entry.own] : [])),
    ),
  ];
  for (const { picture } of sections) {
    if (!picture) continue;
    shades.add(Math.round(picture.shade * 100));
    if (picture.focus) focuses.add(`${Math.round(picture.focus.x * 100)}-${Math.round(picture.focus.y * 100)}`);
  }
  return (
    [...shades].map((shade) => `@layer layout { .shade-${shade} { opacity: ${shade / 100}; } }\n`).join('') +
    [...focuses]
      .map((focus) => `@layer layout { .focus-${focus} { object-position: ${focus.replace('-', '% ')}%; } }\n`)
      .join('')
  );
}

/** `styles.css` of a site: layout, recipes, and last the values set on single places. */
export function stylesCss(site: Site): string {
  return `@layer layout, looks, overrides;\n${layoutCss()}${heightsCss(site.brand)}${shadesCss(site)}${recipesCss(site.brand)}${overridesCss(site)}`;
}
