import { referencesByTarget, referencesTo, type Download, type Site } from '../../site/index.ts';
import { ChangeRefused } from '../refused.ts';
import { insertOp, redirectOp, removeOp, type Edit } from './edit.ts';
import { usedWhere } from './pictures.ts';

/** Takes a file in for visitors to download; undefined for one whose very bytes the site has. */
export function addDownload(site: Site, download: Download): Edit | undefined {
  return sameDownload(site, download.hash)
    ? undefined
    : { label: `Add download ${download.name}`, ops: [insertOp(site, ['downloads'], null, download.id, download)] };
}

/** The download of some bytes, by their hash. */
export const sameDownload = (site: Site, hash: string): Download | undefined =>
  Object.values(site.downloads).find((download) => download.hash === hash);

/** A download with how often something leads to it, and where. */
export interface KeptDownload {
  readonly download: Download;
  readonly uses: number;
  readonly where: readonly string[];
}

/** All downloads of a site, by name. */
export function keptDownloads(site: Site): KeptDownload[] {
  const references = referencesByTarget(site, 'download');
  return Object.values(site.downloads)
    .map((download) => ({ download, ...usedWhere(site, references.get(download.id) ?? []) }))
    .sort(
      (entry, other) =>
        entry.download.name.localeCompare(other.download.name) || (entry.download.id < other.download.id ? -1 : 1),
    );
}

/** Leads to another download wherever something leads to one. */
export function replaceDownload(site: Site, from: string, to: string): Edit {
  return {
    label: `${site.downloads[to]!.name} for ${site.downloads[from]!.name}`,
    ops: [redirectOp('download', from, to)],
  };
}

/** Deletes a download that nothing leads to. @throws ChangeRefused while something does */
export function removeDownload(site: Site, id: string): Edit {
  const uses = referencesTo(site, 'download', id).length;
  if (uses > 0)
    throw new ChangeRefused(
      'in-use',
      `${uses === 1 ? 'A link leads' : `${uses} links lead`} to ${site.downloads[id]!.name}. Change those links first.`,
    );
  return { label: `Delete download ${site.downloads[id]!.name}`, ops: [removeOp(site, ['downloads'], null, id)] };
}
