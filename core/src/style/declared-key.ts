import { CORNER_USES, type Brand } from '../site/index.ts';
import { edgeWidth, namedCorner, shapeOfVariant } from './shape-tokens.ts';

const keys = new WeakMap<Brand, string>();

/**
 * Returns a key for the declarations of a brand's recipes, without their values: two
 * brands with the same key have the same stylesheet except for their tokens.
 */
export function declaredKey(brand: Brand): string {
  let key = keys.get(brand);
  if (key === undefined) {
    key = [
      ...brand.styleOrder.map((id) => {
        const { at, figures, longest, path } = brand.styles[id]!;
        return `${id} ${path} ${at ? Object.keys(at).sort().join('+') : ''} ${figures ? 'f' : ''}${longest === undefined ? '' : 'l'}`;
      }),
      ...brand.groundOrder.map((id) => `${id} ${brand.grounds[id]!.path} ${brand.grounds[id]!.wash ? 'w' : ''}`),
      ...brand.spaceOrder.map((id) => `${id} ${brand.spaces[id]!.path} ${brand.spaces[id]!.use}`),
      ...brand.variantOrder.map((id) => {
        const { path, shape = {} } = brand.variants[id]!;
        const { corner } = shapeOfVariant(brand, id);
        return `${id} ${path} ${shape.corner === undefined ? '' : typeof corner === 'number' ? 'px' : corner.value.kind} ${shape.edge === undefined ? '' : 'e'} ${shape.shadow === undefined ? '' : 's'}`;
      }),
      ...brand.sizeOrder.map((id) => `${id} ${brand.sizes[id]!.path}`),
      brand.logo ? 'logo' : '',
      // A share of the height is written another way than px; a part without a shadow has no line for it.
      ...CORNER_USES.map(
        (use) =>
          `${namedCorner(brand, use)?.value.kind ?? 'px'} ${brand.shadows?.items[brand.shadows.uses[use] ?? '']?.path ?? ''} ${edgeWidth(brand, use) > 0}`,
      ),
      brand.iconSide ?? '',
      ...Object.values(brand.motion?.uses ?? {}).map((id) => brand.motion!.items[id ?? '']?.path ?? ''),
    ].join('|');
    keys.set(brand, key);
  }
  return key;
}
