import type { BlockOf } from '../../kinds/index.ts';
import type { Site } from '../../site/index.ts';
import { customProperty, rolePath } from '../../style/index.ts';

/**
 * Returns the custom properties that the content of an embed could use: those of its background, its style and its
 * corner.
 */
export function embedProperties(
  { brand }: Site,
  { ground, style }: Pick<BlockOf<'embed'>, 'ground' | 'style'>,
): string[] {
  const on = brand.grounds[ground];
  const text = brand.styles[style];
  return [
    ...(on ? ['background', 'text', 'heading', 'link', 'rule'].map((role) => rolePath(brand, on, role)) : []),
    ...(text ? ['family', 'size', 'weight', 'line-height'].map((part) => `text.${text.path}.${part}`) : []),
    'corner.picture',
  ].map(customProperty);
}
