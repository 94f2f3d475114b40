import { readFile as readDisk } from 'node:fs/promises';
import * as v from 'valibot';
import { LIBRARY, facesOf } from '@yohaku/core';
import { findFile } from '../../assets/index.ts';
import { FONT_LIMITS, FontRefused, takeFont } from '../../fonts/index.ts';
import { fontPath } from '../../publish/index.ts';
import { SentName } from '../mount.ts';
import { notFound } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/** Fonts in, and out to the wall: the library's by file, brought ones by the start of their hash. */
export function fontRoutes({ database, apart, root }: Services): Route[] {
  const faces = new Map(LIBRARY.flatMap((family) => facesOf(family).map((face) => [face.file, family.id] as const)));
  return [
    route({
      method: 'post', path: '/api/fonts', summary: 'Read a font file and keep it as woff2; the body is the file', query: v.object({ name: SentName }),
      upload: { bytes: FONT_LIMITS.bytes, tooLarge: `The file is over ${FONT_LIMITS.bytes / 1024 / 1024} MB. Export the font with fewer characters and drop that.` },
      async handle({ context, query, bytes }) {
        try {
          context.body = await takeFont(database.db, apart, query.name, bytes);
        } catch (error) {
          // A file that is no font is an answer, not a failure.
          if (!(error instanceof FontRefused)) throw error;
          context.body = { refused: error.message };
        }
      },
    }),
    route({
      // Open: published pages show them, and so does the desk before anybody has signed in.
      method: 'get', path: '/fonts/:file', summary: 'A font file', open: true,
      async handle({ context, params }) {
        const file = params['file']!;
        const family = faces.get(file);
        const start = /-([0-9a-f]{16})\.woff2$/.exec(file)?.[1];
        const bytes = family ? await readDisk(fontPath(root, family, file)) : start ? await findFile(database.db, start, 'font/woff2') : undefined;
        if (!bytes) throw notFound('The font');
        context.type = 'font/woff2';
        context.set('Cache-Control', 'private, max-age=31536000, immutable');
        context.body = bytes;
      },
    }),
  ];
}
