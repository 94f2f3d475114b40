import type { Site, State } from '../site/index.ts';
import { AUDIT_WIDTHS, bandOf } from '../breakpoint/index.ts';
import { tokenTable, type TokenTable } from '../style/index.ts';
import { publishedPage, type Place } from '../page/index.ts';
import { placesIn, type Group, type SiteIndex } from './group.ts';
import { siteIndex } from './site-index.ts';
import { tokenValue } from './value.ts';

/** A place in a published file at one width and in one state, with the CSS properties that the token sets. */
export interface ReachRow {
  readonly place: Place;
  /** HTML file relative to the site. */
  readonly file: string;
  readonly width: number;
  readonly state: State;
  readonly properties: readonly string[];
}

/** The tokens that a token's value flows into: itself, all aliases of it, and the gradients it is an end of. */
export function tokensThrough(table: TokenTable, path: string): Set<string> {
  const through = new Set<string>();
  for (const name of table.keys()) if (tokenValue(table, name).chain.includes(path)) through.add(name);
  for (const token of table.values())
    if (token.type === 'gradient' && token.follows!.some((follow) => through.has(follow))) through.add(token.path);
  return through;
}

/**
 * Returns the tokens that a rule derives from a token, or chooses among swatches that include it, directly or through
 * others.
 */
export function tokensFollowing(table: TokenTable, path: string): string[] {
  const found: string[] = [];
  const visit = (source: string) => {
    for (const token of table.values())
      if (
        token.path !== path &&
        !found.includes(token.path) &&
        token.follows?.some((follow) => tokenValue(table, follow).chain.includes(source))
      ) {
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
  // Again until nothing is added: a derived token can have derived tokens of its own. A rule that chooses a swatch ends
  // the chain.
  for (let before = 0; before < moving.size;) {
    before = moving.size;
    for (const token of table.values()) {
      if (
        moving.has(token.path) ||
        token.chooses ||
        token.css === undefined ||
        !token.follows?.some((each) => moving.has(each))
      )
        continue;
      for (const through of tokensThrough(table, token.path)) moving.add(through);
    }
  }
  return moving;
}

/** The use of tokens: the looks that they paint now, and the looks that a rule could repaint with another swatch. */
export interface TokenUses {
  /**
   * Looks that change with one of the tokens: through an alias, a style, a role, or a colour derived from the token.
   */
  readonly groups: ReadonlySet<Group>;
  /** The number of those places in all published files. */
  readonly count: number;
  /** The number of those places that use the token only through a derived colour. */
  readonly derived: number;
  /**
   * The number of other places whose rule chooses among swatches that include these tokens: an edit can change the
   * choice.
   */
  readonly maybe: number;
}

/**
 * Returns the use of one or more tokens, each place once. Every number of uses in the
 * product is this count. No page is built for it.
 */
export function usesOfTokens(site: Site, paths: string | readonly string[]): TokenUses {
  const table = tokenTable(site.brand);
  const index = siteIndex(site);
  const wanted = [paths].flat();
  const moving = new Set(wanted.flatMap((path) => [...tokensMoving(table, path)]));
  const groups = new Set(groupsOf(index, moving));
  const direct = groupsOf(index, new Set(wanted.flatMap((path) => [...tokensThrough(table, path)])));
  const chosen = new Set(
    [...table.values()]
      .filter((token) => token.chooses && token.follows!.some((each) => moving.has(each)))
      .flatMap(({ path }) => [...tokensThrough(table, path)]),
  );
  const count = placesIn(groups);
  return {
    groups,
    count,
    derived: count - placesIn(direct),
    get maybe() {
      return placesIn(groupsOf(index, chosen).filter((group) => !groups.has(group)));
    },
  };
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

/** Returns the number of places that use one or more tokens, each place once. */
export const placeCount = (site: Site, paths: string | readonly string[]): number => usesOfTokens(site, paths).count;

/** Returns the places that use a token, each once; for files with one look, the places of the first file. */
export const placesOf = (site: Site, path: string): Place[] =>
  [...usesOfTokens(site, path).groups].flatMap((group) => group.places);

/** Every row a token paints, itself and through aliases, at all audit widths and in all states of each place. */
export function reachRows(site: Site, path: string): ReachRow[] {
  const index = siteIndex(site);
  const through = tokensThrough(tokenTable(site.brand), path);
  const rows: ReachRow[] = [];
  for (const group of groupsOf(index, through)) {
    for (const state of group.states)
      for (const width of AUDIT_WIDTHS) {
        const band = bandOf(width);
        const properties = group.painting.cells
          .filter((cell) => cell.state === state && cell.band === band && paints(cell, through))
          .map((cell) => cell.property);
        if (properties.length === 0) continue;
        for (const place of group.places)
          for (const file of publishedPage(site, place.page)!.files)
            rows.push({ place, file, width, state, properties });
      }
  }
  return rows;
}
