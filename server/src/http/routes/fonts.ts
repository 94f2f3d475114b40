import { readFile as readDisk } from 'node:fs/promises';
import type Router from '@koa/router';
import getRawBody from 'raw-body';
import * as v from 'valibot';
import { LIBRARY, facesOf } from '@yohaku/core';
import { findFile } from '../../assets/index.ts';
import { FONT_LIMITS, FontRefused, takeFont } from '../../fonts/index.ts';
import { fontPath } from '../../publish/index.ts';
import { readInput } from '../input.ts';
import { Problem, notFound } from '../problem.ts';
import type { Services } from '../context.ts';

const Sent = v.object({ name: v.pipe(v.string(), v.trim(), v.minLength(1, 'must not be empty'), v.maxLength(200, 'must have at most 200 characters')) });

/** Fonts in, and out to the wall: the library's by file, brought ones by the start of their hash. */
export function fontRoutes(router: Router, { database, root }: Services): void {
  router.post('/api/fonts', async (context) => {
    const { name } = readInput(Sent, { ...context.query });
    const bytes = await getRawBody(context.req, { limit: FONT_LIMITS.bytes }).catch((error: { status?: number }) => {
      throw error.status === 413 ? new Problem(413, 'Too large', `The file is over ${FONT_LIMITS.bytes / 1024 / 1024} MB. Export the font with fewer characters and drop that.`) : error;
    });
    try {
      context.body = await takeFont(database.db, name, bytes);
    } catch (error) {
      // A file that is no font is an answer, not a failure.
      if (!(error instanceof FontRefused)) throw error;
      context.body = { refused: error.message };
    }
  });

  const faces = new Map(LIBRARY.flatMap((family) => facesOf(family).map((face) => [face.file, family.id] as const)));
  router.get('/fonts/:file', async (context) => {
    const file = context.params['file']!;
    const family = faces.get(file);
    const start = /-([0-9a-f]{16})\.woff2$/.exec(file)?.[1];
    const bytes = family ? await readDisk(fontPath(root, family, file)) : start ? await findFile(database.db, start, 'font/woff2') : undefined;
    if (!bytes) throw notFound('The font');
    context.type = 'font/woff2';
    context.set('Cache-Control', 'private, max-age=31536000, immutable');
    context.body = bytes;
  });
}
