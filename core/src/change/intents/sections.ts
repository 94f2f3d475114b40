import { uniqueName } from '../../palette/index.ts';
import type { BandId } from '../../breakpoint/index.ts';
import { sectionOf, type Site } from '../../site/index.ts';
import { editedPage, pageTree } from '../../page/index.ts';
import { ChangeRefused } from '../refused.ts';
import { SECTION_KINDS, layIn, type SectionKind } from '../../sections/index.ts';
import { insertOp, removeOp, setOp, stepOp, type Edit } from './edit.ts';
import { joinEdits } from './join-edits.ts';
import { copySection, copiedValues } from './pages.ts';

const sectionLists = (page: string) =>
  [
    ['pages', page, 'sections'],
    ['pages', page, 'sectionOrder'],
  ] as const;

/**
 * Adds a section of a kind behind another (or last). An opener on a page that has a first heading already gets one of
 * the second level.
 */
export function addSection(
  site: Site,
  page: string,
  id: string,
  after?: string | null,
  kind: SectionKind = SECTION_KINDS.text,
): Edit {
  const [record, order] = sectionLists(page);
  const { title } = site.pages[page]!;
  const headed = pageTree(site, page).places.some((place) => place.level === 1);
  return {
    label: kind === SECTION_KINDS.text ? `Add a section to ${title}` : `Add ${kind.label} to ${title}`,
    ops: [insertOp(site, record, order, id, { id, own: layIn(site, kind, id, { headed, title }) }, after)],
  };
}

/** Copies a section behind itself as the page's own, with what is set on its places. */
export function duplicateSection(site: Site, page: string, entry: string, id: string): Edit {
  const [record, order] = sectionLists(page);
  const source = site.pages[page]!.sections[entry]!;
  const section = sectionOf(site, source)!;
  const { copy, renamed } = copySection(section, id);
  const prefix = (owner: string) => (was: string) =>
    was.startsWith(owner) ? renamed.get(was.slice(owner.length)) : undefined;
  // Overrides of a shared section come first, so that overrides of this page win.
  const used = 'shared' in source ? copiedValues(site.shared.overrides, prefix(`${source.shared}:`), id) : [];
  const values = [
    ...used,
    ...copiedValues(site.pages[page]!.overrides, prefix('shared' in source ? `${entry}:` : ''), id, used.length),
  ];
  return {
    label: `Duplicate ${section.label}`,
    ops: [
      insertOp(site, record, order, id, { id, own: copy }, entry),
      ...values.map((value) => insertOp(site, ['pages', page, 'overrides'], null, value.id, value)),
    ],
  };
}

/**
 * Keeps a page's own section for all pages: there it becomes the same one that others can have as well.
 * Overrides of its places stay with the section and apply everywhere it is used.
 *
 * @param kept id of the kept section; its blocks are called `kept-b1`, `kept-b2`, …
 * @param id of the new entry on the page
 */
export function keepSection(site: Site, page: string, entry: string, kept: string, id: string): Edit {
  const source = site.pages[page]!.sections[entry]!;
  if ('shared' in source)
    throw new ChangeRefused('in-use', 'This section is already reused; an edit changes every page that has it.');
  const [record, order] = sectionLists(page);
  const { copy, renamed } = copySection(source.own, kept);
  const label = uniqueName(
    source.own.label,
    Object.values(site.shared.sections).map((section) => section.label),
  );
  const values = copiedValues(
    site.pages[page]!.overrides,
    (was) => (renamed.has(was) ? `${kept}:${renamed.get(was)!}` : undefined),
    kept,
  );
  return {
    label: `Keep ${label}`,
    ops: [
      insertOp(site, ['shared', 'sections'], null, kept, { ...copy, label }),
      insertOp(site, record, order, id, { id, shared: kept }, entry),
      ...values.map((value) => insertOp(site, ['shared', 'overrides'], null, value.id, value)),
      removeOp(site, record, order, entry),
    ],
  };
}

/** Lays a kept section in on a page, as the same one, behind another (or last). */
export function addKept(site: Site, page: string, id: string, kept: string, after?: string | null): Edit {
  const [record, order] = sectionLists(page);
  return {
    label: `Add ${site.shared.sections[kept]!.label} to ${site.pages[page]!.title}`,
    ops: [insertOp(site, record, order, id, { id, shared: kept }, after)],
  };
}

/** Gives a page another header or footer: a kept section, none, or (undefined) that of all pages. */
export function pageEnd(site: Site, page: string, end: 'header' | 'footer', kept: string | null | undefined): Edit {
  const { title, without = [] } = site.pages[page]!;
  const left = [...without.filter((name) => name !== end), ...(kept === null ? [end] : [])];
  const words =
    kept === null ? `no ${end}` : kept === undefined ? `the ${end} of all pages` : site.shared.sections[kept]!.label;
  return {
    label: `${title}: ${words}`,
    ops: [
      setOp(site, ['pages', page, end], kept ?? undefined),
      ...(left.length === without.length
        ? []
        : [setOp(site, ['pages', page, 'without'], left.length === 0 ? undefined : left)]),
    ],
  };
}

/** Makes of a kept section on a page one of that page's own; on other pages it stays what it was. */
export function ownSection(site: Site, page: string, entry: string, id: string): Edit {
  const edit = joinEdits(site, '', [
    (now) => duplicateSection(now, page, entry, id),
    (now) => removeSection(now, page, entry),
  ]);
  return {
    ...edit,
    label: `${sectionOf(site, site.pages[page]!.sections[entry]!)!.label} of ${site.pages[page]!.title} alone`,
  };
}

/**
 * Deletes a kept section. Pages that have it each keep one of their own, or (`own`
 * false) lose it as well.
 *
 * @param fresh makes an id for each section that becomes a page's own
 */
export function removeKept(site: Site, kept: string, own: boolean, fresh: () => string): Edit {
  const { label } = site.shared.sections[kept]!;
  const stands = pagesWith(site, kept).flatMap((page) =>
    site.pages[page]!.sectionOrder.flatMap((entry) => {
      const section = site.pages[page]!.sections[entry]!;
      return 'shared' in section && section.shared === kept ? [{ page, entry }] : [];
    }),
  );
  const edit = joinEdits(site, '', [
    ...stands.map(
      ({ page, entry }) =>
        (now: Site) =>
          own ? ownSection(now, page, entry, fresh()) : removeSection(now, page, entry),
    ),
    // Where it stands as a header or footer, that of all pages comes back.
    (now) => ({
      label: '',
      ops: [
        ...(['header', 'footer'] as const).flatMap((end) =>
          now.pageOrder
            .filter((page) => now.pages[page]![end] === kept)
            .map((page) => setOp(now, ['pages', page, end], undefined)),
        ),
        removeOp(now, ['shared', 'sections'], null, kept),
      ],
    }),
  ]);
  return { ...edit, label: `Delete reused section ${label}` };
}

/** Pages that have a kept section, in page order. */
export function pagesWith(site: Site, kept: string): string[] {
  return site.pageOrder.filter(
    (id) =>
      site.pages[id]!.header === kept ||
      site.pages[id]!.footer === kept ||
      Object.values(site.pages[id]!.sections).some((section) => 'shared' in section && section.shared === kept),
  );
}

export function moveSection(site: Site, page: string, entry: string, steps: -1 | 1): Edit | undefined {
  const op = stepOp(site, sectionLists(page)[1], entry, steps);
  return op && { label: `Move ${sectionOf(site, site.pages[page]!.sections[entry]!)!.label}`, ops: [op] };
}

/**
 * Moves a section of a page behind another of its sections, or (null) before them all; undefined where it stands there
 * already.
 */
export function placeSection(site: Site, page: string, entry: string, after: string | null): Edit | undefined {
  const [, order] = sectionLists(page);
  const list = site.pages[page]!.sectionOrder;
  const wasAfter = list[list.indexOf(entry) - 1] ?? null;
  if (after === entry || after === wasAfter) return undefined;
  return {
    label: `Move ${sectionOf(site, site.pages[page]!.sections[entry]!)!.label}`,
    ops: [{ op: 'move', from: [...order], to: [...order], id: entry, after, wasAfter }],
  };
}

/** Widths at which a section is not shown on a page; none shows it at all. */
export function hideSection(site: Site, page: string, entry: string, hidden: readonly BandId[]): Edit {
  return {
    label: `Where ${sectionOf(site, site.pages[page]!.sections[entry]!)!.label} is shown`,
    ops: [setOp(site, ['pages', page, 'sections', entry, 'hidden'], hidden.length === 0 ? undefined : [...hidden])],
  };
}

export function removeSection(site: Site, page: string, entry: string): Edit {
  const [record, order] = sectionLists(page);
  return {
    label: `Delete ${sectionOf(site, site.pages[page]!.sections[entry]!)!.label}`,
    ops: [removeOp(site, record, order, entry)],
  };
}

/**
 * Address of the section behind an entry, or of what stands as `header` or `footer`: shared sections are edited for all
 * pages.
 */
export function sectionAddress(site: Site, shown: string, entry: string): string[] {
  const page = editedPage(shown) ?? '';
  if (entry === 'header' || entry === 'footer') {
    const own = site.pages[page]?.[entry];
    return own === undefined ? ['shared', entry] : ['shared', 'sections', own];
  }
  const found = site.pages[page]!.sections[entry]!;
  return 'shared' in found ? ['shared', 'sections', found.shared] : ['pages', page, 'sections', entry, 'own'];
}
