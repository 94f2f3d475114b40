import { readGradient, type Gradient, type Rgb8 } from '../../color/index.ts';
import { cellValue, colorOf, tokenValue, type Group } from '../../reach/index.ts';
import { anyPage } from '../../page/index.ts';
import { headerOver, sectionOf, type Section, type Site } from '../../site/index.ts';
import { rolePath, type TokenTable } from '../../style/index.ts';

/** The section a place over a picture stands in. */
export function picturedSection(site: Site, page: string, section: string): Section | undefined {
  const shown = anyPage(site, page);
  // A header lies over the picture of the first section.
  const first = section === 'header' && shown ? headerOver(site, shown) : undefined;
  if (first) return sectionOf(site, first);
  const entries = Object.entries(shown?.sections ?? {});
  const own = entries
    .map(([key, entry]) => ({ key, section: sectionOf(site, entry) }))
    .find((entry) => entry.key === section || entry.section?.id === section)?.section;
  const found = own ?? (site.shared.footer.id === section ? site.shared.footer : undefined);
  return found?.picture ? found : undefined;
}

/**
 * The ends of the gradient a group stands on, as they are seen; undefined where it stands on none, or a picture hides
 * it.
 */
export function washUnder(table: TokenTable, group: Group): Gradient | undefined {
  if (group.pictured) return undefined;
  const cell = group.under?.painting.at('background-image', 'rest', 'desktop');
  return cell && readGradient(cellValue(table, cell).css);
}

/**
 * Returns the layer between an image and the group on it: the colour of its background,
 * as strong as the section's shade.
 *
 * @param shade 0 to 1; absent: what the section has
 */
export function veilOf(site: Site, table: TokenTable, group: Group, shade?: number): Rgb8 | null {
  const [place] = group.places;
  const section = place && picturedSection(site, place.page, place.section);
  const strength = shade ?? section?.picture?.shade ?? 0;
  const color =
    section && colorOf(tokenValue(table, rolePath(site.brand, site.brand.grounds[section.ground]!, 'background')).css);
  // The renderer writes whole percents.
  return color && strength > 0 ? { ...color, alpha: (color.alpha * Math.round(strength * 100)) / 100 } : null;
}
