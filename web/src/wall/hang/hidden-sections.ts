import { sectionOf, type BandId, type Page, type Site } from '@yohaku/core';

/**
 * Returns the sections that a page does not show in a band of widths, each with the y at which it would begin, px of
 * the page.
 */
export function hiddenSections(
  site: Site,
  page: Page,
  document: Document,
  band: BandId,
): { id: string; label: string; y: number }[] {
  return page.sectionOrder.flatMap((id) => {
    const entry = page.sections[id]!;
    if (!entry.hidden?.includes(band)) return [];
    let before = document.querySelector(`[data-part="${id}"]`)?.previousElementSibling ?? null;
    while (before && before.getBoundingClientRect().height === 0) before = before.previousElementSibling;
    const y = (before ?? document.querySelector('header'))?.getBoundingClientRect().bottom ?? 0;
    return [{ id, label: sectionOf(site, entry)?.label ?? id, y }];
  });
}
