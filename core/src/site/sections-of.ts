import type { Section } from './section.ts';
import { sectionOf, type Page, type SectionEntry, type Site } from './site.ts';

/** A section with its address in the document. */
export interface SectionAt {
  readonly section: Section;
  readonly at: readonly string[];
}

/** Every section of a site: the footer, those that pages share, and each page's own. */
export function sectionsOf(site: Site): SectionAt[] {
  return [
    { section: site.shared.footer, at: ['shared', 'footer'] },
    ...Object.values(site.shared.sections).map((section) => ({ section, at: ['shared', 'sections', section.id] })),
    ...Object.values(site.pages).flatMap(ownSections),
  ];
}

/** Every section that a page shows, in order; its header only where that is a kept section. */
export function sectionsOn(site: Site, page: Page): Section[] {
  const end = (id: 'header' | 'footer'): Section[] => {
    const own = page[id];
    const section = own === undefined ? undefined : site.shared.sections[own];
    return page.without?.includes(id) ? [] : section ? [section] : id === 'footer' ? [site.shared.footer] : [];
  };
  return [
    ...end('header'),
    ...page.sectionOrder.flatMap((id) => sectionOf(site, page.sections[id]!) ?? []),
    ...end('footer'),
  ];
}

/** The first entry of a page, where its section has a picture behind it over which the header lies. */
export function headerOver(site: Site, page: Page): SectionEntry | undefined {
  const entry = page.sections[page.sectionOrder[0] ?? ''];
  const applies =
    site.shared.header.over && page.header === undefined && !page.without?.includes('header') && entry && !entry.hidden;
  return applies && sectionOf(site, entry)?.picture ? entry : undefined;
}

/** A page's own sections. */
export function ownSections(page: Page): SectionAt[] {
  return Object.entries(page.sections).flatMap(([key, entry]) =>
    'own' in entry ? [{ section: entry.own, at: ['pages', page.id, 'sections', key, 'own'] }] : [],
  );
}
