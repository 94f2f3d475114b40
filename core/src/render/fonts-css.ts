import type { Brand } from '../site/index.ts';
import { facesFor, facesOf, fallbackFaces, familyById, type Family, type FontFace } from '../type/index.ts';
import { wantedFaces } from './wanted-faces.ts';
import type { Site } from '../site/index.ts';

/** Every family in use, heading before body, each once. */
export function familiesInUse(brand: Brand): Family[] {
  return [...new Set([brand.families.heading, brand.families.body])].flatMap((id) => familyById(id, brand.fonts) ?? []);
}

/** The font files a site needs: of each family in use only the weights and slants that some text is set in. */
export function facesInUse(site: Site): FontFace[] {
  return familiesInUse(site.brand).flatMap((family) => facesFor(family, wantedFaces(site, family.id)));
}

/** `@font-face` rules of all faces of the given families, with files below `base`, and of what stands in for them. */
export function fontsCss(families: readonly Family[], base: string): string {
  return facesCss(families.flatMap(facesOf), base) + fallbackCss(families);
}

/** `fonts.css` of a site: the faces it uses, and what stands in for them. */
export function siteFontsCss(site: Site, base: string): string {
  return facesCss(facesInUse(site), base) + fallbackCss(familiesInUse(site.brand));
}

function facesCss(faces: readonly FontFace[], base: string): string {
  return faces.map(({ family, weight: [lightest, heaviest], italic, file, range }) =>
    `@font-face { font-family: "${family.name}"; font-weight: ${lightest === heaviest ? lightest : `${lightest} ${heaviest}`}; font-style: ${italic ? 'italic' : 'normal'}; font-display: swap; src: url("${base}${file}") format("woff2");${range ? ` unicode-range: ${range};` : ''} }\n`,
  ).join('');
}

/** What stands in while fonts load, or when they do not: faces of the reader's own, made as wide and as tall. */
export function fallbackCss(families: readonly Family[]): string {
  return families.flatMap(fallbackFaces).map((face) =>
    `@font-face { font-family: "${face.family}"; font-weight: ${face.bold ? '600 900' : '100 500'}; font-style: ${face.italic ? 'italic' : 'normal'}; src: ${face.locals.map((name) => `local("${name}")`).join(', ')}; size-adjust: ${face.sizeAdjust}%; ascent-override: ${face.ascent}%; descent-override: ${face.descent}%; line-gap-override: ${face.lineGap}%; }\n`,
  ).join('');
}
