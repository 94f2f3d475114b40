import { create, type Font } from 'fontkit';
import { averageWidth, type FontMetrics } from '@yohaku/core';
import { FontRefused } from './font-refused.ts';
import { fontFormat, type FontFormat } from './open-font.ts';

/** The facts that a font file contains. */
export interface FontFile {
  readonly format: FontFormat;
  /** Typographic family; empty where the file has no name that can be used. */
  readonly family: string;
  /** Lightest and heaviest weight, the same for a font that is not variable. */
  readonly weight: readonly [number, number];
  readonly italic: boolean;
  /** Axes of a variable font, by their tag. */
  readonly axes: readonly { readonly tag: string; readonly min: number; readonly max: number }[];
  readonly embedding: 'installable' | 'editable' | 'preview' | 'restricted';
  readonly metrics: Omit<FontMetrics, 'widths'>;
  /** Average width of a character of running text, em. */
  readonly width: number;
  /** Every character it has, as first and last code points of runs. */
  readonly coverage: readonly (readonly [number, number])[];
  /** True if it has figures of equal width. */
  readonly tableFigures: boolean;
  /** The parts read with losses, in whole sentences. */
  readonly notes: readonly string[];
}

const em = (value: number, font: Font): number => Math.round((value / font.unitsPerEm) * 10_000) / 10_000;

/**
 * Reads a woff2, woff, ttf or otf font.
 * @throws FontRefused for anything that is none, broken, or larger than `FONT_LIMITS`
 */
export function readFontFile(bytes: Uint8Array): FontFile {
  const buffer = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const format = fontFormat(buffer);
  try {
    const font = create(buffer) as Font;
    if (!(font.unitsPerEm >= 16 && font.unitsPerEm <= 16_384) || font.numGlyphs < 1)
      throw new FontRefused('The font has no drawable letters. Export it again and drop the new file.');
    return describe(font, format);
  } catch (error) {
    if (error instanceof FontRefused) throw error;
    throw new FontRefused('The font is damaged: its tables cannot be read. Export it again and drop the new file.', {
      cause: error,
    });
  }
}

function describe(font: Font, format: FontFormat): FontFile {
  const notes: string[] = [];
  const os2 = optional(() => font['OS/2']);
  const typo = os2?.fsSelection && (os2.fsSelection as { useTypoMetrics?: boolean }).useTypoMetrics ? os2 : undefined;
  const characters = [...new Set(font.characterSet)].sort((value, other) => value - other);
  if (characters.length === 0)
    throw new FontRefused('The font names no characters. Export it again with a character map and drop the new file.');
  const advance = (text: string): number | undefined => {
    const point = text.codePointAt(0)!;
    const glyph = glyphOf(font, point);
    return glyph ? advanceOf(font, glyph) / font.unitsPerEm : undefined;
  };
  /** Old fonts do not say how high their letters are: then these are measured. */
  const height = (letter: string) =>
    optional(() =>
      font.hasGlyphForCodePoint(letter.codePointAt(0)!) ? font.glyphForCodePoint(letter.codePointAt(0)!).bbox.maxY : 0,
    ) ?? 0;
  const width = averageWidth(advance);
  if (width === 0) notes.push('It has no Latin letters; widths were taken as half an em.');
  const axes = readAxes(font, notes);
  const weight = weights(os2?.usWeightClass ?? 400, axes, notes);
  const slanted = axes.some((axis) => (axis.tag === 'slnt' || axis.tag === 'ital') && axis.min !== axis.max);
  const selection = os2?.fsSelection as { italic?: boolean; oblique?: boolean } | undefined;
  const family = safeName(
    optional(() => font.getName('preferredFamily', 'en')) ?? optional(() => font.familyName) ?? '',
  );
  if (family === '') notes.push('It has no usable name; its file name is used.');
  if (slanted) notes.push('It has a slant of its own on an axis; the upright end is used.');
  return {
    format,
    family,
    weight,
    axes,
    italic: selection?.italic === true || selection?.oblique === true || (optional(() => font.italicAngle) ?? 0) !== 0,
    embedding: embedding(os2?.fsType),
    metrics: {
      ascent: em(typo?.typoAscender ?? font.ascent, font),
      descent: em(Math.abs(typo?.typoDescender ?? font.descent), font),
      lineGap: em(typo?.typoLineGap ?? font.lineGap, font),
      xHeight: em(optional(() => os2?.xHeight) || height('x') || font.unitsPerEm / 2, font),
      capHeight: em(optional(() => os2?.capHeight) || height('H') || font.unitsPerEm * 0.7, font),
    },
    width: width === 0 ? 0.5 : Math.round(width * 10_000) / 10_000,
    coverage: runsOf(characters),
    tableFigures: evenFigures(advance) || (optional(() => substitutions(font).includes('tnum')) ?? false),
    notes,
  };
}

/**
 * Tags of the font's substitutions, from the table that lists them: asking for all features would set up a whole layout
 * engine.
 */
function substitutions(font: Font): string[] {
  return (
    (font as unknown as { GSUB?: { featureList: readonly { readonly tag: string }[] } }).GSUB?.featureList.map(
      (entry) => entry.tag,
    ) ?? []
  );
}

/**
 * Number of the glyph for a character, 0 where there is none. A glyph of a woff2 font cannot be had without taking all
 * outlines apart.
 */
function glyphOf(font: Font, point: number): number {
  return font.hasGlyphForCodePoint(point)
    ? (font as unknown as { _cmapProcessor: { lookup(point: number): number } })._cmapProcessor.lookup(point)
    : 0;
}

/**
 * Advance width of a glyph from the table that has it: asking the glyph would
 * take all outlines apart to find its box as well. The last entry counts for all glyphs behind it.
 */
function advanceOf(font: Font, glyph: number): number {
  const { metrics } = (
    font as unknown as { hmtx: { metrics: { length: number; get(at: number): { advance: number } } } }
  ).hmtx;
  return metrics.get(Math.min(glyph, metrics.length - 1)).advance;
}

/** Parts of a font may be missing, or too damaged to read: the rest can still be used. */
function optional<T>(read: () => T): T | undefined {
  try {
    return read() ?? undefined;
  } catch {
    return undefined;
  }
}

function evenFigures(advance: (text: string) => number | undefined): boolean {
  return new Set([...'0123456789'].map(advance)).size === 1;
}

const MOST_AXES = 16;

function readAxes(font: Font, notes: string[]): FontFile['axes'] {
  const found = Object.entries(optional(() => font.variationAxes) ?? {}).slice(0, MOST_AXES);
  return found.flatMap(([tag, axis]) => {
    if (!axis || !/^[A-Za-z][A-Za-z0-9 ]{0,3}$/.test(tag)) return [];
    if (!(Number.isFinite(axis.min) && Number.isFinite(axis.max)) || axis.min > axis.max) {
      notes.push(`Its axis ${tag} goes from ${axis.min} to ${axis.max}, which is not a range; it was ignored.`);
      return [];
    }
    return [{ tag, min: axis.min, max: axis.max }];
  });
}

function weights(named: number, axes: FontFile['axes'], notes: string[]): readonly [number, number] {
  const axis = axes.find((entry) => entry.tag === 'wght');
  const clamp = (value: number) => Math.min(1000, Math.max(1, Math.round(value)));
  if (axis) {
    if (axis.min < 1 || axis.max > 1000)
      notes.push(`Its weights go from ${axis.min} to ${axis.max}; CSS knows 1 to 1000, the others were ignored.`);
    return [clamp(axis.min), clamp(axis.max)];
  }
  // Very old fonts count weights from 1 to 9.
  const weight = named > 0 && named < 10 ? named * 100 : named;
  if (weight < 1 || weight > 1000) notes.push(`It gives its weight as ${named}, which is not a weight; 400 is used.`);
  return weight < 1 || weight > 1000 ? [400, 400] : [clamp(weight), clamp(weight)];
}

/** OpenType specification, OS/2 table, fsType: bits 1 to 3; none set is installable. */
function embedding(flags: unknown): FontFile['embedding'] {
  const says = (flags ?? {}) as { noEmbedding?: boolean; viewOnly?: boolean; editable?: boolean };
  return says.editable ? 'editable' : says.viewOnly ? 'preview' : says.noEmbedding ? 'restricted' : 'installable';
}

/** Names are shown and written into CSS: letters, figures, spaces and a few marks, at most sixty. */
function safeName(name: string): string {
  return name
    .normalize('NFC')
    .replace(/[^\p{L}\p{N} ._-]/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(0, 60)
    .trim();
}

function runsOf(sorted: readonly number[]): (readonly [number, number])[] {
  const runs: [number, number][] = [];
  for (const point of sorted) {
    const last = runs.at(-1);
    if (last && point === last[1] + 1) last[1] = point;
    else runs.push([point, point]);
  }
  return runs;
}
