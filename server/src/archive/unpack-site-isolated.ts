import { unpack, type ArchiveFault, type ArchiveLimits } from './unpack.ts';

/** A file of an exported site that is needed to have it again. */
export const isSiteFile = (name: string): boolean =>
  name === 'site.json' ||
  /^(images|fonts|downloads)\/[A-Za-z0-9._-]+\.(svg|png|jpg|webp|woff2|pdf|zip|csv|ics|txt)$/.test(name);

class ArchiveRefused extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'ArchiveRefused';
  }
}

/** The files of an exported site in a zip. Runs in a process of its own. */
export async function unpackSiteIsolated({
  bytes,
  limits,
}: {
  readonly bytes: Uint8Array;
  readonly limits: ArchiveLimits;
}): Promise<Map<string, Uint8Array>> {
  const unpacked = unpack(bytes, limits, isSiteFile);
  if ('fault' in unpacked) throw new ArchiveRefused(faultWords(unpacked.fault, limits));
  return new Map(unpacked.files);
}

function faultWords(fault: ArchiveFault, limits: ArchiveLimits): string {
  switch (fault.kind) {
    case 'broken':
      return 'The archive is broken. Export the site again and import that file.';
    case 'files':
      return `The archive holds more than ${limits.files} files; an exported site does not. Import the ZIP as it was exported.`;
    case 'unpacked':
      return `The archive holds more than ${limits.unpacked / 1024 / 1024} MB once unpacked. Import the site with ./yohaku import from its folder.`;
    case 'outside':
      return `The archive holds a path that leads outside it (${fault.name.slice(0, 60)}). Nothing was read.`;
    case 'file':
      return `${fault.name.slice(0, 80)} in the archive is broken. Export the site again and import that file.`;
  }
}
