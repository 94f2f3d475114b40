import type { Section, Site } from '../../site/index.ts';

/** Every section of a site with its address: the footer, those that pages share, and each page's own. */
export function sectionsOf(site: Site): { readonly section: Section; readonly at: readonly string[] }[] {
  return [
    { section: site.shared.footer, at: ['shared', 'footer'] },
    ...Object.values(site.shared.sections).map((section) => ({ section, at: ['shared', 'sections', section.id] })),
    ...Object.values(site.pages).flatMap((page) => Object.entries(page.sections).flatMap(([key, entry]) => ('own' in entry ? [{ section: entry.own, at: ['pages', page.id, 'sections', key, 'own'] }] : []))),
  ];
}
