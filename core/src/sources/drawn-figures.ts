import { bandOf } from '../breakpoint/index.ts';
import type { Site } from '../site/index.ts';
import { styleSizeAt } from '../style/index.ts';
import { familyById } from '../type/index.ts';
import { sizesOf, type MeasuredLetters } from './measure-drawing.ts';

/** Letters of a drawing in the terms of a brand; sizes in CSS px of the page. */
export interface DrawnLetters {
  /** Size in each family of the brand: one, or those for capitals and for small letters where nothing tells which. */
  readonly sizes: readonly {
    readonly family: string;
    readonly size: number;
    readonly as: 'capitals' | 'small letters' | null;
  }[];
  /** The text style that comes nearest in its own family, with its size at this width. */
  readonly nearest: { readonly label: string; readonly size: number } | null;
  /** Distance between the baselines of neighbouring lines, CSS px; null for a single line. */
  readonly pitch: number | null;
}

/**
 * Says at which size the families of a brand would set the letters measured in a drawing.
 *
 * @param width width of the page that the drawing stands for, CSS px
 * @param letters their heights in CSS px of that page
 */
export function drawnLetters(site: Site, width: number, letters: MeasuredLetters): DrawnLetters {
  const { brand } = site;
  const sizesIn = (id: string): DrawnLetters['sizes'] => {
    const family = familyById(id, brand.fonts);
    if (!family) return [];
    const sizes = sizesOf(letters, family.metrics);
    return 'size' in sizes
      ? [{ family: family.name, size: sizes.size, as: null }]
      : [
          { family: family.name, size: sizes.capitals, as: 'capitals' },
          { family: family.name, size: sizes.small, as: 'small letters' },
        ];
  };
  let nearest: (DrawnLetters['nearest'] & { readonly away: number }) | undefined;
  for (const id of brand.styleOrder) {
    const style = brand.styles[id]!;
    const size = styleSizeAt(brand, style, width);
    for (const drawn of sizesIn(brand.families[style.family])) {
      const away = Math.abs(Math.log(drawn.size / size));
      if (!nearest || away < nearest.away) nearest = { label: style.label, size, away };
    }
  }
  return {
    sizes: [...new Set([brand.families.heading, brand.families.body])].flatMap(sizesIn),
    nearest: nearest ? { label: nearest.label, size: nearest.size } : null,
    pitch: letters.pitch,
  };
}

/** The space of a brand that comes nearest to a distance at a page width, both CSS px; null for a brand without any. */
export function nearestSpace(
  site: Site,
  width: number,
  distance: number,
): { readonly label: string; readonly size: number } | null {
  const band = bandOf(width);
  const sizes = site.brand.spaceOrder.map((id) => {
    const { label, values } = site.brand.spaces[id]!;
    const size = (band === 'phone' ? values.phone : band === 'tablet' ? values.tablet : null) ?? values.desktop;
    return { label, size };
  });
  return sizes.reduce<(typeof sizes)[number] | null>(
    (best, next) => (!best || Math.abs(next.size - distance) < Math.abs(best.size - distance) ? next : best),
    null,
  );
}
