import { LIMITS } from '@yohaku/core';

/** What one piece of evidence may be, in bytes and counts. */
export const EVIDENCE_FILES = {
  /** A file as it is sent. */
  bytes: LIMITS.evidenceBytes,
  /** A text or a style sheet. */
  text: 5 * 1024 * 1024,
  /** All files of an old site once unpacked, and how many. */
  unpacked: 80 * 1024 * 1024,
  files: 4000,
  /** All pieces of one site, and their bytes. */
  pieces: 2000,
  bytesOfSite: 2 * 1024 * 1024 * 1024,
} as const;

/** Why a piece of evidence is refused, in one sentence. */
export class EvidenceRefused extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'EvidenceRefused';
  }
}
