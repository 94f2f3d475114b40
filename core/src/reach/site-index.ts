import type { Override, Page, Site, State } from '../site/index.ts';
import { lastTree, ownersOf, pageTree, partShapes, structureKey, type PageTree, type PartShape, type Place, type PlaceKind } from '../page/index.ts';
import { makePainting, type Painting } from './painting.ts';

/** Places that look alike in every way that can be computed: one painting on one stack of surfaces. Over a picture or a gradient no two do. */
export interface Group {
  readonly kind: PlaceKind;
  readonly states: readonly State[];
  readonly painting: Painting;
  readonly under: Group | null;
  /** The group whose text values it takes where it has none of its own. */
  readonly inherits: Group | null;
  readonly overPicture: boolean;
  readonly pictured: boolean;
  readonly inline: boolean;
  readonly style: string | null;
  readonly ground: string;
  /** How many places it has. To ask for the places themselves takes every page apart; this does not. */
  readonly count: number;
  readonly places: readonly Place[];
}

/**
 * All places of a site, grouped by look, with the tokens that paint them. It
 * depends on structure only, never on token values. What can be known without
 * taking every page apart is known at once; trees, places and what hangs on
 * them are made when somebody asks.
 */
export interface SiteIndex {
  readonly groups: readonly Group[];
  /** How many places there are. */
  readonly count: number;
  readonly trees: readonly PageTree[];
  readonly places: readonly Place[];
  readonly groupOf: ReadonlyMap<Place, Group>;
  /** Groups by the token their recipes or overrides name. */
  readonly byToken: ReadonlyMap<string, ReadonlySet<Group>>;
  /** Places by page and id: `page id` joined by a space. */
  readonly byAddress: ReadonlyMap<string, Place>;
}

interface Cached { pages: readonly Page[]; shared: Site['shared']; assets: Site['assets']; structure: string; index: Index }
const cache = new WeakMap<object, Cached>();

/** The index of a site. While no page, shared part or role changes, the same index comes back. */
export function siteIndex(site: Site): SiteIndex {
  const pages = site.pageOrder.map((id) => site.pages[id]!);
  const structure = structureKey(site);
  const key = pages[0] ?? site;
  const known = cache.get(key);
  if (known && known.shared === site.shared && known.assets === site.assets && known.structure === structure && known.pages.length === pages.length && pages.every((page, i) => page === known.pages[i]) && known.index.holds()) return known.index;
  const index = new Index(site, pages);
  cache.set(key, { pages, shared: site.shared, assets: site.assets, structure, index });
  return index;
}

/** Key of a place within a site. */
export function placeKey(place: { page: string; id: string }): string {
  return `${place.page} ${place.id}`;
}

interface Built extends Group { readonly number: number; count: number; list: Place[] | null }

/** The looks of a part's places, in their order. Over a picture each part has groups of its own, made after these. */
interface Template { readonly groups: readonly Built[]; /** True where there is something to be made anew for each part. */ readonly fresh: boolean }

/** Groups of one page: of its own surface, then of its parts. */
interface Laid { readonly body: Built; readonly parts: readonly (readonly Built[])[] }

class Index implements SiteIndex {
  readonly groups: Built[] = [];
  readonly count: number;
  readonly #site: Site;
  readonly #pages: readonly Page[];
  readonly #laid: readonly Laid[];
  readonly #known = new Map<string, Built>();
  readonly #paintings = new Map<string, Painting>();
  readonly #shared: ReadonlyMap<string, readonly Override[]>;
  #trees: readonly PageTree[] | undefined;
  #places: readonly Place[] | undefined;
  #groupOf: Map<Place, Group> | undefined;
  #byToken: Map<string, Set<Group>> | undefined;
  #byAddress: Map<string, Place> | undefined;

  constructor(site: Site, pages: readonly Page[]) {
    this.#site = site;
    this.#pages = pages;
    const shared = Object.values(site.shared.overrides);
    this.#shared = byPlace(shared);
    const sharedSet = ownersOf(shared);
    const templates = new Map<string, Template>();
    this.#laid = pages.map((page) => this.#lay(page, partShapes(site, page, sharedSet), templates));
    this.count = this.groups.reduce((sum, group) => sum + group.count, 0);
  }

  get trees() {
    return (this.#trees ??= this.#pages.map((page) => pageTree(this.#site, page.id)));
  }

  /** Whether its places are still those of the pages' trees: another structure may have come and gone in between. */
  holds(): boolean {
    return this.#trees === undefined || this.#pages.every((page, i) => lastTree(page) === this.#trees![i]);
  }

  get places() {
    return (this.#places ??= this.trees.flatMap((tree) => tree.places));
  }

  get groupOf() {
    if (!this.#groupOf) this.#assign();
    return this.#groupOf!;
  }

  get byToken() {
    return (this.#byToken ??= tokenIndex(this.groups));
  }

  get byAddress() {
    return (this.#byAddress ??= new Map(this.places.map((place) => [placeKey(place), place])));
  }

  /** The groups of a page, each counted once for every place. */
  #lay(page: Page, parts: readonly PartShape[], templates: Map<string, Template>): Laid {
    const overrides = Object.values(page.overrides);
    const own = byPlace(overrides);
    const body = this.#body(page, own);
    body.count++;
    return {
      body,
      parts: parts.map(({ id, shape }) => {
        const key = `${body.number} ${shape}`;
        const known = templates.get(key);
        const template = known ?? this.#template(page, id, body, own);
        if (!known) templates.set(key, template);
        const groups = known?.fresh ? this.#anew(known.groups) : template.groups;
        for (const group of groups) group.count++;
        return groups;
      }),
    };
  }

  #body(page: Page, own: ReadonlyMap<string, readonly Override[]>): Built {
    const [place] = this.#surface(page);
    return this.#groupFor(place!, overridesOf(this.#shared.get(place!.id), own.get(place!.id)), null, null);
  }

  /** The page's own surface is the same on all pages, but for what is set on it. */
  #first: Place | undefined;
  #surface(page: Page): [Place] {
    return [(this.#first ??= pageTree(this.#site, page.id).body)];
  }

  #template(page: Page, part: string, body: Built, own: ReadonlyMap<string, readonly Override[]>): Template {
    const { places } = pageTree(this.#site, page.id).parts.find((one) => one.id === part)!;
    const local = new Map<Place, Built>();
    // What stands on nothing of its part stands on the page.
    const on = (place: Place | null) => (place ? (local.get(place) ?? body) : null);
    const groups = places.map((place) => {
      const group = this.#groupFor(place, overridesOf(this.#shared.get(place.id), own.get(place.id)), on(place.under), on(place.inherits));
      local.set(place, group);
      return group;
    });
    return { groups, fresh: groups.some((group) => group.overPicture) };
  }

  /** The same looks for another part: no two places over a picture share a group, nor do those on surfaces that are over one. */
  #anew(groups: readonly Built[]): Built[] {
    const made = new Map<Group, Built>();
    return groups.map((group) => {
      const known = made.get(group);
      if (known) return known;
      const under = group.under && (made.get(group.under) ?? group.under);
      const inherits = group.inherits && (made.get(group.inherits) ?? group.inherits);
      if (!group.overPicture && under === group.under && inherits === group.inherits) return group;
      const copy = this.#add(group, group.painting, under, inherits);
      made.set(group, copy);
      return copy;
    });
  }

  #groupFor(place: Place, overrides: readonly Override[], under: Built | null, inherits: Built | null): Built {
    let look = `${place.kind}${place.inline ? 'i' : ''}${place.overPicture ? 'p' : ''}${place.states.length}`;
    for (const recipe of place.recipes) look += ` ${recipe}`;
    for (const one of overrides) look += `|${one.id}`;
    // Groups are told apart by number: what a place stands on is a group already.
    const key = `${place.overPicture ? placeKey(place) : ''}|${under ? under.number : ''}|${inherits ? inherits.number : ''}|${look}`;
    const known = this.#known.get(key);
    if (known) return known;
    const group = this.#add(place, this.#painting(place, look, overrides, inherits), under, inherits);
    this.#known.set(key, group);
    return group;
  }

  #painting(place: Place, look: string, overrides: readonly Override[], inherits: Built | null): Painting {
    const key = `${inherits ? inherits.number : ''}|${look}`;
    const known = this.#paintings.get(key);
    if (known) return known;
    const painting = makePainting(this.#site.brand, place.recipes, overrides, place.states, inherits ? inherits.painting : null);
    this.#paintings.set(key, painting);
    return painting;
  }

  #add(look: Pick<Group, 'kind' | 'states' | 'overPicture' | 'pictured' | 'inline' | 'style' | 'ground'>, painting: Painting, under: Group | null, inherits: Group | null): Built {
    const assign = () => this.#assign();
    const group: Built = {
      number: this.groups.length, kind: look.kind, states: look.states, painting, under, inherits,
      overPicture: look.overPicture, pictured: look.pictured, inline: look.inline, style: look.style, ground: look.ground, count: 0, list: null,
      get places() {
        if (!group.list) assign();
        return group.list!;
      },
    };
    this.groups.push(group);
    return group;
  }

  /** Takes every page apart and gives each place to its group: the shapes said in which order they come. */
  #assign(): void {
    const groupOf = new Map<Place, Built>();
    for (const group of this.groups) group.list = [];
    const give = (group: Built | undefined, place: Place) => {
      if (!group) throw new Error(`${placeKey(place)} has no look: its section has another shape than its places`);
      group.list!.push(place);
      groupOf.set(place, group);
    };
    this.trees.forEach((tree, i) => {
      const { body, parts } = this.#laid[i]!;
      give(body, tree.body);
      tree.parts.forEach((part, at) => part.places.forEach((place, n) => give(parts[at]?.[n], place)));
    });
    this.#groupOf = groupOf;
  }
}

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
