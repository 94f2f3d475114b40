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
  const groups = new Map<string, Built>();
  const groupOf = new Map<Place, Built>();
  for (const tree of trees) {
    const own = byPlace(Object.values(tree.page.overrides));
    for (const place of tree.places) {
      const overrides = overridesOf(sharedOverrides.get(place.id), own.get(place.id));
      const under = place.under ? groupOf.get(place.under)! : null;
      const inherits = place.inherits ? groupOf.get(place.inherits)! : null;
      // Groups are told apart by number: what a place stands on is a group already.
      let key = `${place.kind}${place.inline ? 'i' : ''}${place.overPicture ? `p${placeKey(place)}` : ''}${place.states.length}|${under ? under.number : ''}|${inherits ? inherits.number : ''}`;
      for (const recipe of place.recipes) key += ` ${recipe}`;
      for (const one of overrides) key += `|${one.id}`;
      let group = groups.get(key);
      if (!group) {
        group = {
          number: groups.size, kind: place.kind, states: place.states, overPicture: place.overPicture, inline: place.inline, style: place.style, ground: place.ground,
          painting: makePainting(site.brand, place.recipes, overrides, place.states, inherits ? inherits.painting : null),
          under, places: [],
        };
        groups.set(key, group);
      }
      group.places.push(place);
      groupOf.set(place, group);
    }
  }
  const all = [...groups.values()];
  let byAddress: Map<string, Place> | undefined;
  let byToken: Map<string, Set<Group>> | undefined;
  const places = trees.flatMap((tree) => tree.places);
  return {
    trees, places, groups: all, groupOf,
    // Made when somebody asks: finding the pairs of a site does not.
    get byToken() {
      return (byToken ??= tokenIndex(all));
    },
    get byAddress() {
      return (byAddress ??= new Map(places.map((place) => [placeKey(place), place])));
    },
  };
}

interface Built extends Group { readonly number: number; readonly places: Place[] }

const NONE: readonly Override[] = [];

function overridesOf(shared: readonly Override[] = NONE, own: readonly Override[] = NONE): readonly Override[] {
  return shared.length === 0 ? own : own.length === 0 ? shared : [...shared, ...own];
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
