import { rgb8ToOklab, type Rgb8 } from '../color/index.ts';
import type { PictureRole } from './extract.ts';

/** The kind of a source: pixels, an SVG, plain text, a style sheet, or an old site of pages and sheets. */
export type SourceKind = 'picture' | 'drawing' | 'text' | 'sheet' | 'site';

/** A line of a text in which a colour occurs. */
export interface SourceLine {
  readonly file: string;
  /** From 1. */
  readonly line: number;
  readonly text: string;
}

/**
 * Where a colour stands in the lines of a source: characters `from` to `to` of line `line` (an index into the lines).
 */
export interface SourceSpot {
  readonly line: number;
  readonly from: number;
  readonly to: number;
}

/** A colour that a source gave. */
export interface SourceColor {
  readonly hex: string;
  /** The notation as it was written; the hex for pixels. */
  readonly typed: string;
  /** Share of the counted area, or of all uses, 0 to 1. */
  readonly share: number;
  /** How often it is written; null for pixels. */
  readonly uses: number | null;
  readonly role: PictureRole;
  /** Why it seems to play that role, in words. */
  readonly why: string;
  readonly spots: readonly SourceSpot[];
}

/** A source with what it gave. */
export interface Source {
  readonly id: string;
  readonly name: string;
  readonly kind: SourceKind;
  /** The size of the source: "480 × 320", "14 colours in 3 files". */
  readonly facts: string;
  /** The parts that were skipped or read with losses, in whole sentences; empty if there were none. */
  readonly notes: readonly string[];
  /** Size in px of a picture; null for texts. */
  readonly size: { readonly width: number; readonly height: number } | null;
  /** The file of a picture as it is kept, and the plate it stands on (hex; null when cut out); absent for texts. */
  readonly picture?: { readonly hash: string; readonly type: string; readonly plate: string | null };
  readonly lines: readonly SourceLine[];
  readonly colors: readonly SourceColor[];
}

/** Most colours one source lists, and most lines it shows. */
export const SOURCE_LIMITS = { colors: 64, lines: 400 } as const;

/** The role of a colour known only by itself, for texts that say nothing of its use. */
export function roleAlone(rgb: Rgb8): { role: PictureRole; why: string } {
  const { l, a, b } = rgb8ToOklab(rgb);
  const chroma = Math.hypot(a, b);
  if (chroma > 0.1) return { role: 'signal', why: 'strong colour' };
  if (l > 0.82) return { role: 'ground', why: 'light enough for a background' };
  if (l < 0.45) return { role: 'text', why: 'dark enough for text' };
  return { role: 'ornament', why: 'neither strong, pale nor dark' };
}
