import type { Group, SiteIndex } from '../../reach/index.ts';
import type { PageTree } from '../../page/index.ts';
import type { Site } from '../../site/index.ts';
import type { TokenTable } from '../../style/index.ts';
import type { Judgement } from '../outcome.ts';
import type { PixelSets } from '../pixels/index.ts';
import { contrastRules } from './contrast.ts';
import { covered } from './covered.ts';
import { fontWeight } from './font-weight.ts';
import { headingOrder, skippedLevel, type PlacedJudgement } from './headings.ts';
import type { LayoutReading } from './layout-reading.ts';
import { lineHeight } from './line-height.ts';
import { lineLength } from './line-length.ts';
import { logoRules } from './logo.ts';
import { alternativeText, firstHeading, linkWords } from './outline.ts';
import { phonePadding } from './phone-padding.ts';
import { phoneSize } from './phone-size.ts';
import { targetSize } from './target-size.ts';
import { textSpacing } from './text-spacing.ts';
import { zoom } from './zoom.ts';

/** Values that a rule may read beside the look it judges. */
export interface LookContext {
  readonly table: TokenTable;
  readonly site: Site;
  readonly pixels: PixelSets;
}

/** Rules that judge one look alone. */
export const LOOK_RULES: readonly ((group: Group, context: LookContext) => readonly Judgement[])[] = [
  (group, { table, site, pixels }) => contrastRules(table, group, group.overPicture ? { site, pixels } : undefined),
  (group, { table, site }) => logoRules(table, group, site),
  (group, { table, site }) => phoneSize(table, group, site.brand),
  (group, { table }) => phonePadding(table, group),
  (group, { table, site }) => lineHeight(table, group, site.brand),
  (group, { table, site }) => fontWeight(table, group, site.brand),
  (group, { table }) => zoom(table, group),
  (group, { table }) => targetSize(table, group),
];

/** Values that a rule may read beside the page it judges. */
export interface PageContext {
  readonly table: TokenTable;
  readonly site: Site;
  readonly index: SiteIndex;
}

/** Rules that need a whole page and nothing of its layout. */
export const PAGE_RULES: readonly ((tree: PageTree, context: PageContext) => readonly PlacedJudgement[])[] = [
  (tree, { table, index }) => headingOrder(table, index, tree),
  skippedLevel,
  firstHeading,
  linkWords,
  (tree, { site }) => alternativeText(site, tree),
];

/** Rules that need measurements of the layout. */
export const LAYOUT_RULES: readonly ((
  layout: readonly LayoutReading[],
  context: Omit<PageContext, 'table'>,
) => readonly PlacedJudgement[])[] = [
  (layout, { index }) => covered(index, layout),
  (layout, { index, site }) => lineLength(index, site.brand, layout),
  (layout, { index }) => textSpacing(index, layout),
];
