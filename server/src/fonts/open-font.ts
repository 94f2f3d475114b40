import { brotliDecompressSync, inflateSync } from 'node:zlib';
import { LIMITS } from '@yohaku/core';
import { FontRefused } from './font-refused.ts';

/** Largest font taken, in bytes as sent and as unpacked. */
export const FONT_LIMITS = { bytes: LIMITS.fontBytes, unpacked: 40 * 1024 * 1024 } as const;

export type FontFormat = 'woff2' | 'woff' | 'truetype' | 'opentype';

const TOO_LARGE = `It unpacks to more than ${FONT_LIMITS.unpacked / 1024 / 1024} MB. Export the font again with fewer characters and drop that.`;
const BROKEN = 'The font is cut off or damaged. Export it again and drop the new file.';

/**
 * Says what kind of font some bytes are, and makes sure that they do not unpack to
 * more than `FONT_LIMITS.unpacked` before anybody unpacks them.
 * Containers: W3C WOFF File Format 1.0 section 3 and 2.0 section 4.
 * @throws FontRefused for anything empty, too large, cut off, or no font
 */
export function fontFormat(bytes: Buffer): FontFormat {
  if (bytes.length === 0) throw new FontRefused('The file is empty. Export the font again and drop the new file.');
  if (bytes.length > FONT_LIMITS.bytes)
    throw new FontRefused(
      `The file is over ${FONT_LIMITS.bytes / 1024 / 1024} MB. Export the font with fewer characters and drop that.`,
    );
  switch (bytes.toString('latin1', 0, 4)) {
    case 'wOF2':
      checkWoff2(bytes);
      return 'woff2';
    case 'wOFF':
      checkWoff(bytes);
      return 'woff';
    case 'OTTO':
      return 'opentype';
    case '\0\x01\0\0':
    case 'true':
      return 'truetype';
    case 'ttcf':
      throw new FontRefused(
        'This is a collection of several fonts in one file. Export each font by itself and drop those.',
      );
    default:
      throw new FontRefused('This is not a WOFF2, WOFF, TTF or OTF font. Drop the font file itself.');
  }
}

function checkWoff(bytes: Buffer): void {
  if (bytes.length < 44 || bytes.readUInt32BE(8) > bytes.length) throw new FontRefused(BROKEN);
  const tables = bytes.readUInt16BE(12);
  if (bytes.length < 44 + tables * 20) throw new FontRefused(BROKEN);
  let unpacked = 0;
  for (let i = 0; i < tables; i++) {
    const at = 44 + i * 20;
    const [offset, packed, length] = [
      bytes.readUInt32BE(at + 4),
      bytes.readUInt32BE(at + 8),
      bytes.readUInt32BE(at + 12),
    ];
    unpacked += length;
    if (unpacked > FONT_LIMITS.unpacked) throw new FontRefused(TOO_LARGE);
    if (offset + packed > bytes.length) throw new FontRefused(BROKEN);
    if (packed < length)
      unpack(() => inflateSync(bytes.subarray(offset, offset + packed), { maxOutputLength: length }));
  }
}

function checkWoff2(bytes: Buffer): void {
  if (bytes.length < 48) throw new FontRefused(BROKEN);
  if (bytes.readUInt32BE(16) > FONT_LIMITS.unpacked) throw new FontRefused(TOO_LARGE);
  const tables = bytes.readUInt16BE(12);
  const reader = { at: 48 };
  for (let i = 0; i < tables; i++) {
    const flags = byteAt(bytes, reader);
    const [tag, version] = [flags & 63, flags >> 6];
    if (tag === 63) reader.at += 4;
    base128(bytes, reader);
    // The outlines and their places (tags 10 and 11) are transformed unless version 3 says that they are not; all
    // others the other way round.
    if (tag === 10 || tag === 11 ? version !== 3 : version !== 0) base128(bytes, reader);
  }
  const packed = bytes.readUInt32BE(20);
  if (reader.at + packed > bytes.length) throw new FontRefused(BROKEN);
  unpack(() =>
    brotliDecompressSync(bytes.subarray(reader.at, reader.at + packed), { maxOutputLength: FONT_LIMITS.unpacked }),
  );
}

function unpack(run: () => Buffer): void {
  try {
    run();
  } catch (error) {
    throw new FontRefused(
      error instanceof RangeError || (error as { code?: string }).code === 'ERR_BUFFER_TOO_LARGE' ? TOO_LARGE : BROKEN,
      { cause: error },
    );
  }
}

function byteAt(bytes: Buffer, reader: { at: number }): number {
  const value = bytes[reader.at++];
  if (value === undefined) throw new FontRefused(BROKEN);
  return value;
}

/** Skips a number of one to five bytes. */
function base128(bytes: Buffer, reader: { at: number }): void {
  for (let i = 0; i < 5; i++) if ((byteAt(bytes, reader) & 128) === 0) return;
  throw new FontRefused(BROKEN);
}
