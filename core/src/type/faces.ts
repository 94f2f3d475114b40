import type { Family } from './family.ts';

/** One font file of a family, as a stylesheet names it. */
export interface FontFace {
  readonly family: Family;
  /** Lightest and heaviest weight in the file. */
  readonly weight: readonly [number, number];
  readonly italic: boolean;
  /** File name as it is served and exported. */
  readonly file: string;
  /** The characters it is fetched for; undefined: all. */
  readonly range: string | undefined;
}

/** The two parts of every family of the library, with the characters of each as its package gives them. */
export const PARTS = {
  latin:
    'U+0000-00FF, U+0131, U+0152-0153, U+02BB-02BC, U+02C6, U+02DA, U+02DC, U+0304, U+0308, U+0329, U+2000-206F, U+20AC, U+2122, U+2191, U+2193, U+2212, U+2215, U+FEFF, U+FFFD',
  'latin-ext':
    'U+0100-02BA, U+02BD-02C5, U+02C7-02CC, U+02CE-02D7, U+02DD-02FF, U+0304, U+0308, U+0329, U+1D00-1DBF, U+1E00-1E9F, U+1EF2-1EFF, U+2020, U+20A0-20AB, U+20AD-20C0, U+2113, U+2C60-2C7F, U+A720-A7FF',
} as const;

/** Every face of a family; of the library's Latin and Latin Extended are files of their own. */
export function facesOf(family: Family): FontFace[] {
  if (!('weights' in family))
    return family.faces.map(({ hash, weight, italic }) => ({
      family,
      weight,
      italic,
      file: `${family.id}-${hash.slice(0, 16)}.woff2`,
      range: undefined,
    }));
  return family.weights.flatMap((weight) =>
    (family.italic ? [false, true] : [false]).flatMap((italic) =>
      Object.entries(PARTS).map(([part, range]): FontFace => ({
        family,
        weight: [weight, weight],
        italic,
        file: `${family.id}-${part}-${weight}-${italic ? 'italic' : 'normal'}.woff2`,
        range,
      })),
    ),
  );
}

/** A weight and slant that text asks for. */
export interface WantedFace {
  readonly weight: number;
  readonly italic: boolean;
}

/**
 * The faces that a browser takes for what is asked: CSS Fonts Level 4, section
 * 5.2, slant before weight; of the weights the one that holds the wanted one,
 * else the nearest below for 400 and less, above for more than 500, and for what
 * lies between first up to 500, then below, then above.
 */
export function facesFor(family: Family, wanted: readonly WantedFace[]): FontFace[] {
  const faces = facesOf(family);
  const taken = new Set<FontFace>();
  for (const { weight, italic } of wanted) {
    const slanted = faces.some((face) => face.italic === italic)
      ? faces.filter((face) => face.italic === italic)
      : faces;
    const best = Math.min(...slanted.map((face) => distance(face.weight, weight)));
    for (const face of slanted) if (distance(face.weight, weight) === best) taken.add(face);
  }
  return faces.filter((face) => taken.has(face));
}

/** How late a face comes in the order in which a browser looks for a weight. */
function distance([lightest, heaviest]: readonly [number, number], weight: number): number {
  if (weight >= lightest && weight <= heaviest) return 0;
  const below = heaviest < weight;
  const far = below ? weight - heaviest : lightest - weight;
  if (weight >= 400 && weight <= 500) return !below && lightest <= 500 ? far : below ? 1000 + far : 2000 + far;
  return below === weight < 400 ? far : 1000 + far;
}
