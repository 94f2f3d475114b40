import type { ElementContent } from 'hast';
import { pageTree } from '../page/index.ts';
import type { Page, Site } from '../site/index.ts';
import { resolveToken, rolePath, stylesByRole, tokenTable } from '../style/index.ts';
import { facesFor, familyById, type FontFace } from '../type/index.ts';

/** Size of a picture for sharing, px: what places where links are shared ask for. */
export const SHARING = { width: 1200, height: 630 } as const;

/** Where the picture lies that is made for a page which has none of its own; relative to the pages. */
export const sharingFile = (page: Pick<Page, 'id'>): string => `images/sharing-${page.id}.png`;

/** The content of a sharing image: the first words of the page in their style and colours, and the name of the site. */
export interface SharingCard {
  readonly title: string;
  readonly name: string;
  /** CSS colours: what it stands on, at its far end where that is a gradient, of the title, of the name. */
  readonly background: string;
  readonly far: string | null;
  readonly ink: string;
  readonly quiet: string;
  /** Faces that have the title's letters, in the order in which a browser looks through them. */
  readonly faces: readonly FontFace[];
  readonly uppercase: boolean;
}

/** The picture for sharing of a page, as what is to be drawn. */
export function sharingCard(site: Site, id: string): SharingCard {
  const { brand } = site;
  const page = site.pages[id]!;
  const { places, parts } = pageTree(site, id);
  const place = places.find(({ level, style: set }) => level === 1 && set !== null);
  const words = place
    ? parts.map(({ element }) => wordsAt(element, place.id)).find((found) => found !== undefined)
    : undefined;
  const ground = brand.grounds[place?.ground ?? site.shared.header.ground]!;
  const style = brand.styles[place?.style ?? stylesByRole(brand).opening]!;
  const table = tokenTable(brand);
  const color = (role: string): string => resolveToken(table, rolePath(brand, ground, role)).css;
  const family = familyById(brand.families[style.family], brand.fonts);
  return {
    title: (words?.trim() || page.title).slice(0, 140),
    name: site.name,
    background: color('background'),
    far: ground.wash ? color('background-to') : null,
    ink: color('heading'),
    quiet: color('secondary'),
    faces: family ? facesFor(family, [{ weight: style.weight, italic: style.italic }]) : [],
    uppercase: style.textCase === 'uppercase',
  };
}

/** The words of the element that is a place. */
function wordsAt(node: ElementContent, place: string): string | undefined {
  if (node.type !== 'element') return undefined;
  if (node.properties['dataPlace'] === place) return textOf(node);
  for (const child of node.children) {
    const found = wordsAt(child, place);
    if (found !== undefined) return found;
  }
  return undefined;
}

const textOf = (node: ElementContent): string =>
  node.type === 'text'
    ? node.value
    : node.type === 'element'
      ? node.tagName === 'br'
        ? ' '
        : node.children.map(textOf).join('')
      : '';
