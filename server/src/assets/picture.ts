import sharp from 'sharp';
import { fromHtml } from 'hast-util-from-html';
import type { Nodes } from 'hast';
import type { Asset, Pixels } from '@yohaku/core';
import { DRAWING_LIMITS, cleanSvg } from './clean-svg.ts';
import { PictureRefused } from './refused.ts';

/** Largest picture taken, in pixels and bytes. */
export const PICTURE_LIMITS = { pixels: 40_000_000, bytes: 20 * 1024 * 1024 } as const;
/** Pictures are judged at no more than this many pixels on a side; enough for every colour that covers a thousandth. */
const JUDGED_SIDE = 700;

/** `bytes` are those to keep: a drawing is written anew. */
export interface Picture {
  readonly bytes: Uint8Array;
  readonly type: Asset['type'];
  readonly width: number;
  readonly height: number;
  readonly pixels: Pixels;
  /** The parts read with losses, in whole sentences. */ readonly notes: readonly string[];
}

/**
 * Decodes a PNG, JPEG, WebP or SVG by what its bytes say, whatever its name.
 * @throws PictureRefused for anything empty, broken, too large, or an SVG with scripts or outside references
 */
export async function decodePicture(bytes: Uint8Array): Promise<Picture> {
  if (bytes.length === 0) throw new PictureRefused('The file is empty. Export it again and drop the new one.');
  if (bytes.length > PICTURE_LIMITS.bytes)
    throw new PictureRefused('The file is over 20 MB. Make it smaller and drop it again.');
  const type = pictureType(bytes);
  if (!type) throw new PictureRefused('This is not a PNG, JPEG, WebP or SVG image. Export it as one of these.');
  const drawn = type === 'image/svg+xml' ? clean(Buffer.from(bytes).toString('utf8')) : undefined;
  const kept = drawn ? Buffer.from(drawn.svg) : bytes;
  try {
    const image = sharp(kept, { limitInputPixels: PICTURE_LIMITS.pixels, failOn: 'error' });
    const { width = 0, height = 0, pages = 1, space, depth, hasProfile } = await image.metadata();
    if (width * height > PICTURE_LIMITS.pixels) throw new PictureRefused(tooLarge(width, height));
    const { data, info } = await image
      .resize(JUDGED_SIDE, JUDGED_SIDE, {
        fit: 'inside',
        withoutEnlargement: true,
        kernel: type === 'image/jpeg' ? 'lanczos3' : 'nearest',
      })
      .toColourspace('srgb')
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    if (!(width > 0 && height > 0))
      throw new PictureRefused('The image has no size. Export it again and drop the new one.');
    const notes = [
      ...(drawn?.notes ?? []),
      ...(pages > 1 ? [`It is animated; the first of its ${pages} frames was used.`] : []),
      ...(space === 'cmyk'
        ? [
            `It is in CMYK${hasProfile ? '' : ' without a profile'}; its colours were converted to sRGB and may differ from print.`,
          ]
        : []),
      ...(depth === 'ushort' ? ['It has 16 bits a channel and was read at 8.'] : []),
    ];
    return { bytes: kept, type, width, height, pixels: { width: info.width, height: info.height, data }, notes };
  } catch (error) {
    if (error instanceof PictureRefused) throw error;
    if (error instanceof Error && /pixel limit/i.test(error.message)) throw new PictureRefused(tooLarge(0, 0));
    throw new PictureRefused('The image is broken and cannot be decoded. Export it again and drop the new one.');
  }
}

const tooLarge = (width: number, height: number): string =>
  `The image has more than 40 megapixels${width ? ` (${width} by ${height})` : ''}. Scale it down and drop it again.`;

/** The type of a picture by its first bytes; undefined when it is none that can be read. */
export function pictureType(bytes: Uint8Array): Asset['type'] | undefined {
  const starts = (...values: number[]) => values.every((value, i) => bytes[i] === value);
  if (starts(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)) return 'image/png';
  if (starts(0xff, 0xd8, 0xff)) return 'image/jpeg';
  if (starts(0x52, 0x49, 0x46, 0x46) && Buffer.from(bytes.slice(8, 12)).toString('latin1') === 'WEBP')
    return 'image/webp';
  const head = Buffer.from(bytes.slice(0, 2000)).toString('utf8');
  return /<svg[\s>]/i.test(head) ? 'image/svg+xml' : undefined;
}

/** A drawing written anew, after what it may not have at all is refused by name: whoever made it should know. */
function clean(text: string): ReturnType<typeof cleanSvg> {
  refuseActiveSvg(text);
  return cleanSvg(text);
}

/**
 * Refuses an SVG that could run something or fetch something: scripts, event
 * handlers, foreign content, entities, and every reference that is not inside the file.
 */
function refuseActiveSvg(text: string): void {
  // Counted before it is parsed: parsing a million elements is what must not happen.
  let elements = 0;
  for (let at = text.indexOf('<'); at !== -1; at = text.indexOf('<', at + 1))
    if (text[at + 1] !== '/' && ++elements > DRAWING_LIMITS.elements)
      throw new PictureRefused(
        `This drawing has more than ${DRAWING_LIMITS.elements / 1000} thousand elements. Simplify it and drop it again.`,
      );
  if (/<!ENTITY/i.test(text))
    throw new PictureRefused('This SVG declares entities. Save it as plain SVG and drop it again.');
  const visit = (node: Nodes): void => {
    if (node.type === 'element') {
      const name = node.tagName.toLowerCase();
      if (['script', 'foreignobject', 'iframe', 'object', 'embed', 'handler', 'audio', 'video'].includes(name))
        throw new PictureRefused(
          `This SVG contains <${name}>. Save it without scripts and foreign content, and drop it again.`,
        );
      for (const [key, value] of Object.entries(node.properties)) {
        const text = Array.isArray(value) ? value.join(' ') : String(value);
        if (/^on/i.test(key))
          throw new PictureRefused(
            `This SVG has the event handler ${key.toLowerCase()}. Save it without scripts and drop it again.`,
          );
        const reference = /href$/i.test(key) || key === 'src' ? text.trim() : '';
        if (reference !== '' && !reference.startsWith('#') && !/^data:image\/(png|jpeg|webp);base64,/i.test(reference))
          throw new PictureRefused(
            `This SVG refers to something outside itself (${reference.slice(0, 60)}). Embed it and drop the file again.`,
          );
        if (leadsOut(text))
          throw new PictureRefused(
            'This SVG refers to something outside itself in its styles. Embed it and drop the file again.',
          );
      }
      if (name === 'style') {
        const css = node.children.map((child) => (child.type === 'text' ? child.value : '')).join('');
        if (leadsOut(css))
          throw new PictureRefused(
            'This SVG refers to something outside itself in its styles. Embed it and drop the file again.',
          );
      }
    }
    if ('children' in node) for (const child of node.children) visit(child);
  };
  visit(fromHtml(text, { fragment: true, space: 'svg' }));
}

/**
 * Returns true if a style as it is written fetches something. A first look that names the fault; what gets past it is
 * left out when the drawing is written anew.
 */
const leadsOut = (css: string): boolean =>
  /@import/i.test(css) || /url\(\s*(?!['"]?\s*#)(?!['"]?\s*data:image\/(?:png|jpeg|webp);)/i.test(css);
