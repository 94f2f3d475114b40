import type { Page, Section, Site } from '@yohaku/core';

/**
 * A site of about so many places: the demo's pages over and over, each copy
 * with ids of its own, so that nothing made for one page serves another. A site
 * that the reader accepts, as all that benches and tests are made with.
 */
export function manyPlaces(site: Site, pages: number): Site {
  const made: Page[] = [];
  for (let i = 0; made.length < pages; i++)
    for (const id of site.pageOrder) {
      if (made.length === pages) break;
      made.push(i === 0 ? site.pages[id]! : copyPage(site.pages[id]!, i));
    }
  return {
    ...site,
    pageOrder: made.map((entry) => entry.id),
    pages: Object.fromEntries(made.map((entry) => [entry.id, entry])),
  };
}

function copyPage(page: Page, copy: number): Page {
  const suffix = `-c${copy}`;
  const renamed = (id: string) => `${id}${suffix}`;
  const section = (entry: Section): Section => ({
    ...entry,
    id: renamed(entry.id),
    columns: Object.fromEntries(
      Object.entries(entry.columns).map(([key, column]) => [key, { ...column, order: column.order.map(renamed) }]),
    ),
    blocks: Object.fromEntries(
      Object.values(entry.blocks).map((block) => [renamed(block.id), { ...block, id: renamed(block.id) }]),
    ),
  });
  const sections = Object.fromEntries(
    Object.values(page.sections).map((entry) => [
      renamed(entry.id),
      'own' in entry ? { id: renamed(entry.id), own: section(entry.own) } : { ...entry, id: renamed(entry.id) },
    ]),
  );
  const own = new Set(
    Object.values(page.sections).flatMap((entry) =>
      'own' in entry ? [entry.own.id, ...Object.keys(entry.own.blocks)] : [],
    ),
  );
  /** Overrides move too: on own sections under their new ids, in shared ones under the id of their entry. */
  const placed = (place: string): string => {
    const [owner = '', ...within] = place.split('/');
    const [entry, inner] = owner.split(':');
    const now = inner !== undefined ? `${renamed(entry!)}:${inner}` : own.has(owner) ? renamed(owner) : owner;
    return [now, ...within].join('/');
  };
  const overrides = Object.fromEntries(
    Object.values(page.overrides).map((override) => [override.id, { ...override, place: placed(override.place) }]),
  );
  return {
    ...page,
    id: renamed(page.id),
    title: `${page.title} ${copy}`,
    file: `${page.file.replace('.html', '')}${suffix}.html`,
    sectionOrder: page.sectionOrder.map(renamed),
    sections,
    overrides,
  };
}
