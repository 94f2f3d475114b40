import { readFile as readDisk } from 'node:fs/promises';
import { join } from 'node:path';
import {
  ICON_SIDES,
  inKeyOrder,
  MISSING_FILE,
  missingHtml,
  publishedPages,
  assetFile,
  deliveredFile,
  deliveredWidths,
  downloadFile,
  drawnColors,
  facesInUse,
  familiesInUse,
  siteFontsCss,
  iconFile,
  pageHtml,
  answerHtml,
  feedFile,
  feedOf,
  firstItem,
  itemPages,
  listPages,
  siteOfListPage,
  siteOfItem,
  formerAddresses,
  formerItemFiles,
  formsOf,
  itemRedirectHtml,
  recolor,
  redirectHtml,
  specimenHtml,
  stylesCss,
  writeTokensCss,
  webManifest,
  withoutFiles,
  writeDtcg,
  type FontFace,
  type Site,
} from '@yohaku/core';
import type { Isolated } from '../isolated/index.ts';
import type { Querier } from '../db/index.ts';
import { drawIcon, inWidths, readFile } from '../assets/index.ts';
import { breathing } from './breathing.ts';
import { ExportRefused } from './export-refused.ts';
import { sharingPictures } from './sharing.ts';

export interface ExportedFile {
  readonly bytes: Buffer;
  readonly type: string;
}
/** A whole static site: file name relative to its root, and content. */
export type ExportedSite = ReadonlyMap<string, ExportedFile>;

const HTML = 'text/html; charset=utf-8';
const CSS = 'text/css; charset=utf-8';

/** Where a shipped font file lies on disk. */
export function fontPath(root: string, family: string, file: string): string {
  return join(root, 'node_modules', '@fontsource', family, 'files', file);
}

/** The bytes of a face: from the library's package, or as they were brought along. */
export async function fontBytes(db: Querier, root: string, { family, file }: FontFace): Promise<Buffer | undefined> {
  if ('licence' in family) return readDisk(fontPath(root, family.id, file));
  const face = family.faces.find((entry) => file === `${family.id}-${entry.hash.slice(0, 16)}.woff2`);
  return face && (await readFile(db, face.hash))?.bytes;
}

/**
 * Returns all files of the static site: pages, styles, tokens, fonts in use,
 * pictures, specimen. Equal documents give the same bytes, whatever the order of
 * their keys; documents that differ give another `site.json`.
 */
export async function exportSite(db: Querier, apart: Isolated, given: Site, root: string): Promise<ExportedSite> {
  const site = inKeyOrder(given);
  const files = new Map<string, ExportedFile>();
  // No page offers a picture width that could not be made.
  const { missing, without } = await addPictures(db, apart, site, files);
  const text = (name: string, content: string, type: string) =>
    files.set(name, { bytes: Buffer.from(type === HTML ? withoutFiles(content, missing) : content), type });
  const breath = breathing();
  for (const [name, content, type] of textsOf(site)) {
    text(name, content, type);
    await breath();
  }
  for (const face of facesInUse(site)) {
    const bytes = await fontBytes(db, root, face);
    if (bytes) files.set(`fonts/${face.file}`, { bytes, type: 'font/woff2' });
    else without.push(`the font file ${face.file}`);
  }
  for (const family of familiesInUse(site.brand))
    if ('licence' in family)
      files.set(`fonts/${family.id}-licence.txt`, {
        bytes: await readDisk(join(root, 'node_modules', '@fontsource', family.id, 'LICENSE')),
        type: 'text/plain; charset=utf-8',
      });
  for (const [file, bytes] of await sharingPictures(apart, site, (face) => fontBytes(db, root, face)))
    files.set(file, { bytes, type: 'image/png' });
  for (const download of Object.values(site.downloads)) {
    const kept = await readFile(db, download.hash);
    if (kept)
      files.set(
        downloadFile(download),
        kept.type.startsWith('text/') ? { ...kept, type: `${kept.type}; charset=utf-8` } : kept,
      );
    else without.push(`the download “${download.name}”`);
  }
  // A site with missing files is not published.
  if (without.length > 0) throw new ExportRefused(without);
  const form = site.shared.logo?.forms[site.shared.logo.icon.form];
  const kept = form && (await readFile(db, site.assets[form.asset]!.hash));
  if (kept) {
    for (const side of ICON_SIDES)
      files.set(iconFile(side), { bytes: await drawIcon(apart, site, kept.bytes, side), type: 'image/png' });
    text('site.webmanifest', webManifest(site), 'application/manifest+json');
  }
  return files;
}

/** Adds the pictures of a site. @returns the files of widths that could not be made, and the names of missing files */
async function addPictures(
  db: Querier,
  apart: Isolated,
  site: Site,
  files: Map<string, ExportedFile>,
): Promise<{ missing: Set<string>; without: string[] }> {
  const missing = new Set<string>();
  const without: string[] = [];
  for (const asset of Object.values(site.assets)) {
    const kept = await readFile(db, asset.hash);
    if (!kept) {
      without.push(`the image “${asset.name}”`);
      continue;
    }
    const colors = drawnColors(asset, site.brand);
    const made = await inWidths(apart, asset, kept.bytes);
    for (const width of deliveredWidths(asset)) {
      const bytes = made.get(width);
      if (bytes) files.set(deliveredFile(asset, width), { bytes, type: 'image/webp' });
      else missing.add(deliveredFile(asset, width));
    }
    files.set(
      assetFile(asset, site.brand),
      colors.size > 0 ? { ...kept, bytes: Buffer.from(recolor(kept.bytes.toString('utf8'), colors)) } : kept,
    );
  }
  return { missing, without };
}

/** Yields every text file of a site in turn. */
function* textsOf(site: Site): Generator<readonly [name: string, content: string, type: string]> {
  // The address of an item page's template redirects to the first item.
  for (const id of site.pageOrder)
    yield [site.pages[id]!.file, firstItem(site, id) ? redirectHtml(site, site.pages[id]!) : pageHtml(site, id), HTML];
  for (const { page, number, file } of listPages(site))
    yield [file, pageHtml(siteOfListPage(site, page, number), page.id), HTML];
  for (const { collection, item, file } of itemPages(site))
    yield [file, pageHtml(siteOfItem(site, collection, item), collection.page!), HTML];
  for (const id of site.collectionOrder)
    yield [feedFile(site.collections[id]!), feedOf(site, site.collections[id]!), 'application/rss+xml; charset=utf-8'];
  for (const [file, page] of formerAddresses(site)) yield [file, redirectHtml(site, page), HTML];
  for (const [file, item] of formerItemFiles(site)) yield [file, itemRedirectHtml(site, item), HTML];
  for (const form of formsOf(site)) yield [form.file, answerHtml(site, form), HTML];
  if (publishedPages(site).some(({ kind }) => kind === 'missing')) yield [MISSING_FILE, missingHtml(site), HTML];
  yield ['specimen.html', specimenHtml(site), HTML];
  yield ['tokens.css', writeTokensCss(site.brand), CSS];
  yield ['styles.css', stylesCss(site), CSS];
  yield ['fonts.css', siteFontsCss(site, 'fonts/'), CSS];
  yield ['tokens.json', `${JSON.stringify(writeDtcg(site), null, 2)}\n`, 'application/json'];
  // The source document, which `audit` reads from an export.
  yield ['site.json', `${JSON.stringify(site)}\n`, 'application/json'];
}
