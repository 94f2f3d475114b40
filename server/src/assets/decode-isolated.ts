import type { Asset } from '@yohaku/core';
import { decodePicture } from './picture.ts';

/** A picture as it is kept: its own bytes, or those of a drawing written anew. */
export interface KeptPicture {
  readonly bytes: Uint8Array;
  readonly type: Asset['type'];
  readonly width: number;
  readonly height: number;
}

/** Reads one picture that becomes part of a site. Runs in a process of its own. */
export async function decodeIsolated(sent: Uint8Array): Promise<KeptPicture> {
  const { bytes, type, width, height } = await decodePicture(sent);
  return { bytes, type, width, height };
}
