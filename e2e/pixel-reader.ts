import { build } from 'esbuild';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import type { PixelSet, Site } from '@yohaku/core';
import { ROOT } from '../server/src/testing/database.ts';

let bundle: Promise<string> | undefined;

/** The desk's reader of pixels as one script that puts `reader` in scope. */
export function readerScript(): Promise<string> {
  bundle ??= build({ entryPoints: [join(ROOT, 'web/src/wall/read-pixels.ts')], bundle: true, format: 'iife', globalName: 'reader', write: false, target: 'es2022' }).then(({ outputFiles }) => outputFiles[0]!.text);
  return bundle;
}

/** What the desk reads behind texts over pictures, read on any page that shows the site: the desk's own code, in the page's own layout. */
export async function pixelsOn(page: Page, site: Site, of: string, width: number): Promise<PixelSet[]> {
  // Evaluated from outside: the page's own policy allows no script.
  const read = await page.evaluate<(Omit<PixelSet, 'rgb' | 'at' | 'along'> & { rgb: number[]; at: number[]; along: number[] | null })[]>(`(async () => { ${await readerScript()}; const sets = await reader.readPixels(document, ${JSON.stringify(site)}, ${JSON.stringify(of)}, ${width}); return sets.map((set) => ({ ...set, rgb: [...set.rgb], at: [...set.at], along: set.along ? [...set.along] : null })); })()`);
  return read.map(({ along, ...set }) => ({ ...set, rgb: Uint8Array.from(set.rgb), at: Uint16Array.from(set.at), ...(along ? { along: Uint16Array.from(along) } : {}) }));
}
