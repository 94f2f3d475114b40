import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import { extract } from 'tar-stream';
import { BackupRefused } from './format.ts';

/** Largest entry that is read into memory, bytes: a file that was sent, or some rows. */
const LARGEST = 256 * 1024 * 1024;

/** The entries of a backup in their order, each whole. @throws BackupRefused when the file is none, or cut off */
export async function* readEntries(file: string): AsyncGenerator<{ readonly name: string; readonly content: Buffer }> {
  const archive = extract();
  const read = pipeline(createReadStream(file), createGunzip(), archive).catch(
    (error: unknown) => error as NodeJS.ErrnoException,
  );
  try {
    for await (const entry of archive) {
      if ((entry.header.size ?? 0) > LARGEST)
        throw new BackupRefused(
          `${file} is not a backup of Yohaku: ${entry.header.name.slice(0, 60)} in it is too large.`,
        );
      const chunks: Buffer[] = [];
      for await (const chunk of entry) chunks.push(chunk as Buffer);
      yield { name: entry.header.name, content: Buffer.concat(chunks) };
    }
  } catch (error) {
    if (error instanceof BackupRefused) throw error;
    throw new BackupRefused(faultOf(file, error as NodeJS.ErrnoException), { cause: error });
  }
  const fault = await read;
  if (fault) throw new BackupRefused(faultOf(file, fault), { cause: fault });
}

function faultOf(file: string, error: NodeJS.ErrnoException): string {
  if (error.code === 'ENOENT') return `there is no file ${file}.`;
  if (error.code === 'EACCES' || error.code === 'EISDIR') return `${file} cannot be read (${error.code}).`;
  return `${file} is not a backup of Yohaku, or it is damaged or cut off. Nothing was changed; use another backup.`;
}
