// The package brings no types, and none can be imported at run time.
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./wawoff2.d.ts" />
import { inflateSync } from 'node:zlib';
import { compress } from 'wawoff2';
import type { FontFormat } from './open-font.ts';

/** A font as woff2, whatever it came as; `format` is what `fontFormat` said of it. */
export async function toWoff2(bytes: Buffer, format: FontFormat): Promise<Buffer> {
  if (format === 'woff2') return bytes;
  return Buffer.from(await compress(format === 'woff' ? unpackWoff(bytes) : bytes));
}

/**
 * The sfnt font in a woff file that has been checked: W3C WOFF File Format 1.0, section 4; OpenType specification,
 * table directory.
 */
function unpackWoff(woff: Buffer): Buffer {
  const count = woff.readUInt16BE(12);
  const entries = Array.from({ length: count }, (_, i) => {
    const at = 44 + i * 20;
    const [offset, packed, length] = [woff.readUInt32BE(at + 4), woff.readUInt32BE(at + 8), woff.readUInt32BE(at + 12)];
    const stored = woff.subarray(offset, offset + packed);
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.readUInt32BE(at + 16),
      length,
      data: packed < length ? inflateSync(stored) : stored,
    };
  });
  const power = 2 ** Math.floor(Math.log2(Math.max(1, count)));
  const head = Buffer.alloc(12 + count * 16);
  woff.copy(head, 0, 4, 8);
  head.writeUInt16BE(count, 4);
  head.writeUInt16BE(power * 16, 6);
  head.writeUInt16BE(Math.log2(power), 8);
  head.writeUInt16BE(count * 16 - power * 16, 10);
  const parts = [head];
  let offset = head.length;
  entries.forEach(({ tag, checksum, length, data }, i) => {
    const at = 12 + i * 16;
    tag.copy(head, at);
    head.writeUInt32BE(checksum, at + 4);
    head.writeUInt32BE(offset, at + 8);
    head.writeUInt32BE(length, at + 12);
    const padded = Buffer.alloc(Math.ceil(length / 4) * 4);
    data.copy(padded);
    parts.push(padded);
    offset += padded.length;
  });
  return Buffer.concat(parts);
}
