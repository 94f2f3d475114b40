import { readFile as readDisk } from 'node:fs/promises';
import { join } from 'node:path';
import { ICON_SIDES, MISSING_FILE, missingHtml, publishedPages,  assetFile, deliveredFile, downloadFile, drawnColors, facesInUse, familiesInUse, siteFontsCss, iconFile, pageHtml, answerHtml, feedFile, feedOf, firstItem, itemPages, listPages, siteOfListPage, siteOfItem, formerAddresses, formsOf, recolor, redirectHtml, specimenHtml, stylesCss, writeTokensCss, webManifest, writeDtcg, type FontFace, type Site } from '@yohaku/core';
import type { Apart } from '../apart/index.ts';
import type { Querier } from '../db/index.ts';
import { drawIcon, inWidths, readFile } from '../assets/index.ts';
import { sharingPictures } from './sharing.ts';

export interface ExportedFile { readonly bytes: Buffer; readonly type: string }
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
  const face = family.faces.find((one) => file === `${family.id}-${one.hash.slice(0, 16)}.woff2`);
  return face && (await readFile(db, face.hash))?.bytes;
}

/** All files of the static site: pages, styles, tokens, fonts in use, pictures, specimen. The wall, the publication and the export are this. */
export async function exportSite(db: Querier, apart: Apart, site: Site, root: string): Promise<ExportedSite> {
  const files = new Map<string, ExportedFile>();
  const text = (name: string, content: string, type: string) => files.set(name, { bytes: Buffer.from(content), type });
  // A page that items have one like each is theirs: its own address leads on to the first of them.
  for (const id of site.pageOrder) text(site.pages[id]!.file, firstItem(site, id) ? redirectHtml(site, site.pages[id]!) : pageHtml(site, id), HTML);
  for (const { page, number, file } of listPages(site)) text(file, pageHtml(siteOfListPage(site, page, number), page.id), HTML);
  for (const { collection, item, file } of itemPages(site)) text(file, pageHtml(siteOfItem(site, collection, item), collection.page!), HTML);
  for (const id of site.collectionOrder) text(feedFile(site.collections[id]!), feedOf(site, site.collections[id]!), 'application/rss+xml; charset=utf-8');
  for (const [file, page] of formerAddresses(site)) text(file, redirectHtml(site, page), HTML);
  for (const form of formsOf(site)) text(form.file, answerHtml(site, form), HTML);
  if (publishedPages(site).some(({ kind }) => kind === 'missing')) text(MISSING_FILE, missingHtml(site), HTML);
  text('specimen.html', specimenHtml(site), HTML);
  text('tokens.css', writeTokensCss(site.brand), CSS);
  text('styles.css', stylesCss(site), CSS);
  text('fonts.css', siteFontsCss(site, 'fonts/'), CSS);
  text('tokens.json', `${JSON.stringify(writeDtcg(site), null, 2)}\n`, 'application/json');
  // The document all of it was made from: what `audit` reads an export by.
  text('site.json', `${JSON.stringify(site)}\n`, 'application/json');
  for (const face of facesInUse(site)) {
    const bytes = await fontBytes(db, root, face);
    if (bytes) files.set(`fonts/${face.file}`, { bytes, type: 'font/woff2' });
  }
  for (const family of familiesInUse(site.brand))
    if ('licence' in family) files.set(`fonts/${family.id}-licence.txt`, { bytes: await readDisk(join(root, 'node_modules', '@fontsource', family.id, 'LICENSE')), type: 'text/plain; charset=utf-8' });
  for (const asset of Object.values(site.assets)) {
    const kept = await readFile(db, asset.hash);
    if (!kept) continue;
    const colors = drawnColors(asset, site.brand);
    for (const [width, bytes] of await inWidths(apart, asset, kept.bytes)) files.set(deliveredFile(asset, width), { bytes, type: 'image/webp' });
    files.set(assetFile(asset, site.brand), colors.size > 0 ? { ...kept, bytes: Buffer.from(recolor(kept.bytes.toString('utf8'), colors)) } : kept);
  }
  for (const [file, bytes] of await sharingPictures(apart, site, (face) => fontBytes(db, root, face))) files.set(file, { bytes, type: 'image/png' });
  for (const one of Object.values(site.downloads)) {
    const kept = await readFile(db, one.hash);
    if (kept) files.set(downloadFile(one), kept.type.startsWith('text/') ? { ...kept, type: `${kept.type}; charset=utf-8` } : kept);
  }
  const form = site.shared.logo?.forms[site.shared.logo.icon.form];
  const kept = form && (await readFile(db, site.assets[form.asset]!.hash));
  if (kept) {
    for (const side of ICON_SIDES) files.set(iconFile(side), { bytes: await drawIcon(apart, site, kept.bytes, side), type: 'image/png' });
    text('site.webmanifest', webManifest(site), 'application/manifest+json');
  }
  return files;
}
