import { buttonRole } from '../background/index.ts';
import { CORNER_USES, type Brand, type CornerUse, type PaintedProperty } from '../site/index.ts';
import { BANDS } from '../breakpoint/index.ts';
import type { Declaration } from './declaration.ts';
import { namedCorner, shapeOfVariant } from './shape-tokens.ts';
import { motionOf } from './motion.ts';
import { swatchPath } from './swatches.ts';
import { rolePath } from './table.ts';

/**
 * A recipe is a small bundle of declarations that elements carry as a class:
 * `text:body`, `background:chart`, `background:chart:heading`, `button:primary:chart`. The stylesheet
 * and the place resolver both read recipes from here and nowhere else.
 */
export type Recipe = string;

export const recipes = {
  background: (ground: string): Recipe => `background:${ground}`,
  shade: (ground: string): Recipe => `shade:${ground}`,
  pad: (space: string): Recipe => `pad:${space}`,
  gutter: (space: string): Recipe => `gutter:${space}`,
  gap: (space: string): Recipe => `gap:${space}`,
  inset: (space: string): Recipe => `inset:${space}`,
  corner: (use: CornerUse): Recipe => `corner:${use}`,
  /** The line above a part, or below a row. */
  line: (side: 'start' | 'end'): Recipe => `line:${side}`,
  text: (style: string): Recipe => `text:${style}`,
  role: (ground: string, role: string): Recipe => `background:${ground}:${role}`,
  link: (ground: string): Recipe => `link:${ground}`,
  menu: (ground: string): Recipe => `menu:${ground}`,
  /** The colours of a drawing: swatches by id. They are in the image, not in the stylesheet. */
  drawing: (swatches: readonly string[]): Recipe => `drawing:${swatches.join(',')}`,
  logo: (): Recipe => 'logo',
  rule: (ground: string): Recipe => `rule:${ground}`,
  mark: (ground: string): Recipe => `mark:${ground}`,
  stripe: (ground: string): Recipe => `stripe:${ground}`,
  field: (ground: string): Recipe => `field:${ground}`,
  buttonSize: (size: string): Recipe => `bsize:${size}`,
  button: (variant: string, ground: string): Recipe => `button:${variant}:${ground}`,
} as const;

/** Id of the background that a place is painted with; '' for a place without one. */
export function backgroundOf(place: { readonly recipes: readonly Recipe[] }): string {
  for (const recipe of place.recipes) {
    const [kind, ground = '', role] = recipe.split(':');
    if (kind === 'background' && role === undefined) return ground;
  }
  return '';
}

const classes = new Map<Recipe, string>();

/** Class name of a recipe; remembered, for every element of every page asks. */
export function recipeClass(recipe: Recipe): string {
  let name = classes.get(recipe);
  if (name === undefined) {
    if (classes.size > 10_000) classes.clear();
    classes.set(recipe, (name = recipe.replaceAll(':', '--')));
  }
  return name;
}

/** The declarations of a recipe, in cascade order. An unknown recipe has none. */
export function declarationsOf(brand: Brand, recipe: Recipe): Declaration[] {
  const [kind, id = '', two = ''] = recipe.split(':');
  const role = (ground: string, name: string) => rolePath(brand, brand.grounds[ground]!, name);
  const selected = (ground: string): Declaration[] => [
    { property: 'background-color', token: role(ground, 'selection'), state: 'selected' },
    { property: 'color', token: role(ground, 'selection-text'), state: 'selected' },
  ];
  const byBand = (property: PaintedProperty): Declaration[] =>
    BANDS.map((band) => ({ property, token: `space.${brand.spaces[id]!.path}.${band.id}`, band: band.id }));
  switch (kind) {
    case 'background':
      if (two !== '') return [{ property: 'color', token: role(id, two) }, ...(two === 'icon' ? [] : selected(id))];
      return [
        { property: 'background-color', token: role(id, 'background') },
        ...(brand.grounds[id]!.wash ? [{ property: 'background-image', token: role(id, 'wash') } as const] : []),
      ];
    case 'shade':
      return [{ property: 'background-color', token: role(id, 'background') }];
    case 'pad':
      return byBand('padding-block');
    case 'gutter':
      return byBand('padding-inline');
    case 'gap':
      return byBand('gap');
    case 'inset':
      return [...byBand('padding-block'), ...byBand('padding-inline')];
    case 'corner': {
      const shadow = brand.shadows?.items[brand.shadows.uses[id as CornerUse] ?? ''];
      return [
        {
          property: 'border-radius',
          token: `corner.${id}`,
          ...(namedCorner(brand, id as CornerUse)?.value.kind === 'share' ? { ofHeight: true as const } : {}),
        },
        { property: 'border-width', token: `edge.${id}` },
        ...(shadow ? [{ property: 'box-shadow', token: `shadow.${shadow.path}` } as const] : []),
      ];
    }
    case 'line':
      return [{ property: `border-block-${id as 'start' | 'end'}-width`, token: 'edge.rule' }];
    case 'text': {
      const style = brand.styles[id]!;
      const base = `text.${style.path}`;
      return [
        { property: 'font-family', token: `${base}.family` },
        { property: 'font-size', token: `${base}.size` },
        { property: 'font-weight', token: `${base}.weight` },
        { property: 'font-style', token: `${base}.slant` },
        { property: 'line-height', token: `${base}.line-height` },
        { property: 'letter-spacing', token: `${base}.letter-spacing` },
        { property: 'text-transform', token: `${base}.case` },
        { property: 'margin-block-start', token: `${base}.space-above` },
        { property: 'margin-block-end', token: `${base}.space-below` },
        ...(style.figures ? [{ property: 'font-variant-numeric', token: `${base}.figures` } as const] : []),
        ...(style.longest ? [{ property: 'max-width', token: `${base}.longest` } as const] : []),
        ...BANDS.filter((band) => style.at?.[band.id] !== undefined).map(
          (band) => ({ property: 'font-size', token: `${base}.size-on-${band.id}`, band: band.id }) as const,
        ),
      ];
    }
    case 'link':
      return [
        { property: 'color', token: role(id, 'link') },
        { property: 'color', token: role(id, 'link-visited'), state: 'visited' },
        { property: 'color', token: role(id, 'link-hover'), state: 'hover' },
        { property: 'outline-color', token: role(id, 'focus'), state: 'focus' },
        { property: 'text-underline-offset', token: 'link.underline-offset' },
        { property: 'text-decoration-thickness', token: 'link.underline-thickness' },
        ...selected(id),
        ...motionOf(brand, 'link'),
      ];
    case 'mark':
      return [
        { property: 'background-color', token: role(id, 'mark') },
        { property: 'color', token: role(id, 'mark-text') },
        ...selected(id),
      ];
    case 'menu':
      return [
        { property: 'color', token: role(id, 'text') },
        { property: 'color', token: role(id, 'link-hover'), state: 'hover' },
        { property: 'outline-color', token: role(id, 'focus'), state: 'focus' },
        ...motionOf(brand, 'link'),
      ];
    case 'drawing':
      return id
        .split(',')
        .map((id, i) => ({ property: `drawing-${i + 1}` as const, token: swatchPath(brand.swatches[id]!) }));
    case 'logo':
      return brand.logo
        ? [
            { property: 'width', token: 'logo.width' },
            { property: 'padding-block', token: 'logo.clear' },
            { property: 'padding-inline', token: 'logo.clear' },
          ]
        : [];
    case 'rule':
      return [{ property: 'border-color', token: role(id, 'rule') }];
    case 'stripe':
      return [{ property: 'background-color', token: role(id, 'stripe') }];
    case 'field':
      return [
        { property: 'background-color', token: role(id, 'field') },
        { property: 'color', token: role(id, 'field-text') },
        { property: 'border-color', token: role(id, 'field-edge') },
        { property: 'outline-color', token: role(id, 'focus'), state: 'focus' },
        ...motionOf(brand, 'field'),
      ];
    case 'bsize':
      return [
        { property: 'padding-block', token: `button.${brand.sizes[id]!.path}.pad-y` },
        { property: 'padding-inline', token: `button.${brand.sizes[id]!.path}.pad-x` },
      ];
    case 'button': {
      const parts = [
        ['background-color', 'fill'],
        ['color', 'label'],
        ['border-color', 'edge'],
      ] as const;
      const rest = parts.map(([property, part]): Declaration => ({
        property,
        token: role(two, buttonRole(id, part, 'rest')),
      }));
      const states = (['hover', 'pressed', 'disabled', 'busy'] as const).flatMap((state) =>
        parts.map(([property, part]): Declaration => ({
          property,
          token: role(two, buttonRole(id, part, state)),
          state,
        })),
      );
      return [
        ...ownShape(brand, id),
        ...rest,
        ...states,
        { property: 'outline-color', token: role(two, 'focus'), state: 'focus' },
        ...motionOf(brand, 'button'),
      ];
    }
    default:
      return [];
  }
}

/** The corner, edge and shadow that a variant names itself; after those of all buttons. */
function ownShape(brand: Brand, variant: string): Declaration[] {
  const { path, shape = {} } = brand.variants[variant]!;
  const token = `button.${path}`;
  const { corner } = shapeOfVariant(brand, variant);
  return [
    ...(shape.corner === undefined
      ? []
      : [
          {
            property: 'border-radius',
            token: `${token}.corner`,
            ...(typeof corner !== 'number' && corner.value.kind === 'share' ? { ofHeight: true as const } : {}),
          } as const,
        ]),
    ...(shape.edge === undefined ? [] : [{ property: 'border-width', token: `${token}.edge` } as const]),
    ...(shape.shadow === undefined ? [] : [{ property: 'box-shadow', token: `${token}.shadow` } as const]),
  ];
}

/** All recipes a brand can make, in the order of the stylesheet. */
export function allRecipes(brand: Brand): Recipe[] {
  const grounds = brand.groundOrder;
  const spaces = (use: string) => brand.spaceOrder.filter((id) => brand.spaces[id]!.use === use);
  return [
    ...grounds.map(recipes.background),
    ...grounds.map(recipes.shade),
    ...spaces('section').map(recipes.pad),
    ...spaces('gutter').map(recipes.gutter),
    ...brand.spaceOrder.map(recipes.gap),
    ...spaces('card').map(recipes.inset),
    ...CORNER_USES.map(recipes.corner),
    recipes.line('start'),
    recipes.line('end'),
    ...brand.styleOrder.map(recipes.text),
    ...grounds.flatMap((ground) =>
      (['text', 'heading', 'secondary', 'eyebrow', 'link', 'label', 'help', 'error', 'icon'] as const).map((role) =>
        recipes.role(ground, role),
      ),
    ),
    ...grounds.map(recipes.link),
    ...grounds.map(recipes.menu),
    ...grounds.map(recipes.rule),
    ...grounds.map(recipes.stripe),
    ...grounds.map(recipes.mark),
    ...grounds.map(recipes.field),
    ...(brand.logo ? [recipes.logo()] : []),
    ...brand.sizeOrder.map(recipes.buttonSize),
    ...brand.variantOrder.flatMap((variant) => grounds.map((ground) => recipes.button(variant, ground))),
  ];
}
