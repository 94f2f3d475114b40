/** Takes an sfnt font apart into its tables, by tag. */
export function sfntTables(font: Buffer): Map<string, Buffer> {
  const tables = new Map<string, Buffer>();
  for (let i = 0; i < font.readUInt16BE(4); i++) {
    const at = 12 + i * 16;
    const [offset, length] = [font.readUInt32BE(at + 8), font.readUInt32BE(at + 12)];
    tables.set(font.toString('latin1', at, at + 4), Buffer.from(font.subarray(offset, offset + length)));
  }
  return tables;
}

/** Puts tables together again, plain or as woff; checksums are left at 0, no reader here asks for them. */
export function sfntOf(tables: ReadonlyMap<string, Buffer>, deflate?: (data: Buffer) => Buffer): Buffer {
  const entries = [...tables].sort(([name], [other]) => (name < other ? -1 : 1));
  const [headSize, entrySize] = deflate ? [44, 20] : [12, 16];
  const head = Buffer.alloc(headSize + entries.length * entrySize);
  if (deflate) {
    head.write('wOFF', 0, 'latin1');
    head.writeUInt32BE(0x00010000, 4);
    head.writeUInt16BE(entries.length, 12);
  } else {
    head.writeUInt32BE(0x00010000, 0);
    head.writeUInt16BE(entries.length, 4);
  }
  const parts = [head];
  let offset = head.length;
  entries.forEach(([tag, data], i) => {
    const at = headSize + i * entrySize;
    const packed = deflate ? deflate(data) : data;
    const stored = packed.length < data.length ? packed : data;
    head.write(tag, at, 'latin1');
    if (deflate) {
      head.writeUInt32BE(offset, at + 4);
      head.writeUInt32BE(stored.length, at + 8);
      head.writeUInt32BE(data.length, at + 12);
    } else {
      head.writeUInt32BE(offset, at + 8);
      head.writeUInt32BE(data.length, at + 12);
    }
    const padded = Buffer.alloc(Math.ceil(stored.length / 4) * 4);
    stored.copy(padded);
    parts.push(padded);
    offset += padded.length;
  });
  const whole = Buffer.concat(parts);
  if (deflate) whole.writeUInt32BE(whole.length, 8);
  return whole;
}
