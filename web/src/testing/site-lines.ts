import type { LoadedSite, SiteLine } from '@yohaku/core';

/** A site as the server sends it, line by line. */
export function siteLines({ site, ...about }: LoadedSite): string {
  const lines: SiteLine[] = [
    { head: { ...about, site: { ...site, pages: {} } }, pages: site.pageOrder.length },
    ...site.pageOrder.map((id) => ({ page: site.pages[id]! })),
    { whole: true },
  ];
  return lines.map((line) => `${JSON.stringify(line)}\n`).join('');
}
