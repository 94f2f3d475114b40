import { build } from 'esbuild';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import type { FocusPoint, PixelSet, Site } from '@yohaku/core';
import { ROOT } from '../server/src/testing/database.ts';

let bundle: Promise<string> | undefined;

/** The desk's reader of pixels as one script that puts `reader` in scope. */
export function readerScript(): Promise<string> {
  bundle ??= build({
    entryPoints: [join(ROOT, 'web/src/wall/read/read-pixels.ts')],
    bundle: true,
    format: 'iife',
    globalName: 'reader',
    write: false,
    target: 'es2022',
  }).then(({ outputFiles }) => outputFiles[0]!.text);
  return bundle;
}

type Sent = Omit<PixelSet, 'rgb' | 'at' | 'along'> & { rgb: number[]; at: number[]; along: number[] | null };
const SEND = '(set) => ({ ...set, rgb: [...set.rgb], at: [...set.at], along: set.along ? [...set.along] : null })';
const received = ({ along, ...set }: Sent): PixelSet => ({
  ...set,
  rgb: Uint8Array.from(set.rgb),
  at: Uint16Array.from(set.at),
  ...(along ? { along: Uint16Array.from(along) } : {}),
});

/** Returns the pixels behind texts over images, read on any page of the site with the desk's own code. */
export async function pixelsOn(page: Page, site: Site, of: string, width: number): Promise<PixelSet[]> {
  // Evaluated from outside: the page's own policy allows no script.
  return (
    await page.evaluate<Sent[]>(
      `(async () => { ${await readerScript()}; return (await reader.readPixels(document, ${JSON.stringify(site)}, ${JSON.stringify(of)}, ${width})).map(${SEND}); })()`,
    )
  ).map(received);
}

/** The same behind the texts of one section, with other focus points of its picture. */
export async function focusesOn(
  page: Page,
  site: Site,
  of: string,
  width: number,
  surface: string,
  focuses: readonly FocusPoint[],
): Promise<PixelSet[][]> {
  const lists = await page.evaluate<Sent[][]>(
    `(async () => { ${await readerScript()}; return (await reader.readFocuses(document, ${JSON.stringify(site)}, ${JSON.stringify(of)}, ${width}, ${JSON.stringify(surface)}, ${JSON.stringify(focuses)})).map((list) => list.map(${SEND})); })()`,
  );
  return lists.map((list) => list.map(received));
}
