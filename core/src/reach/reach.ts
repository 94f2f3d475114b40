import type { Site, State } from '../site/index.ts';
import { AUDIT_WIDTHS, bandOf } from '../shape/index.ts';
import { tokenTable, type TokenTable } from '../style/index.ts';
import type { Place } from '../page/index.ts';
import { siteIndex, type Group, type SiteIndex } from './site-index.ts';
import { tokenValue } from './value.ts';

/** One painted row: a place at a width and in a state, with the CSS properties the token gives it there. */
export interface ReachRow {
  readonly place: Place;
  readonly width: number;
  readonly state: State;
  readonly properties: readonly string[];
}

/** The tokens that a token's value flows into: itself, all aliases of it, and the gradients it is an end of. */
export function tokensThrough(table: TokenTable, path: string): Set<string> {
  const through = new Set<string>();
  for (const one of table.keys()) if (tokenValue(table, one).chain.includes(path)) through.add(one);
  for (const token of table.values()) if (token.type === 'gradient' && token.follows!.some((one) => through.has(one))) through.add(token.path);
  return through;
}

/** Tokens that follow a token by rule, directly or through others. */
export function tokensFollowing(table: TokenTable, path: string): string[] {
  const found: string[] = [];
  const visit = (source: string) => {
    for (const token of table.values())
      if (token.path !== path && !found.includes(token.path) && token.follows?.some((one) => tokenValue(table, one).chain.includes(source))) {
        found.push(token.path);
        visit(token.path);
      }
  };
  visit(path);
  return found;
}

/**
 * The tokens that move whenever a token does: those its value flows into, and
 * those whose value is made from it by rule (derived swatches, hues at a
 * contrast, shadows), with all that theirs flow into. A rule that chooses among
 * swatches may choose anew, but need not: it is not among them.
 */
export function tokensMoving(table: TokenTable, path: string): Set<string> {
  const moving = tokensThrough(table, path);
  for (const made of tokensFollowing(table, path)) if (table.get(made)!.css !== undefined) for (const one of tokensThrough(table, made)) moving.add(one);
  return moving;
}

/** Groups that one or several tokens paint in some state and band, their overrides counted. */
export function groupsOf(index: SiteIndex, through: ReadonlySet<string>): Group[] {
  const found = new Set<Group>();
  for (const token of through)
    for (const group of index.byToken.get(token) ?? [])
      if (group.painting.cells.some((cell) => paints(cell, through))) found.add(group);
  return [...found];
}

function paints(cell: Group['painting']['cells'][number], through: ReadonlySet<string>): boolean {
  if (cell.override) return cell.override.value.kind === 'token' && through.has(cell.override.value.path);
  return through.has(cell.token!);
}

/** How many places a token paints, or several together, each place once; no page is taken apart for it. */
export function placeCount(site: Site, paths: string | readonly string[]): number {
  const table = tokenTable(site.brand);
  const through = new Set([paths].flat().flatMap((path) => [...tokensThrough(table, path)]));
  return groupsOf(siteIndex(site), through).reduce((sum, group) => sum + group.count, 0);
}

/** The distinct places a token paints, each once whatever its widths and states. */
export function placesOf(site: Site, path: string): Place[] {
  return groupsOf(siteIndex(site), tokensThrough(tokenTable(site.brand), path)).flatMap((group) => group.places);
}

/** Every row a token paints, itself and through aliases, at all audit widths and in all states of each place. */
export function reachRows(site: Site, path: string): ReachRow[] {
  const index = siteIndex(site);
  const through = tokensThrough(tokenTable(site.brand), path);
  const rows: ReachRow[] = [];
  for (const group of groupsOf(index, through)) {
    for (const state of group.states)
      for (const width of AUDIT_WIDTHS) {
        const band = bandOf(width);
        const properties = group.painting.cells.filter((cell) => cell.state === state && cell.band === band && paints(cell, through)).map((cell) => cell.property);
        if (properties.length === 0) continue;
        for (const place of group.places) rows.push({ place, width, state, properties });
      }
  }
  return rows;
}
