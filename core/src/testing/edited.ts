import { acceptChange, type Edit } from '../change/index.ts';
import type { Asset, Site } from '../site/index.ts';

/**
 * Returns a site after some edits, each made for the site that the edit before it left; an edit that is not offered is
 * skipped.
 */
export function edited(site: Site, ...makes: ((now: Site) => Edit | undefined)[]): Site {
  return makes.reduce((now, make) => {
    const edit = make(now);
    return edit ? acceptChange(now, edit).site : now;
  }, site);
}

/** Returns a picture of 100 by 60 px; the server has no file of it. */
export const testPicture = (id: string): Asset => ({
  id,
  name: `${id}.png`,
  hash: 'cd'.repeat(32),
  type: 'image/png',
  width: 100,
  height: 60,
});
