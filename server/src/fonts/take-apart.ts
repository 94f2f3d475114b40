import { fontLooks } from './font-looks.ts';
import type { OpenedFont } from './open-apart.ts';
import { readFontFile } from './read-font.ts';
import { toWoff2 } from './to-woff2.ts';

/** Takes one font apart. Runs in a process of its own. */
export async function takeApart(sent: Uint8Array): Promise<OpenedFont> {
  const bytes = Buffer.from(sent);
  const read = readFontFile(bytes);
  return { read, looks: fontLooks(bytes), woff2: await toWoff2(bytes, read.format) };
}
