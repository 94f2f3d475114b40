import { cornerCss, shapeOfVariant, type Brand } from '@yohaku/core';

/** CSS declarations of a sample of a button, by property. */
export type ButtonSample = Readonly<Record<string, string>>;

/** Height of a sample, px: a corner that is a share is a share of it. */
const SAMPLE_HEIGHT = 24;

/**
 * Returns the text style, corner and border of each variant of button, as its samples show them.
 *
 * @param families the CSS of each of the brand's families
 */
export function buttonSamples(
  brand: Brand,
  families: { readonly heading: string; readonly body: string },
): ReadonlyMap<string, ButtonSample> {
  const style = brand.styles[brand.buttonStyle];
  if (!style) return new Map();
  const set = {
    'font-family': families[style.family] ?? '',
    'font-weight': String(style.weight),
    'font-style': style.italic ? 'italic' : 'normal',
    'text-transform': style.textCase,
    'letter-spacing': `${style.letterSpacing}em`,
  };
  return new Map(
    brand.variantOrder.map((id): [string, ButtonSample] => {
      const { corner, edge } = shapeOfVariant(brand, id);
      const radius =
        typeof corner === 'number'
          ? `${corner}px`
          : corner.value.kind === 'share'
            ? `${corner.value.share * SAMPLE_HEIGHT}px`
            : cornerCss(corner.value);
      return [id, { ...set, 'border-radius': radius, 'border-width': `${edge}px` }];
    }),
  );
}
