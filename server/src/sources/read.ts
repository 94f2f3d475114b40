import { colorSpots, extractPalette, hex, plateOf, plural, type Source, type SourceColor } from '@yohaku/core';
import { PICTURE_LIMITS, decodePicture, pictureType } from '../assets/index.ts';
import { readDrawing } from './drawing.ts';
import { SOURCE_FILES, SourceRefused } from './limits.ts';
import { leftOut, readSite, unpackSite } from './old-site.ts';
import { readStyleSheet } from './style-sheet.ts';
import { ColorTally } from './tally.ts';

/** The result of reading, before it has an id. `type` is the type of the image to keep; null for text. */
export type ReadSource = Omit<Source, 'id' | 'picture'> & {
  readonly type: string | null;
  readonly kept?: Uint8Array;
  readonly plate?: string | null;
};

/**
 * Reads a source by what its bytes say: a picture, a drawing, a zipped
 * site, a style sheet, or any text with colours in it.
 *
 * @throws SourceRefused or PictureRefused with a sentence that says what was wrong and what to do
 */
export async function readSource(name: string, bytes: Buffer): Promise<ReadSource> {
  if (bytes.length === 0) throw new SourceRefused('The file is empty. Export it again and drop the new one.');
  if (pictureType(bytes)) return readPicture(name, bytes);
  if (bytes.subarray(0, 4).equals(Buffer.from([0x50, 0x4b, 3, 4]))) return readArchive(name, bytes);
  if (/\.(png|jpe?g|webp|svg|gif|avif|tiff?|pdf)$/i.test(name))
    throw new SourceRefused('This is not a PNG, JPEG, WebP or SVG image. Export it as one of these and drop it again.');
  if (bytes.length > SOURCE_FILES.text)
    throw new SourceRefused(
      `The text is over ${SOURCE_FILES.text / 1024 / 1024} MB. Keep the part with the colours and drop it again.`,
    );
  if (bytes.subarray(0, 8000).includes(0))
    throw new SourceRefused(
      'This is neither an image nor text. PNG, JPEG, WebP, SVG, CSS, HTML, ZIP and plain text can be read.',
    );
  return readText(name, bytes.toString('utf8'));
}

async function readPicture(name: string, bytes: Buffer): Promise<ReadSource> {
  if (bytes.length > PICTURE_LIMITS.bytes)
    throw new SourceRefused(
      `The image is over ${PICTURE_LIMITS.bytes / 1024 / 1024} MB. Make it smaller and drop it again.`,
    );
  const picture = await decodePicture(bytes);
  const { width, height, pixels, type } = picture;
  const plate = plateOf(pixels);
  // Colours and their spots are read from what is kept, not from what was sent.
  const drawing = type === 'image/svg+xml' ? picture.bytes : undefined;
  const base = {
    ...(drawing ? { kept: drawing } : {}),
    name,
    facts: `${width} × ${height}`,
    size: { width, height },
    type,
    plate: plate ? hex(plate) : null,
  };
  if (type === 'image/svg+xml') {
    const { colors, notes, lines } = readDrawing(name, Buffer.from(picture.bytes).toString('utf8'), pixels);
    if (colors.length > 0) return { ...base, kind: 'drawing', notes: [...picture.notes, ...notes], lines, colors };
  }
  const colors = extractPalette(pixels, 12).map(({ rgb, share, role, why }): SourceColor => ({
    hex: hex(rgb),
    typed: hex(rgb),
    share,
    uses: null,
    role,
    why,
    spots: [],
  }));
  if (colors.length === 0)
    throw new SourceRefused(
      'The image is fully transparent and contains no colour. Export it with its colours and drop it again.',
    );
  return { ...base, kind: 'picture', notes: picture.notes, lines: [], colors };
}

function readArchive(name: string, bytes: Buffer): ReadSource {
  const { files, left } = unpackSite(bytes);
  if (files.size === 0)
    throw new SourceRefused(
      'The archive holds no page and no style sheet. Pack the folder with its HTML and CSS files and drop it again.',
    );
  const { tally, notes } = readSite(files);
  if (tally.size === 0) throw new SourceRefused(`No colour was found in ${plural(files.size, 'file')} of the archive.`);
  return {
    name,
    kind: 'site',
    facts: `${plural(tally.size, 'colour')} in ${plural(files.size, 'file')}`,
    notes: [...notes, ...leftOut(left)],
    size: null,
    type: null,
    lines: tally.lines,
    colors: tally.colors(),
  };
}

function readText(name: string, text: string): ReadSource {
  const tally = new ColorTally();
  const sheet = /\.css$/i.test(name) || /[{;]\s*[\w-]+\s*:[^;{}]+[;}]/.test(text.slice(0, 20_000));
  const page = /\.html?$/i.test(name) || /^\s*<(!doctype|html)/i.test(text);
  let notes: string[] = [];
  if (page) {
    const read = readSite(new Map([[name, text]]));
    if (read.tally.size > 0)
      return {
        name,
        kind: 'site',
        facts: `${plural(read.tally.size, 'colour')} in one page`,
        notes: read.notes,
        size: null,
        type: null,
        lines: read.tally.lines,
        colors: read.tally.colors(),
      };
  } else if (sheet) notes = readStyleSheet(tally, name, text);
  if (tally.size === 0)
    for (const { color, index, length } of colorSpots(text)) tally.mention(color, name, text, index, length);
  if (tally.size === 0)
    throw new SourceRefused(
      `No colour was found in ${name === PASTED ? 'this text' : name}. Write colours as #cf4527, rgb(), hsl(), oklch() or by name; the text is kept.`,
    );
  return {
    name,
    kind: sheet && notes.length + tally.lines.length > 0 && /\.css$/i.test(name) ? 'sheet' : 'text',
    facts: plural(tally.size, 'colour'),
    notes,
    size: null,
    type: null,
    lines: tally.lines,
    colors: tally.colors(),
  };
}

/** Name of a text that came without a file. */
export const PASTED = 'Pasted text';
