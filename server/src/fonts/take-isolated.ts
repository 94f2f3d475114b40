import { FontRefused } from './font-refused.ts';
import { fontLooks } from './font-looks.ts';
import type { OpenedFont } from './open-isolated.ts';
import { readFontFile } from './read-font.ts';
import { toWoff2 } from './to-woff2.ts';

/** Takes one font apart. Runs in a process of its own. */
export async function takeIsolated(sent: Uint8Array): Promise<OpenedFont> {
  const bytes = Buffer.from(sent);
  const read = readFontFile(bytes);
  try {
    return { read, looks: fontLooks(bytes), woff2: await toWoff2(bytes, read.format) };
  } catch (error) {
    if (error instanceof FontRefused) throw error;
    // The names and metrics of the font are readable, but its outlines (`glyf`, `loca`) are damaged.
    throw new FontRefused('The font is damaged: its outlines cannot be read. Export it again and drop the new file.', {
      cause: error,
    });
  }
}
