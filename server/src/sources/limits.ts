import { LIMITS } from '@yohaku/core';

/** The limits of one source, in bytes and counts. */
export const SOURCE_FILES = {
  /** A file as it is sent. */
  bytes: LIMITS.sourceBytes,
  /** A text or a style sheet. */
  text: 5 * 1024 * 1024,
  /** All files of an old site once unpacked, and how many. */
  unpacked: 80 * 1024 * 1024,
  files: 4000,
  /** All pieces of one site, and their bytes. */
  pieces: 2000,
  bytesOfSite: 2 * 1024 * 1024 * 1024,
} as const;

/** Why a source is refused, in one sentence. */
export class SourceRefused extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'SourceRefused';
  }
}
