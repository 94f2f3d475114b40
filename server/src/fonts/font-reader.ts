import { fontLooks } from './font-looks.ts';
import { FontRefused } from './font-refused.ts';
import type { FontAnswer } from './open-apart.ts';
import { readFontFile } from './read-font.ts';
import { toWoff2 } from './to-woff2.ts';

/** A process of its own: is sent the bytes of one font, takes it apart, answers. */
process.once('message', (sent: Uint8Array) => {
  void answer(Buffer.from(sent)).then((found) => process.send!(found, () => process.disconnect()));
});

async function answer(bytes: Buffer): Promise<FontAnswer> {
  try {
    const read = readFontFile(bytes);
    return { read, looks: fontLooks(bytes), woff2: await toWoff2(bytes, read.format) };
  } catch (error) {
    return error instanceof FontRefused ? { refused: error.message } : { failed: String(error) };
  }
}
