import type { FamilyKind, FamilyShape } from '@yohaku/core';
import type { Isolated, IsolatedLimits } from '../isolated/index.ts';
import { FontRefused } from './font-refused.ts';
import type { FontFile } from './read-font.ts';

/** A font that was taken apart: what it says, what it looks like, and the file that is kept. */
export interface OpenedFont {
  readonly read: FontFile;
  readonly looks: { readonly kind: FamilyKind; readonly shape: FamilyShape };
  readonly woff2: Uint8Array;
}

/** How long and in how much memory a font is taken apart; a file of 10 MB needs a small part of either. */
const FONT_APART: IsolatedLimits = { seconds: 60, megabytes: 1000 };

/**
 * Takes a font apart in a process of its own: a file made to have no end, or to
 * fill the memory, ends that and not the server.
 *
 * @throws FontRefused when it is none, broken, too large, or not done within the limits
 */
export async function openIsolated(
  apart: Isolated,
  bytes: Uint8Array,
  limits: IsolatedLimits = FONT_APART,
): Promise<OpenedFont> {
  const answer = await apart.run<OpenedFont>('font', bytes, limits, {
    tooLong: `The font could not be read within ${limits.seconds} seconds. It may be damaged. Export it again and drop the new file.`,
    tooMuch: 'The font is damaged: reading it takes too much memory. Export it again and drop the new file.',
  });
  if ('refused' in answer) throw new FontRefused(answer.refused);
  return answer.given;
}
