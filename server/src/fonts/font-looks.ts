import { create, type Font } from 'fontkit';
import type { FamilyKind, FamilyShape } from '@yohaku/core';

/**
 * Returns the kind and shape of a font by its PANOSE numbers: family kind 2 is for text, 3 hand
 * written, 4 decorative; of the first, serif styles 2 to 10 have serifs, of which
 * 6 and 7 are square, and 11 to 15 have none. Many fonts leave them empty: then the
 * capital I is looked at. To look at a letter takes all outlines of a woff2 font
 * apart, so this is read by itself.
 *
 * @param bytes of a font that `readFontFile` has taken
 */
export function fontLooks(bytes: Uint8Array): { kind: FamilyKind; shape: FamilyShape } {
  const font = create(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength)) as Font;
  const [family = 0, serif = 0] = attempt(() => font['OS/2'].panose) ?? [];
  const width = (letter: string) => attempt(() => font.glyphForCodePoint(letter.codePointAt(0)!).advanceWidth);
  if (width('i') !== undefined && width('i') === width('m')) return { kind: 'mono', shape: 'mono' };
  if (family === 3) return { kind: 'hand', shape: 'sans' };
  if (family === 4) return { kind: 'display', shape: 'sans' };
  if (family === 2 && serif >= 2 && serif <= 10)
    return { kind: serif === 6 || serif === 7 ? 'slab' : 'serif', shape: 'serif' };
  return family !== 2 && (attempt(() => hasSerifs(font)) ?? false)
    ? { kind: 'serif', shape: 'serif' }
    : { kind: 'sans', shape: 'sans' };
}

/** A capital I without serifs is one plain bar: few points, and narrow. */
function hasSerifs(font: Font): boolean {
  const { path, bbox } = font.glyphForCodePoint(0x49);
  const lean = Math.tan((-font.italicAngle * Math.PI) / 180) * bbox.height;
  return path.commands.length > 12 && (bbox.width - lean) / bbox.height > 0.25;
}

function attempt<T>(read: () => T): T | undefined {
  try {
    return read();
  } catch {
    return undefined;
  }
}
