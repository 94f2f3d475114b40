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

/**
 * Returns the `@font-face` rules of all faces of the given families and of their fallbacks, as the desk
 * shows them: the fallbacks use shipped twins, so that each machine measures the same.
 *
 * @param base address of the font files, of the twins too; ends with a slash
 */
export function fontsCss(families: readonly Family[], base: string): string {
  return facesCss(families.flatMap(facesOf), base) + fallbackCss(families, base);
}

/**
 * Returns `fonts.css` of a site: the faces it uses and their fallbacks.
 *
 * @param base address of the font files; ends with a slash
 * @param twins address of the shipped twins; absent for a published site, whose readers use their own fonts
 */
export function siteFontsCss(site: Site, base: string, twins?: string): string {
  return facesCss(facesInUse(site), base) + fallbackCss(familiesInUse(site.brand), twins);
}

function facesCss(faces: readonly FontFace[], base: string): string {
  return faces
    .map(
      ({ family, weight: [lightest, heaviest], italic, file, range }) =>
        `@font-face { font-family: "${family.name}"; font-weight: ${lightest === heaviest ? lightest : `${lightest} ${heaviest}`}; font-style: ${italic ? 'italic' : 'normal'}; font-display: swap; src: url("${base}${file}") format("woff2");${range ? ` unicode-range: ${range};` : ''} }\n`,
    )
    .join('');
}

/**
 * Returns the `@font-face` rules of the fallbacks, which show while fonts load or when they do not load.
 * Each is as wide and as tall as the family. Its source is a font of the reader.
 *
 * @param twins address of the shipped twins, which then replace the reader's fonts for the characters they have
 */
export function fallbackCss(families: readonly Family[], twins?: string): string {
  return families
    .flatMap(fallbackFaces)
    .map((face) => {
      const rule = (src: string, range = '') =>
        `@font-face { font-family: "${face.family}"; font-weight: ${face.bold ? '600 900' : '100 500'}; font-style: ${face.italic ? 'italic' : 'normal'}; src: ${src};${range} size-adjust: ${face.sizeAdjust}%; ascent-override: ${face.ascent}%; descent-override: ${face.descent}%; line-gap-override: ${face.lineGap}%; }\n`;
      const reader = rule(face.locals.map((name) => `local("${name}")`).join(', '));
      // The last rule that has a character wins, so the twins come after the reader's font.
      return (
        reader +
        (twins === undefined
          ? ''
          : face.files
              .map(({ file, range }) => rule(`url("${twins}${file}") format("woff2")`, ` unicode-range: ${range};`))
              .join(''))
      );
    })
    .join('');
}
