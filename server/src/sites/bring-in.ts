import { inArray } from 'drizzle-orm';
import { LIMITS, downloadFile, jsonEqual, readAssetFile, type Asset, type Brought, type Site } from '@yohaku/core';
import type { Isolated } from '../isolated/index.ts';
import type { ArchiveLimits } from '../archive/index.ts';
import { DownloadRefused, keepDownload, storeFile, type KeptPicture } from '../assets/index.ts';
import { schema, type Database, type Querier } from '../db/index.ts';
import { FontRefused, openIsolated } from '../fonts/index.ts';
import { hasSite } from './load.ts';
import type { SiteOrder, SiteRead } from './read-site-isolated.ts';
import { insertSite } from './rows.ts';
import { SiteRefused, idTaken } from './site-refused.ts';

/** The limits of an exported site: as sent, and unpacked. */
export const SITE_FILES = {
  bytes: LIMITS.siteFileBytes,
  archive: { unpacked: 300 * 1024 * 1024, files: 20_000 } satisfies ArchiveLimits,
} as const;

const ROOM = { seconds: 60, megabytes: 1500 };
const TOO_MUCH =
  'The site takes too long, or too much memory, to be read. Import the site with ./yohaku import from its folder.';

/**
 * Brings an exported site in under an id of its own: from its zip, or from its
 * `site.json` alone where its pictures and fonts are kept here already.
 * @throws SiteRefused with a sentence, and the issues where the document is wrong; nothing is kept then
 */
export async function bringIn(
  database: Database,
  apart: Isolated,
  bytes: Buffer,
  id: string,
  name?: string,
): Promise<Brought> {
  if (bytes.subarray(0, 4).equals(Buffer.from([0x50, 0x4b, 3, 4]))) {
    const answer = await apart.run<Map<string, Uint8Array>>('site', { bytes, limits: SITE_FILES.archive }, ROOM, {
      tooLong: TOO_MUCH,
      tooMuch: TOO_MUCH,
    });
    if ('refused' in answer) throw new SiteRefused(answer.refused);
    return bringFiles(database, apart, answer.given, id, name);
  }
  return bringFiles(database, apart, new Map([['site.json', bytes]]), id, name);
}

/**
 * The same from the files of an export: `site.json`, `images/`, `fonts/`.
 * @throws SiteRefused
 */
export async function bringFiles(
  database: Database,
  apart: Isolated,
  files: ReadonlyMap<string, Uint8Array>,
  id: string,
  name?: string,
): Promise<Brought> {
  if (await hasSite(database.db, id)) throw idTaken(id);
  const bytes = files.get('site.json');
  if (!bytes)
    throw new SiteRefused(
      'This contains no site.json. Import a site as Yohaku exports it: its ZIP, its folder, or its site.json.',
    );
  const notes: string[] = [];
  const site = await read(apart, { bytes, with: { id, ...(name === undefined ? {} : { name }) } });
  return database.db.transaction(async (tx) => {
    const assets = await bringPictures(tx, apart, site, files, notes);
    const downloads = await bringDownloads(tx, site, files);
    const fonts = await bringFonts(tx, apart, site, files, notes);
    // Read once more where something became of pictures and fonts: that must fit as well.
    const made = { ...site, assets, downloads, brand: fonts === undefined ? site.brand : { ...site.brand, fonts } };
    const whole = jsonEqual(made, site) ? site : await read(apart, { document: made, with: {} });
    await insertSite(tx, whole);
    return { id, name: whole.name, pages: whole.pageOrder.length, notes };
  });
}

/** Reads a document in another process. @throws SiteRefused */
async function read(apart: Isolated, order: SiteOrder): Promise<Site> {
  const answer = await apart.run<SiteRead>('document', order, ROOM, { tooLong: TOO_MUCH, tooMuch: TOO_MUCH });
  if ('refused' in answer) throw new SiteRefused(answer.refused);
  if ('problem' in answer.given) throw new SiteRefused(answer.given.problem, answer.given.issues);
  return answer.given.site;
}

async function keptTypes(tx: Querier, hashes: readonly string[]): Promise<Map<string, string>> {
  const { files } = schema;
  const kept = new Map<string, string>();
  for (let at = 0; at < hashes.length; at += 500)
    for (const row of await tx
      .select({ hash: files.hash, type: files.type })
      .from(files)
      .where(inArray(files.hash, hashes.slice(at, at + 500))))
      kept.set(row.hash, row.type);
  return kept;
}

/** Pictures are taken from here where they are kept, else from the export, read like any file that is sent. */
async function bringPictures(
  tx: Querier,
  apart: Isolated,
  site: Site,
  files: ReadonlyMap<string, Uint8Array>,
  notes: string[],
): Promise<Record<string, Asset>> {
  const kept = await keptTypes(
    tx,
    Object.values(site.assets).map((asset) => asset.hash),
  );
  const missing: string[] = [];
  const made: Record<string, Asset> = {};
  for (const asset of Object.values(site.assets)) {
    if (kept.get(asset.hash) === asset.type) {
      made[asset.id] = asset;
      continue;
    }
    // Its own bytes, and none of the widths it went out in.
    const found = [...files].find(
      ([file]) => file.startsWith(`images/${asset.id}-${asset.hash.slice(0, 10)}`) && !/-w\d+\.webp$/.test(file),
    );
    if (!found) {
      missing.push(asset.name);
      continue;
    }
    const told = {
      tooLong: `The image ${asset.name} takes too long to be read.`,
      tooMuch: `The image ${asset.name} takes too much memory to be read.`,
    };
    const answer = await apart.run<KeptPicture>('picture', found[1], ROOM, told);
    if ('refused' in answer) throw new SiteRefused(`${found[0]}: ${answer.refused}`);
    const { bytes, type, width, height } = answer.given;
    const hash = await storeFile(tx, Buffer.from(bytes), type);
    // A drawing that follows the brand was exported in its colours of that day: those are what follows from now on.
    const painted = readAssetFile(found[0])?.colors;
    const bound =
      asset.bound && painted
        ? Object.fromEntries(Object.entries(asset.bound).map(([from, swatch]) => [painted.get(from) ?? from, swatch]))
        : asset.bound;
    made[asset.id] = { ...asset, hash, type, width, height, ...(bound ? { bound } : {}) };
  }
  if (missing.length > 0)
    throw new SiteRefused(
      `${missing.length === 1 ? 'The image' : `${missing.length} images`} ${missing.slice(0, 3).join(', ')}${missing.length > 3 ? ' and others' : ''} ${missing.length === 1 ? 'is' : 'are'} neither on this server nor in the import. Import the whole export, as its ZIP or its folder.`,
    );
  if (files.size === 1 && Object.keys(made).length > 0) notes.push('Its images are already on this server.');
  return made;
}

/**
 * Downloads are taken from here where they are kept, else from the export, and looked into like any file that is sent.
 */
async function bringDownloads(
  tx: Querier,
  site: Site,
  files: ReadonlyMap<string, Uint8Array>,
): Promise<Site['downloads']> {
  const kept = await keptTypes(
    tx,
    Object.values(site.downloads).map((download) => download.hash),
  );
  const made: Site['downloads'] = {};
  for (const download of Object.values(site.downloads)) {
    const found = kept.get(download.hash) === download.type ? undefined : files.get(downloadFile(download));
    if (!found && kept.get(download.hash) !== download.type)
      throw new SiteRefused(
        `The download ${download.name} is neither on this server nor in the import. Import the whole export, as its ZIP or its folder.`,
      );
    try {
      made[download.id] = found
        ? { ...download, ...(await keepDownload(tx, downloadFile(download), Buffer.from(found))) }
        : download;
    } catch (error) {
      throw error instanceof DownloadRefused ? new SiteRefused(error.message) : error;
    }
  }
  return made;
}

/** An export has only the faces that are used: families without any are left out, unless the brand is set in them. */
async function bringFonts(
  tx: Querier,
  apart: Isolated,
  site: Site,
  files: ReadonlyMap<string, Uint8Array>,
  notes: string[],
): Promise<NonNullable<Site['brand']['fonts']> | undefined> {
  const { fonts, families } = site.brand;
  if (!fonts) return undefined;
  const kept = await keptTypes(
    tx,
    Object.values(fonts).flatMap((family) => family.faces.map((face) => face.hash)),
  );
  const made: NonNullable<Site['brand']['fonts']> = {};
  for (const family of Object.values(fonts)) {
    const faces: typeof family.faces = [];
    for (const face of family.faces) {
      if (kept.get(face.hash) === 'font/woff2') faces.push(face);
      else {
        const bytes = files.get(`fonts/${family.id}-${face.hash.slice(0, 16)}.woff2`);
        if (bytes)
          faces.push({
            ...face,
            hash: await storeFile(tx, Buffer.from((await openFont(apart, face.file, bytes)).woff2), 'font/woff2'),
          });
      }
    }
    if (faces.length > 0) made[family.id] = { ...family, faces };
    else if (families.heading === family.id || families.body === family.id)
      throw new SiteRefused(
        `The font ${family.name} is neither on this server nor in the import. Import the whole export, as its ZIP or its folder.`,
      );
    else
      notes.push(`The family ${family.name}, which no text uses, was not imported: its files are not in the export.`);
  }
  return made;
}

async function openFont(apart: Isolated, file: string, bytes: Uint8Array) {
  try {
    return await openIsolated(apart, bytes);
  } catch (error) {
    throw error instanceof FontRefused ? new SiteRefused(`${file}: ${error.message}`) : error;
  }
}
