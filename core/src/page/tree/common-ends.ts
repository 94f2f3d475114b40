import type { Site } from '../../site/index.ts';

/** The site with the header and the footer of all pages on its first page, which may have others or none. */
export function withCommonEnds(site: Site): Site {
  const page = site.pages[site.pageOrder[0]!];
  if (!page || (page.header === undefined && page.footer === undefined && page.without === undefined)) return site;
  const { header: _header, footer: _footer, without: _without, ...common } = page;
  return { ...site, pages: { ...site.pages, [page.id]: common } };
}
