import { cssColor, type Rgb8 } from '../color/index.ts';
import { round } from '../number/index.ts';
import { BANDS, type BandId } from '../breakpoint/index.ts';
import {
  CORNER_USES,
  EDGE_USES,
  type Brand,
  type ButtonVariant,
  type Corner,
  type CornerUse,
  type CornerValue,
  type EdgeUse,
  type OwnShape,
  type Shadow,
  type Space,
} from '../site/index.ts';
import type { Token } from './token.ts';

/** A word at the head of a label. */
export const capital = (word: string): string => `${word[0]!.toUpperCase()}${word.slice(1)}`;

/** Top and bottom padding of a field, px: the layout's own. */
export const FIELD_PADDING = 10;

/** The named corner that something has; undefined when it has a radius of its own. */
export function namedCorner(brand: Brand, use: CornerUse): Corner | undefined {
  const value = brand.corners[use];
  return typeof value === 'string' ? brand.cornerList?.items[value] : undefined;
}

/**
 * How the buttons of a variant are shaped: by what it names itself, for the rest as all buttons are. A corner without a
 * name is its radius in px.
 */
export function shapeOfVariant(
  brand: Brand,
  id: string,
): { readonly corner: Corner | number; readonly edge: number; readonly shadow: Shadow | null } {
  const shape = brand.variants[id]?.shape ?? {};
  const value = shape.corner ?? brand.corners.button;
  return {
    corner: typeof value === 'string' ? (brand.cornerList?.items[value] ?? 0) : value,
    edge: shape.edge ?? brand.edges.button,
    shadow: brand.shadows?.items[(shape.shadow === undefined ? brand.shadows.uses.button : shape.shadow) ?? ''] ?? null,
  };
}

/** A corner as CSS: `8px`, `8px 2px 8px 2px`, or the plain share of a height. */
export function cornerCss(value: Corner['value']): string {
  return value.kind === 'share' ? String(value.share) : value.radii.map((entry) => `${entry}px`).join(' ');
}

const cornerType = (value: CornerValue): Token['type'] =>
  value.kind === 'share' ? 'number' : value.radii.length === 1 ? 'dimension' : 'text';

/** A corner as it is typed. */
export function cornerText(value: CornerValue): string {
  return value.kind === 'share' ? `${Math.round(value.share * 1000) / 10} %` : value.radii.join(' ');
}

/** Width of an edge, px. */
export function edgeWidth(brand: Brand, use: EdgeUse): number {
  return brand.edges[use];
}

/** The width whose padding a space takes where it has none of its own: the next wider one. */
export function inheritsFrom(space: Space, band: BandId): BandId | null {
  if (band === 'desktop' || space.values[band] !== null) return null;
  return band === 'phone' ? 'tablet' : 'desktop';
}

/** Corners, edges, paddings and gaps, the logo's measures. */
export function* shapeTokens(brand: Brand): Iterable<Token> {
  for (const id of brand.cornerList?.order ?? []) {
    const { path, label, value } = brand.cornerList!.items[id]!;
    yield {
      path: `radius.${path}`,
      label: `${label} corner`,
      type: cornerType(value),
      css: cornerCss(value),
      address: ['brand', 'cornerList', 'items', id, 'value', ...(value.kind === 'share' ? ['share'] : [])],
    };
  }
  for (const use of CORNER_USES) {
    const base = { path: `corner.${use}`, label: `${capital(use)} corner`, address: ['brand', 'corners', use] };
    const named = namedCorner(brand, use);
    yield named
      ? { ...base, type: cornerType(named.value), alias: `radius.${named.path}` }
      : { ...base, type: 'dimension', css: `${brand.corners[use]}px` };
  }
  for (const use of EDGE_USES)
    yield {
      path: `edge.${use}`,
      label: use === 'rule' ? 'Width of rules' : `${capital(use)} edge`,
      type: 'dimension',
      css: `${edgeWidth(brand, use)}px`,
      address: ['brand', 'edges', use],
    };
  const { underline } = brand;
  yield {
    path: 'link.underline-offset',
    label: 'Underline of links, offset',
    type: 'text',
    css: `${underline.offset}em`,
    address: ['brand', 'underline', 'offset'],
  };
  yield {
    path: 'link.underline-thickness',
    label: 'Underline of links, thickness',
    type: 'text',
    css: underline.thickness === null ? 'from-font' : `${underline.thickness}px`,
    address: ['brand', 'underline', 'thickness'],
  };
  for (const id of brand.variantOrder) yield* ownShapeTokens(brand, brand.variants[id]!);
  for (const id of brand.sizeOrder) {
    const size = brand.sizes[id]!;
    yield {
      path: `button.${size.path}.pad-x`,
      label: `${size.label} button, sides`,
      type: 'dimension',
      css: `${size.padX}px`,
      address: ['brand', 'sizes', id, 'padX'],
    };
    yield {
      path: `button.${size.path}.pad-y`,
      label: `${size.label} button, top and bottom`,
      type: 'dimension',
      css: `${size.padY}px`,
      address: ['brand', 'sizes', id, 'padY'],
    };
  }
  if (brand.logo) {
    const at = (field: string) => ['brand', 'logo', field];
    yield {
      path: 'logo.width',
      label: 'Logo width',
      type: 'dimension',
      css: `${brand.logo.width}px`,
      address: at('width'),
    };
    yield {
      path: 'logo.smallest',
      label: 'Logo, smallest width',
      type: 'dimension',
      css: `${brand.logo.smallest}px`,
      address: at('smallest'),
    };
    yield {
      path: 'logo.clear',
      label: 'Clear space of the logo',
      type: 'dimension',
      css: `${round(brand.logo.width * brand.logo.clear, 2)}px`,
      address: at('clear'),
    };
  }
  for (const id of brand.spaceOrder) {
    const space = brand.spaces[id]!;
    for (const band of BANDS) {
      const base = {
        path: `space.${space.path}.${band.id}`,
        label: `${space.label} on ${band.id}`,
        type: 'dimension' as const,
        address: ['brand', 'spaces', id, 'values', band.id],
      };
      const from = inheritsFrom(space, band.id);
      yield from ? { ...base, alias: `space.${space.path}.${from}` } : { ...base, css: `${space.values[band.id]}px` };
    }
  }
}

/** Yields the tokens for the differences of a variant from all buttons. */
function* ownShapeTokens(brand: Brand, { id, label, path, shape = {} }: ButtonVariant): Iterable<Token> {
  const base = (part: keyof OwnShape) => ({
    path: `button.${path}.${part}`,
    label: `${label} buttons, ${part}`,
    address: ['brand', 'variants', id, 'shape', part],
  });
  const named = typeof shape.corner === 'string' ? brand.cornerList?.items[shape.corner] : undefined;
  if (named) yield { ...base('corner'), type: cornerType(named.value), alias: `radius.${named.path}` };
  else if (shape.corner !== undefined) yield { ...base('corner'), type: 'dimension', css: `${shape.corner}px` };
  if (shape.edge !== undefined) yield { ...base('edge'), type: 'dimension', css: `${shape.edge}px` };
  const shadow = brand.shadows?.items[shape.shadow ?? ''];
  if (shape.shadow !== undefined)
    yield shadow
      ? { ...base('shadow'), type: 'shadow', alias: `shadow.${shadow.path}` }
      : { ...base('shadow'), type: 'text', css: 'none' };
}

/** Shadows, each in its swatch as that is painted now. */
export function* shadowTokens(
  brand: Brand,
  swatch: (id: string) => { readonly rgb: Rgb8; readonly path: string } | undefined,
): Iterable<Token> {
  for (const id of brand.shadows?.order ?? []) {
    const shadow = brand.shadows!.items[id]!;
    const source = swatch(shadow.color);
    const rgb = source?.rgb ?? { r: 0, g: 0, b: 0, alpha: 1 };
    yield {
      path: `shadow.${shadow.path}`,
      label: `${shadow.label} shadow`,
      type: 'shadow',
      css: `${shadow.x}px ${shadow.y}px ${shadow.blur}px ${shadow.spread}px ${cssColor({ ...rgb, alpha: rgb.alpha * shadow.alpha })}`,
      ...(source ? { follows: [source.path] } : {}),
      address: ['brand', 'shadows', 'items', id],
    };
  }
}
