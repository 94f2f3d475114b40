import type Router from '@koa/router';
import { readAssetFile, recolor, specimenHtml } from '@yohaku/core';
import { evidenceByHash } from '../../evidence/index.ts';
import { loadSite } from '../../sites/index.ts';
import { readFile } from '../../assets/index.ts';
import { notFound } from '../problem.ts';
import type { Services } from '../context.ts';

const SHELL = '<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Page</title></head><body></body></html>\n';

/** The empty page that the wall fills, and the pictures shown in it. */
export function frameRoutes(router: Router, { database }: Services): void {
  router.get('/frame/:site/', (context) => {
    context.type = 'text/html; charset=utf-8';
    context.set('Cache-Control', 'private, max-age=3600');
    context.body = SHELL;
  });

  // The specimen by itself, to be printed: as it stands now, published or not.
  router.get('/frame/:site/specimen.html', async (context) => {
    const stored = await loadSite(database, context.params['site']!);
    if (!stored) throw notFound('The site');
    context.type = 'text/html; charset=utf-8';
    context.set('Cache-Control', 'no-store');
    context.body = specimenHtml(stored.site, '/fonts/');
  });

  router.get('/frame/:site/images/:file', async (context) => {
    const stored = await loadSite(database, context.params['site']!);
    const name = readAssetFile(context.params['file']!);
    if (!name) throw notFound('The picture');
    const asset = Object.values(stored?.site.assets ?? {}).find((one) => one.hash.startsWith(name.start));
    const hash = asset?.hash ?? (await evidenceByHash(database, context.params['site']!, name.start));
    const file = hash ? await readFile(database.db, hash) : undefined;
    if (!file) throw notFound('The picture');
    context.type = file.type;
    context.set('Cache-Control', 'private, max-age=31536000, immutable');
    context.body = file.type === 'image/svg+xml' ? recolor(file.bytes.toString('utf8'), name.colors) : file.bytes;
  });
}
