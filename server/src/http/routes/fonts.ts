import { readFile as readDisk } from 'node:fs/promises';
import { API, LIBRARY, facesOf, twinFileNames } from '@yohaku/core';
import { findFile } from '../../assets/index.ts';
import { FontRefused, takeFont } from '../../fonts/index.ts';
import { fontPath } from '../../publish/index.ts';
import { notFound } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/** Fonts in, and out to the wall: the library's by file, brought ones by the start of their hash. */
export function fontRoutes({ database, apart, root }: Services): Route[] {
  const faces = new Map([
    ...twinFileNames(),
    ...LIBRARY.flatMap((family) => facesOf(family).map((face) => [face.file, family.id] as const)),
  ]);
  return [
    route(API.fonts.read, async ({ query, bytes }) => {
      try {
        return await takeFont(database.db, apart, query.name, bytes);
      } catch (error) {
        // A file that is no font is an answer, not a failure.
        if (!(error instanceof FontRefused)) throw error;
        return { refused: error.message };
      }
    }),
    route(API.fonts.file, async ({ context, params }) => {
      const file = params.file;
      const family = faces.get(file);
      const start = /-([0-9a-f]{16})\.woff2$/.exec(file)?.[1];
      const bytes = family
        ? await readDisk(fontPath(root, family, file))
        : start
          ? await findFile(database.db, start, 'font/woff2')
          : undefined;
      if (!bytes) throw notFound('The font');
      context.type = 'font/woff2';
      context.set('Cache-Control', 'private, max-age=31536000, immutable');
      context.body = bytes;
    }),
  ];
}
