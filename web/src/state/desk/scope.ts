import { groupsOf, plural, siteIndex, tokenTable, tokensMoving, type Place, type Site } from '@yohaku/core';

/** What a control acts on: the places a token paints (by its path) or several do, a page, a section of a page, one place, or no place at all, in words. */
export type Scope = string | { readonly tokens: readonly string[]; readonly label: string } | { readonly page: string; readonly section?: string; readonly place?: string } | { readonly words: string };

export interface ScopeReach {
  /** Ids of the places reached, by page. */
  readonly byPage: ReadonlyMap<string, ReadonlySet<string>>;
  /** The reach as a sentence without its full stop; empty when nothing can be said. */
  readonly words: string;
}

/** Names are for the people at the desk. */
export const NAME_ONLY: Scope = { words: 'A name is read on this desk only; no place changes' };

const NOTHING: ScopeReach = { byPage: new Map(), words: '' };

/** The places a control reaches, before anything changes: what follows its token by rule moves with it. */
export function reachOfScope(site: Site, scope: Scope): ScopeReach {
  if (typeof scope !== 'string' && 'words' in scope) return { ...NOTHING, words: scope.words };
  const found = typeof scope === 'string' ? placesOfTokens(site, [scope]) : 'tokens' in scope ? placesOfTokens(site, scope.tokens, scope.label) : placesWithin(site, scope);
  if (!found) return NOTHING;
  const byPage = new Map<string, Set<string>>();
  for (const { page, id } of found.places) byPage.set(page, (byPage.get(page) ?? new Set()).add(id));
  const { length } = found.places;
  return { byPage, words: `${found.label} reaches ${plural(length, 'place')}${length > 0 ? ` on ${plural(byPage.size, 'page')}` : ''}` };
}

interface Found { readonly label: string; readonly places: readonly Place[] }

function placesOfTokens(site: Site, paths: readonly string[], label?: string): Found | undefined {
  const table = tokenTable(site.brand);
  const named = label ?? table.get(paths[0] ?? '')?.label;
  if (named === undefined) return undefined;
  const groups = new Set(paths.flatMap((path) => groupsOf(siteIndex(site), tokensMoving(table, path))));
  return { label: named, places: [...groups].flatMap((group) => group.places) };
}

function placesWithin(site: Site, scope: { page: string; section?: string; place?: string }): Found | undefined {
  const { trees, places } = siteIndex(site);
  const tree = trees.find((one) => one.page.id === scope.page);
  if (!tree) return undefined;
  if (scope.section === undefined && scope.place === undefined) return { label: tree.page.title, places: tree.places };
  const part = tree.parts.find((one) => one.id === scope.section);
  const ids = new Set(scope.place === undefined ? part?.places.map((one) => one.id) : [scope.place]);
  // Shared parts keep one id on all pages: what is done to one is done to all.
  return { label: scope.place === undefined ? (part?.label ?? '') : 'This place', places: places.filter((one) => ids.has(one.id)) };
}
