import { API, homePage, pageHtml, readAssetFile, recolor, specimenHtml } from '@yohaku/core';
import { sourceByHash } from '../../sources/index.ts';
import { loadSite } from '../../sites/index.ts';
import { readFile } from '../../assets/index.ts';
import { fontBytes, sharingPicture } from '../../publish/index.ts';
import { notFound } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

const SHELL =
  '<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Page</title></head><body></body></html>\n';
const HTML = 'text/html; charset=utf-8';

/** The empty page that the wall fills, and the pictures shown in it. */
export function frameRoutes({ database, apart, root }: Services): Route[] {
  return [
    route(API.frame.shell, ({ context }) => {
      context.type = HTML;
      context.set('Cache-Control', 'private, max-age=3600');
      context.body = SHELL;
    }),
    route(API.frame.specimen, async ({ context, params }) => {
      const stored = await loadSite(database, params.site);
      if (!stored) throw notFound('The site');
      context.type = HTML;
      context.set('Cache-Control', 'no-store');
      context.body = specimenHtml(stored.site, '/fonts/');
    }),
    route(API.frame.first, async ({ context, params }) => {
      const stored = await loadSite(database, params.site);
      if (!stored) throw notFound('The site');
      context.type = HTML;
      context.set('Cache-Control', 'no-store');
      context.body = pageHtml(
        stored.site,
        (homePage(stored.site) ?? stored.site.pages[stored.site.pageOrder[0]!]!).id,
        '/fonts/',
      );
    }),
    route(API.frame.sharing, async ({ context, params }) => {
      const stored = await loadSite(database, params.site);
      const page = stored && Object.hasOwn(stored.site.pages, params.page) ? stored.site.pages[params.page] : undefined;
      const bytes =
        stored && page
          ? await sharingPicture(apart, stored.site, page.id, (face) => fontBytes(database.db, root, face))
          : undefined;
      if (!bytes) throw notFound('The image');
      context.type = 'image/png';
      context.set('Cache-Control', 'no-store');
      context.body = bytes;
    }),
    route(API.frame.image, async ({ context, params }) => {
      const name = readAssetFile(params.file);
      if (!name) throw notFound('The image');
      const stored = await loadSite(database, params.site);
      const asset = Object.values(stored?.site.assets ?? {}).find((entry) => entry.hash.startsWith(name.start));
      const hash = asset?.hash ?? (await sourceByHash(database, params.site, name.start));
      const file = hash ? await readFile(database.db, hash) : undefined;
      if (!file) throw notFound('The image');
      context.type = file.type;
      context.set('Cache-Control', 'private, max-age=31536000, immutable');
      context.body = file.type === 'image/svg+xml' ? recolor(file.bytes.toString('utf8'), name.colors) : file.bytes;
    }),
  ];
}
