import { pageTree, type FactFix } from '../../page/index.ts';
import { stylesByRole } from '../../style/index.ts';
import type { Site } from '../../site/index.ts';
import { valueAt } from '../json.ts';
import type { Op } from '../change.ts';
import { insertOp, setOp, type Edit } from './edit.ts';
import { linkOp } from './pages.ts';

/** Fixes what of a page's facts can be fixed at once; undefined where somebody has to say something. */
export function fixFact(site: Site, page: string, fix: FactFix): Edit | undefined {
  const { title } = site.pages[page]!;
  switch (fix.kind) {
    case 'first-heading':
      return firstHeading(site, page);
    case 'one-heading': {
      const [, ...others] = pageTree(site, page).places.filter(
        ({ level, block }) => level === 1 && isText(site, block),
      );
      return {
        label: `One first-level heading on ${title}`,
        ops: others.flatMap(({ block }) => atLevel(site, block!, 2)),
      };
    }
    case 'link':
      return {
        label: 'Link to this page',
        ops: [linkOp(site, fix.at, (link) => (link.to === 'page' ? { to: 'page', page: link.page } : link))],
      };
    case 'place':
      return undefined;
  }
}

const isText = (site: Site, block: readonly string[] | null): boolean =>
  block !== null && (valueAt(site, block) as { kind?: unknown } | undefined)?.kind === 'text';

/** A heading at a level, in the style that headings of that level have. */
function atLevel(site: Site, block: readonly string[], level: 1 | 2): Op[] {
  const roles = stylesByRole(site.brand);
  return [
    setOp(site, [...block, 'level'], level),
    setOp(site, [...block, 'style'], level === 1 ? roles.opening : roles.heading),
  ];
}

/**
 * The first heading of a page's own becomes that of the first level; a page without any gets its title as one, before
 * all else.
 */
function firstHeading(site: Site, page: string): Edit | undefined {
  const { title, sectionOrder, sections } = site.pages[page]!;
  const label = `First heading of ${title}`;
  const heading = pageTree(site, page).places.find(
    ({ level, block }) => level !== null && block?.[0] === 'pages' && isText(site, block),
  );
  if (heading) return { label, ops: atLevel(site, heading.block!, 1) };
  const entry = sectionOrder.find((id) => 'own' in sections[id]!);
  if (entry === undefined) return undefined;
  const { own } = sections[entry] as Extract<(typeof sections)[string], { own: unknown }>;
  const at = ['pages', page, 'sections', entry, 'own'];
  const id = `${entry.slice(0, 50)}-first`;
  return {
    label,
    ops: [
      insertOp(
        site,
        [...at, 'blocks'],
        [...at, 'columns', own.columnOrder[0]!, 'order'],
        id,
        { kind: 'text', id, style: stylesByRole(site.brand).opening, level: 1, content: [{ text: title }] },
        null,
      ),
    ],
  };
}
