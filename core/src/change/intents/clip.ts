import type { FromClip } from '../../sections/index.ts';
import type { Site } from '../../site/index.ts';
import { insertOp, type Edit } from './edit.ts';

/**
 * Lays a section in that was copied from another page or site, with the pictures and downloads it brings and what is
 * set on its places, behind another section or last.
 */
export function addClip(
  site: Site,
  page: string,
  { section, assets, downloads, values }: FromClip,
  after?: string | null,
): Edit {
  return {
    label: `${section.label} on ${site.pages[page]!.title}`,
    ops: [
      ...assets.map((asset) => insertOp(site, ['assets'], null, asset.id, asset)),
      ...downloads.map((download) => insertOp(site, ['downloads'], null, download.id, download)),
      insertOp(
        site,
        ['pages', page, 'sections'],
        ['pages', page, 'sectionOrder'],
        section.id,
        { id: section.id, own: section },
        after,
      ),
      ...values.map((value) => insertOp(site, ['pages', page, 'overrides'], null, value.id, value)),
    ],
  };
}
