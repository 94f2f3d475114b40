import type { Site } from '../site/index.ts';
import { AUDIT_WIDTHS, bandOf } from '../breakpoint/index.ts';
import { tokenTable, type TokenTable } from '../style/index.ts';
import type { Place } from '../page/index.ts';
import { changedTokens, placesIn, siteIndex, touchedGroups, type Group, type SiteIndex } from '../reach/index.ts';
import { NO_READINGS, type LayoutReading } from './rules/layout-reading.ts';
import type { PlacedJudgement } from './rules/headings.ts';
import { LAYOUT_RULES, LOOK_RULES, PAGE_RULES } from './rules/index.ts';
import { NO_PIXELS, PIXEL_AREAS, pixelKey, type PixelSets } from './pixels/index.ts';
import type { Judgement } from './outcome.ts';

/** All judgements of a site, kept by group so that an edit judges again only what it touched. */
export interface Audit {
  readonly site: Site;
  readonly table: TokenTable;
  readonly index: SiteIndex;
  readonly byGroup: ReadonlyMap<Group, readonly Judgement[]>;
  readonly byPage: readonly PlacedJudgement[];
  /** Those of `byPage` that hang on the structure of the pages, not on their layout. */
  readonly byTree: readonly PlacedJudgement[];
  /** Pixels behind places over pictures, as far as they have been read. */
  readonly pixels: PixelSets;
  /** The measurements of the layout, as far as they exist. */
  readonly layout: readonly LayoutReading[];
}

/** A failing or undecided judgement at one place. */
export interface Finding extends Judgement {
  readonly place: Place;
}

/** Places by how they fare; every place is in exactly one of the three. */
export interface AuditCounts {
  readonly places: number;
  readonly passed: number;
  readonly failed: number;
  readonly cannotTell: number;
}

/**
 * Judges a whole site, or, given the audit before an edit, only what the edit touched.
 * `table` stands in for the brand's own tokens (an edited `tokens.css`);
 * `pixels` and `layout` are those read from the layout, else the ones the audit before had.
 */
export function auditSite(
  site: Site,
  before?: Audit,
  table: TokenTable = tokenTable(site.brand),
  pixels: PixelSets = before?.pixels ?? NO_PIXELS,
  layout: readonly LayoutReading[] = before?.layout ?? NO_READINGS,
): Audit {
  const index = siteIndex(site);
  if (before && before.index === index) {
    if (before.table === table && before.pixels === pixels && before.layout === layout)
      return before.site === site ? before : { ...before, site };
    const changed = changedTokens(before.table, table);
    const byGroup = new Map(before.byGroup);
    const touched = touchedGroups(index, changed);
    // A group over an image depends on its pixels too; its shade depends on the structure, and its veil on the surfaces
    // below.
    if (before.pixels !== pixels)
      for (const group of index.groups)
        if (group.overPicture && !samePixels(group, before.pixels, pixels)) touched.add(group);
    for (const group of touched) byGroup.set(group, judgeGroup(table, group, site, pixels));
    const sizes = [...changed].some((path) => !path.startsWith('color.') && !path.startsWith('background.'));
    const byTree = sizes ? judgeTrees(table, index, site) : before.byTree;
    return {
      site,
      table,
      index,
      byGroup,
      byTree,
      byPage: sizes || before.layout !== layout ? [...byTree, ...judgeLayout(index, site, layout)] : before.byPage,
      pixels,
      layout,
    };
  }
  const byTree = judgeTrees(table, index, site);
  return {
    site,
    table,
    index,
    byGroup: new Map(index.groups.map((group) => [group, judgeGroup(table, group, site, pixels)])),
    byTree,
    byPage: [...byTree, ...judgeLayout(index, site, layout)],
    pixels,
    layout,
  };
}

/** Returns true if the pixels behind a look over a picture are the very ones of before. */
function samePixels(group: Group, before: PixelSets, now: PixelSets): boolean {
  // Having no measurements differs from having some.
  if ((before.size === 0) !== (now.size === 0)) return false;
  return group.places.every(({ page, id }) =>
    AUDIT_WIDTHS.every((width) =>
      PIXEL_AREAS.every((area) => {
        const key = pixelKey(page, id, width, area);
        return before.get(key) === now.get(key);
      }),
    ),
  );
}

/** All judgements of the rules that look at one place alone. */
export function judgeGroup(table: TokenTable, group: Group, site: Site, pixels: PixelSets = NO_PIXELS): Judgement[] {
  const context = { table, site, pixels };
  const judged = LOOK_RULES.flatMap((rule) => rule(group, context));
  // A group that is hidden at a width neither passes nor fails there.
  return group.hidden.length === 0
    ? judged
    : judged.filter((judgement) => !group.hidden.includes(bandOf(judgement.width)));
}

/** Rules that need a whole page and nothing of its layout. A batch of readings leaves them alone. */
function judgeTrees(table: TokenTable, index: SiteIndex, site: Site): PlacedJudgement[] {
  const context = { table, index, site };
  return index.trees.flatMap((tree) => PAGE_RULES.flatMap((rule) => rule(tree, context)));
}

/** Rules on what was read from the layout. */
function judgeLayout(index: SiteIndex, site: Site, layout: readonly LayoutReading[]): PlacedJudgement[] {
  const context = { index, site };
  return LAYOUT_RULES.flatMap((rule) => rule(layout, context));
}

/**
 * Every failing (and, if asked for, undecided) judgement at every place, in page order; those of so many places at
 * most.
 */
export function findings(
  audit: Audit,
  verdicts: ReadonlySet<Judgement['verdict']> = new Set(['fail']),
  most = Infinity,
): Finding[] {
  const byLook = new Map<Group, readonly Judgement[]>();
  for (const [group, judgements] of audit.byGroup) {
    const wanted = judgements.filter((judgement) => verdicts.has(judgement.verdict));
    if (wanted.length > 0) byLook.set(group, wanted);
  }
  const byPlace = new Map<Place, PlacedJudgement[]>();
  for (const judgement of audit.byPage)
    if (verdicts.has(judgement.verdict))
      byPlace.set(judgement.place, [...(byPlace.get(judgement.place) ?? []), judgement]);
  if (byLook.size === 0 && byPlace.size === 0) return [];
  const list: Finding[] = [];
  let places = 0;
  for (const place of audit.index.places) {
    const [look, own] = [byLook.get(audit.index.groupOf.get(place)!), byPlace.get(place)];
    if (!look && !own) continue;
    if (++places > most) break;
    for (const judgement of look ?? []) list.push({ ...judgement, place });
    list.push(...(own ?? []));
  }
  return list;
}

/** Looks with a judgement of a verdict: all of their places have it. */
function looksWith(audit: Audit, verdict: Judgement['verdict']): Set<Group> {
  return new Set(
    [...audit.byGroup]
      .filter(([, judgements]) => judgements.some((judgement) => judgement.verdict === verdict))
      .map(([group]) => group),
  );
}

/** Places that fail by a rule that needs their whole page, and by none that looks at them alone. */
function failingByPage(audit: Audit, looks: ReadonlySet<Group>): Set<Place> {
  return new Set(
    audit.byPage
      .filter((judgement) => judgement.verdict === 'fail' && !looks.has(audit.index.groupOf.get(judgement.place)!))
      .map((judgement) => judgement.place),
  );
}

/** How many places have at least one failing judgement. */
export function failingCount(audit: Audit): number {
  const looks = looksWith(audit, 'fail');
  return placesIn(looks) + audit.index.countOf(failingByPage(audit, looks));
}

/**
 * Counts of places: failed when any judgement fails, else undecided when any cannot be told, else passed. Counted by
 * look: no page is taken apart for it.
 */
export function auditCounts(audit: Audit): AuditCounts {
  const looks = looksWith(audit, 'fail');
  const alone = failingByPage(audit, looks);
  const open = new Set([...looksWith(audit, 'cannot-tell')].filter((group) => !looks.has(group)));
  const places = audit.index.count;
  const failed = placesIn(looks) + audit.index.countOf(alone);
  const cannotTell =
    placesIn(open) - audit.index.countOf([...alone].filter((place) => open.has(audit.index.groupOf.get(place)!)));
  return { places, failed, cannotTell, passed: places - failed - cannotTell };
}
