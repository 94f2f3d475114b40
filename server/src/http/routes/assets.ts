import type Router from '@koa/router';
import getRawBody from 'raw-body';
import { extractPalette, hex } from '@yohaku/core';
import { PICTURE_LIMITS, decodePicture, storeFile } from '../../assets/index.ts';
import { Problem } from '../problem.ts';
import type { Services } from '../context.ts';

/** Pictures in: kept by content, answered with their palette. */
export function assetRoutes(router: Router, { database }: Services): void {
  router.post('/api/pictures', async (context) => {
    const bytes = await getRawBody(context.req, { limit: PICTURE_LIMITS.bytes }).catch((error: { status?: number }) => {
      throw error.status === 413 ? new Problem(413, 'Too large', 'The file is over 20 MB. Make it smaller and drop it again.') : error;
    });
    const picture = await decodePicture(bytes);
    const hash = await storeFile(database.db, bytes, picture.type);
    context.body = {
      hash, type: picture.type, width: picture.width, height: picture.height,
      palette: extractPalette(picture.pixels, 10).map(({ rgb, share, role }) => ({ hex: hex(rgb), share, role })),
    };
  });
}
