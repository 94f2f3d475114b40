/** A typeface family shipped with the app: its web font files are served under `/fonts/`. */
export interface Family {
  readonly id: string;
  readonly name: string;
  readonly kind: 'serif' | 'slab' | 'sans' | 'mono';
  /** Static weights shipped, each upright and, where `italic`, slanted. */
  readonly weights: readonly number[];
  readonly italic: boolean;
  /** What stands in while the file loads, or when it does not. */
  readonly fallback: string;
}

const SERIF = 'Georgia, serif';
const SANS = 'Arial, sans-serif';
const MONO = 'monospace';
const W = [400, 600, 700] as const;

/** The library, all under the SIL Open Font License 1.1. */
export const FAMILIES: readonly Family[] = [
  { id: 'gelasio', name: 'Gelasio', kind: 'serif', weights: W, italic: true, fallback: SERIF },
  { id: 'source-serif-4', name: 'Source Serif 4', kind: 'serif', weights: W, italic: true, fallback: SERIF },
  { id: 'literata', name: 'Literata', kind: 'serif', weights: W, italic: true, fallback: SERIF },
  { id: 'lora', name: 'Lora', kind: 'serif', weights: W, italic: true, fallback: SERIF },
  { id: 'fraunces', name: 'Fraunces', kind: 'serif', weights: W, italic: true, fallback: SERIF },
  { id: 'bitter', name: 'Bitter', kind: 'slab', weights: W, italic: true, fallback: SERIF },
  { id: 'zilla-slab', name: 'Zilla Slab', kind: 'slab', weights: W, italic: true, fallback: SERIF },
  { id: 'public-sans', name: 'Public Sans', kind: 'sans', weights: W, italic: true, fallback: SANS },
  { id: 'source-sans-3', name: 'Source Sans 3', kind: 'sans', weights: W, italic: true, fallback: SANS },
  { id: 'work-sans', name: 'Work Sans', kind: 'sans', weights: W, italic: true, fallback: SANS },
  { id: 'karla', name: 'Karla', kind: 'sans', weights: W, italic: true, fallback: SANS },
  { id: 'barlow', name: 'Barlow', kind: 'sans', weights: W, italic: true, fallback: SANS },
  { id: 'atkinson-hyperlegible', name: 'Atkinson Hyperlegible', kind: 'sans', weights: [400, 700], italic: true, fallback: SANS },
  { id: 'ibm-plex-mono', name: 'IBM Plex Mono', kind: 'mono', weights: W, italic: true, fallback: MONO },
];

/** The family with this id, or undefined. */
export function familyById(id: string): Family | undefined {
  return FAMILIES.find((family) => family.id === id);
}

/** CSS `font-family` value of a family with its fallback. */
export function familyStack(id: string): string {
  const family = familyById(id);
  return family ? `"${family.name}", ${family.fallback}` : SANS;
}

/** One font file of the library. */
export interface FontFace {
  readonly family: Family;
  readonly weight: number;
  readonly italic: boolean;
  /** File name as the package ships it and as it is served and exported. */
  readonly file: string;
}

/** Every face of a family; Latin and Latin Extended are separate files with their own ranges. */
export function facesOf(id: string): FontFace[] {
  const family = familyById(id);
  if (!family) return [];
  return family.weights.flatMap((weight) =>
    (family.italic ? [false, true] : [false]).map((italic) => ({
      family, weight, italic, file: `${family.id}-latin-${weight}-${italic ? 'italic' : 'normal'}.woff2`,
    })));
}
