import { readEvidence, type ReadEvidence } from './read.ts';

/** Reads a piece of evidence. Runs in a process of its own. */
export function readEvidenceApart({ name, bytes }: { readonly name: string; readonly bytes: Uint8Array }): Promise<ReadEvidence> {
  return readEvidence(name, Buffer.from(bytes));
}
