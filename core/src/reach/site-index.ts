import type { Override, Site, State } from '../site/index.ts';
import { pageTree, type PageTree, type Place, type PlaceKind } from '../page/index.ts';
import { makePainting, type Painting } from './painting.ts';

/** Places that look alike in every way that can be computed: one painting on one stack of surfaces. Over a picture or a gradient no two do. */
export interface Group {
  readonly kind: PlaceKind;
  readonly states: readonly State[];
  readonly painting: Painting;
  readonly under: Group | null;
  readonly overPicture: boolean;
  readonly inline: boolean;
  readonly style: string | null;
  readonly ground: string;
  readonly places: readonly Place[];
}

/** All places of a site, grouped by look, with the tokens that paint them. It depends on structure only, never on token values. */
export interface SiteIndex {
  readonly trees: readonly PageTree[];
  readonly places: readonly Place[];
  readonly groups: readonly Group[];
  readonly groupOf: ReadonlyMap<Place, Group>;
  /** Groups by the token their recipes or overrides name. */
  readonly byToken: ReadonlyMap<string, ReadonlySet<Group>>;
  /** Places by page and id: `page id` joined by a space. */
  readonly byAddress: ReadonlyMap<string, Place>;
}

const cache = new WeakMap<object, { trees: readonly PageTree[]; shared: Site['shared']; index: SiteIndex }>();

/** The index of a site. While no page, shared part or role changes, the same index comes back. */
export function siteIndex(site: Site): SiteIndex {
  const trees = site.pageOrder.map((id) => pageTree(site, id));
  const key = trees[0] ?? site;
  const known = cache.get(key);
  if (known && known.shared === site.shared && known.trees.length === trees.length && trees.every((tree, i) => tree === known.trees[i])) return known.index;
  const index = buildIndex(site, trees);
  cache.set(key, { trees, shared: site.shared, index });
  return index;
}

/** Key of a place within a site. */
export function placeKey(place: { page: string; id: string }): string {
  return `${place.page} ${place.id}`;
}

function buildIndex(site: Site, trees: readonly PageTree[]): SiteIndex {
  const sharedOverrides = byPlace(Object.values(site.shared.overrides));
  const groups = new Map<string, Group & { places: Place[] }>();
  const keys = new Map<Place, string>();
  const groupOf = new Map<Place, Group>();
  const byAddress = new Map<string, Place>();
  for (const tree of trees) {
    const own = byPlace(Object.values(tree.page.overrides));
    for (const place of tree.places) {
      const overrides = [...(sharedOverrides.get(place.id) ?? []), ...(own.get(place.id) ?? [])];
      const under = place.under ? keys.get(place.under)! : '';
      const inherits = place.inherits ? keys.get(place.inherits)! : '';
      const key = `${place.kind}${place.inline ? 'i' : ''}${place.overPicture ? `p${placeKey(place)}` : ''}${place.states.length}|${place.recipes.join(' ')}|${overrides.map((one) => one.id).join(' ')}|(${under})|(${inherits})`;
      let group = groups.get(key);
      if (!group) {
        group = {
          kind: place.kind, states: place.states, overPicture: place.overPicture, inline: place.inline, style: place.style, ground: place.ground,
          painting: makePainting(site.brand, place.recipes, overrides, place.states, place.inherits ? groupOf.get(place.inherits)!.painting : null),
          under: place.under ? groupOf.get(place.under)! : null, places: [],
        };
        groups.set(key, group);
      }
      group.places.push(place);
      keys.set(place, key);
      groupOf.set(place, group);
      byAddress.set(placeKey(place), place);
    }
  }
  const all = [...groups.values()];
  return { trees, places: trees.flatMap((tree) => tree.places), groups: all, groupOf, byToken: tokenIndex(all), byAddress };
}

function byPlace(overrides: readonly Override[]): Map<string, Override[]> {
  const map = new Map<string, Override[]>();
  for (const one of overrides) map.set(one.place, [...(map.get(one.place) ?? []), one]);
  return map;
}

function tokenIndex(groups: readonly Group[]): Map<string, Set<Group>> {
  const map = new Map<string, Set<Group>>();
  const add = (token: string, group: Group) => {
    const set = map.get(token);
    if (set) set.add(group);
    else map.set(token, new Set([group]));
  };
  for (const group of groups)
    for (const cell of group.painting.cells) {
      if (cell.token) add(cell.token, group);
      if (cell.override?.value.kind === 'token') add(cell.override.value.path, group);
    }
  return map;
}
