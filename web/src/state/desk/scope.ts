import {
  pageTree,
  plural,
  publishedPage,
  publishedPages,
  siteIndex,
  tokenTable,
  usesOfTokens,
  type Place,
  type Site,
  type Where,
} from '@yohaku/core';

/**
 * The scope of a control: the places of a token (by its path) or of several, a page, a section of a page, one place
 * here or everywhere, or no place, in words.
 */
export type Scope =
  | string
  | { readonly tokens: readonly string[]; readonly label: string }
  | { readonly page: string; readonly section?: string; readonly place?: string; readonly where?: Where }
  | { readonly words: string };

export interface ScopeReach {
  /** Ids of the places reached on one page: only that page is taken apart. */
  on(page: string): ReadonlySet<string>;
  /** The pages on which places are reached, in order. */
  readonly pages: readonly string[];
  /** How many places are reached. */
  readonly count: number;
  /** The reach as a sentence without its full stop; empty when nothing can be said. */
  readonly words: string;
}

/** Names are for the people at the desk. */
export const NAME_ONLY: Scope = { words: 'Only Yohaku shows this name; no place changes' };

const NO_PLACES: ReadonlySet<string> = new Set();
const NOTHING: ScopeReach = { on: () => NO_PLACES, pages: [], count: 0, words: '' };

/** The places a control reaches, before anything changes: what follows its token by rule moves with it. */
export function reachOfScope(site: Site, scope: Scope): ScopeReach {
  if (typeof scope !== 'string' && 'words' in scope) return { ...NOTHING, words: scope.words };
  const found =
    typeof scope === 'string'
      ? ofTokens(site, [scope])
      : 'tokens' in scope
        ? ofTokens(site, scope.tokens, scope.label)
        : within(site, scope);
  if (!found) return NOTHING;
  const { label, pages, files, count, on, used, maybe = 0 } = found;
  const known = new Map<string, ReadonlySet<string>>();
  return {
    pages,
    count,
    words: `${label}: ${used ? 'used in ' : ''}${plural(count, 'place')}${count > 0 ? ` on ${plural(files, 'page')}` : ''}${maybe > 0 ? `; a rule may pick another swatch in ${maybe} more` : ''}`,
    on: (page) => {
      let ids = known.get(page);
      if (!ids) known.set(page, (ids = new Set(on(page).map((place) => place.id))));
      return ids;
    },
  };
}

interface Found {
  readonly label: string;
  /** True for a token, which places use. */ readonly used?: true;
  readonly pages: readonly string[];
  /** The number of those published files. */ readonly files: number;
  /** The number of further places that a rule can repaint. */ readonly maybe?: number;
  readonly count: number;
  readonly on: (page: string) => readonly Place[];
}

/** Returns the scope of tokens. Looks give the places, so no page has to be built. */
function ofTokens(site: Site, paths: readonly string[], label?: string): Found | undefined {
  const table = tokenTable(site.brand);
  const named = label ?? table.get(paths[0] ?? '')?.label;
  if (named === undefined) return undefined;
  const index = siteIndex(site);
  const { groups, count, maybe } = usesOfTokens(site, paths);
  const pages = index.pagesWith(groups);
  return {
    label: named,
    used: true,
    pages,
    files: index.countOf(pages.map((page) => ({ page }))),
    count,
    maybe,
    on: (page) => index.placesOn(page, groups),
  };
}

function within(
  site: Site,
  scope: { page: string; section?: string; place?: string; where?: Where },
): Found | undefined {
  const shown = publishedPage(site, scope.page);
  if (!shown) return undefined;
  const index = siteIndex(site);
  const tree = pageTree(site, scope.page);
  const alone = (label: string, places: readonly Place[]): Found => ({
    label,
    pages: places.length > 0 ? [scope.page] : [],
    files: places.length > 0 ? shown.files.length : 0,
    count: index.countOf(places),
    on: (page) => (page === scope.page ? places : []),
  });
  if (scope.section === undefined && scope.place === undefined) return alone(tree.page.title, tree.places);
  const part = tree.parts.find((entry) => entry.id === scope.section);
  const label = scope.place === undefined ? (part?.label ?? '') : 'This place';
  const meant =
    scope.place === undefined ? (part?.places ?? []) : tree.places.filter((place) => place.id === scope.place);
  const used = new Set(scope.where === 'here' ? [] : meant.flatMap((place) => place.usedId ?? []));
  if (used.size === 0) return alone(label, meant);
  // A change of a shared part applies everywhere it is used.
  const on = (page: string) =>
    pageTree(site, page).places.filter((place) => place.usedId !== null && used.has(place.usedId));
  const uses = usesOf(site, meant[0]!);
  const times = (page: string) => index.times(page);
  return {
    label,
    pages: [...uses.keys()],
    files: [...uses.keys()].reduce((sum, page) => sum + times(page), 0),
    count: [...uses].reduce((sum, [page, each]) => sum + each * times(page), 0) * meant.length,
    on,
  };
}

/**
 * Returns how often each published page shows the shared part that a place belongs to: the common header and footer
 * once unless the page has its own or none, a section once for each entry.
 */
function usesOf(site: Site, place: Place): Map<string, number> {
  const [section, inside] = place.usedId!.split(':');
  return new Map(
    publishedPages(site).flatMap(({ id, page }): [string, number][] => {
      const end = place.section === 'footer' ? 'footer' : 'header';
      const ends = (['header', 'footer'] as const).filter(
        (each) => !page.without?.includes(each) && page[each] === section,
      ).length;
      const times =
        inside === undefined
          ? Number(!page.without?.includes(end) && page[end] === undefined)
          : Object.values(page.sections).filter((entry) => 'shared' in entry && entry.shared === section).length + ends;
      return times > 0 ? [[id, times]] : [];
    }),
  );
}
