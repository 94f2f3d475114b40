import { readSource, type ReadSource } from './read.ts';

/** Reads a source. Runs in a process of its own. */
export function readSourceIsolated({
  name,
  bytes,
}: {
  readonly name: string;
  readonly bytes: Uint8Array;
}): Promise<ReadSource> {
  return readSource(name, Buffer.from(bytes));
}
