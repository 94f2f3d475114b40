import type { Section } from './section.ts';
import type { Page, Site } from './site.ts';

/** A section with its address in the document. */
export interface SectionAt { readonly section: Section; readonly at: readonly string[] }

/** Every section of a site: the footer, those that pages share, and each page's own. */
export function sectionsOf(site: Site): SectionAt[] {
  return [
    { section: site.shared.footer, at: ['shared', 'footer'] },
    ...Object.values(site.shared.sections).map((section) => ({ section, at: ['shared', 'sections', section.id] })),
    ...Object.values(site.pages).flatMap(ownSections),
  ];
}

/** A page's own sections. */
export function ownSections(page: Page): SectionAt[] {
  return Object.entries(page.sections).flatMap(([key, entry]) => ('own' in entry ? [{ section: entry.own, at: ['pages', page.id, 'sections', key, 'own'] }] : []));
}
