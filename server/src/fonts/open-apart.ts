import { fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import type { FamilyKind, FamilyShape } from '@yohaku/core';
import { FontRefused } from './font-refused.ts';
import type { FontFile } from './read-font.ts';

/** A font that was taken apart: what it says, what it looks like, and the file that is kept. */
export interface OpenedFont { readonly read: FontFile; readonly looks: { readonly kind: FamilyKind; readonly shape: FamilyShape }; readonly woff2: Uint8Array }

export type FontAnswer = OpenedFont | { readonly refused: string } | { readonly failed: string };

/** How long and in how much memory a font is taken apart; a file of 10 MB needs a small part of either. */
const APART_LIMITS = { seconds: 60, megabytes: 768 };

// Built beside the server, or the source where the server runs from that.
const fromSource = import.meta.url.endsWith('.ts');
const ENTRY = fileURLToPath(new URL(fromSource ? './font-reader.ts' : './font-reader.mjs', import.meta.url));

/**
 * Takes a font apart in a process of its own: a file made to have no end, or to
 * fill the memory, ends that and not the server. (A thread is not enough: one
 * that runs out of memory takes the whole of Node.js with it.)
 *
 * @throws FontRefused when it is none, broken, too large, or not done within the limits
 */
export async function openApart(bytes: Uint8Array, limits: { readonly seconds: number; readonly megabytes: number } = APART_LIMITS): Promise<OpenedFont> {
  const execArgv = [`--max-old-space-size=${limits.megabytes}`, ...(fromSource ? ['--import', import.meta.resolve('tsx')] : [])];
  const reader = fork(ENTRY, { execArgv, serialization: 'advanced', stdio: ['ignore', 'ignore', 'ignore', 'ipc'] });
  let timer: NodeJS.Timeout | undefined;
  try {
    const answer = await new Promise<FontAnswer>((resolve, reject) => {
      timer = setTimeout(() => reject(new FontRefused(`The font could not be read within ${limits.seconds} seconds: something in it has no end. Export it again and drop the new file.`)), limits.seconds * 1000);
      reader.once('message', (found: FontAnswer) => resolve(found));
      reader.once('error', reject);
      reader.once('exit', () => reject(new FontRefused('The font is damaged: to read it takes more memory than any font does. Export it again and drop the new file.')));
      reader.send(bytes, (error) => error && reject(error));
    });
    if ('refused' in answer) throw new FontRefused(answer.refused);
    if ('failed' in answer) throw new Error(answer.failed);
    return answer;
  } finally {
    clearTimeout(timer);
    reader.kill('SIGKILL');
  }
}
