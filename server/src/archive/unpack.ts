import { Unzip, UnzipInflate } from 'fflate';

/** The limits of an archive, counted while it is unpacked: its own figures are not trusted. */
export interface ArchiveLimits {
  /** Bytes of all wanted files once unpacked. */
  readonly unpacked: number;
  readonly files: number;
}

/** Why an archive was given up. */
export type ArchiveFault =
  { readonly kind: 'broken' | 'files' | 'unpacked' } | { readonly kind: 'outside' | 'file'; readonly name: string };

export interface Unpacked {
  /** The wanted files in the order of their names. */
  readonly files: ReadonlyMap<string, Uint8Array>;
  /** Names of the others. */
  readonly left: readonly string[];
}

/**
 * Unpacks the wanted files of a zip, in pieces, so that one that swells is stopped
 * on the way. Paths that lead outside it are a fault, not a file.
 */
export function unpack(
  bytes: Uint8Array,
  limits: ArchiveLimits,
  isWanted: (name: string) => boolean,
): Unpacked | { readonly fault: ArchiveFault } {
  const parts = new Map<string, Uint8Array[]>();
  const left: string[] = [];
  let total = 0;
  let count = 0;
  let fault: ArchiveFault | undefined;
  const unzip = new Unzip((file) => {
    if (fault) return;
    const name = file.name.replaceAll('\\', '/');
    if (name.startsWith('/') || /^[a-z]:/i.test(name) || name.split('/').includes('..'))
      fault = { kind: 'outside', name };
    else if (!name.endsWith('/') && ++count > limits.files) fault = { kind: 'files' };
    if (fault || name.endsWith('/')) return;
    if (!isWanted(name)) {
      left.push(name);
      return;
    }
    // Of two files of one name the first counts.
    if (parts.has(name)) return;
    const chunks: Uint8Array[] = [];
    parts.set(name, chunks);
    file.ondata = (error, chunk) => {
      if (error) fault ??= { kind: 'file', name };
      if (fault) return;
      total += chunk.length;
      if (total > limits.unpacked) {
        fault = { kind: 'unpacked' };
        file.terminate();
        return;
      }
      chunks.push(chunk);
    };
    try {
      file.start();
    } catch {
      // Packed in a way that no reader here knows.
      fault = { kind: 'file', name };
    }
  });
  unzip.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length && !fault; at += 65_536)
      unzip.push(bytes.subarray(at, at + 65_536), at + 65_536 >= bytes.length);
  } catch {
    fault ??= { kind: 'broken' };
  }
  if (fault) return { fault };
  return {
    files: new Map(
      [...parts]
        .sort(([name], [other]) => (name < other ? -1 : 1))
        .map(([name, chunks]) => [name, new Uint8Array(Buffer.concat(chunks))]),
    ),
    left,
  };
}
