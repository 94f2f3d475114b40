import type { Override, Page, Section, Site } from '../site/index.ts';
import {
  editedPage,
  forgetTree,
  hasTree,
  isKept,
  pageTree,
  partOfPage,
  partPatterns,
  type PublishedPage,
  type PageTree,
  type PartPattern,
  type Place,
} from '../page/index.ts';
import { placesIn, type Group, type SiteIndex } from './group.ts';
import { makePainting, type Painting, type SetOn } from './painting.ts';
import { paintingsOf } from './known-paintings.ts';
import { mouldOf, type Mould } from './mould.ts';
import { positionIn } from './position.ts';
import { tokenIndex } from './token-index.ts';
import { type LookOf, Built } from './built-group.ts';
import { placeKey } from './place-key.ts';

/** The looks of a part's places, in their order. Over a picture each part has groups of its own, made after these. */
interface Template {
  readonly groups: readonly Built[];
  /** True where there is something to be made anew for each part. */ readonly fresh: boolean;
}

/** Groups of one page: of its own surface, then of its parts. */
interface Laid {
  readonly body: Built;
  readonly parts: readonly { readonly id: string; readonly groups: readonly Built[] }[];
}

export class Index implements SiteIndex {
  readonly groups: Built[] = [];
  readonly count: number;
  readonly #site: Site;
  readonly #pages: readonly Page[];
  readonly #laid: readonly Laid[];
  /** The number of files for pages whose look several files have. */
  readonly #times: ReadonlyMap<string, number>;
  readonly #known = new Map<string, Built>();
  readonly #paintings = new Map<string, Painting>();
  readonly #moulds = new Map<string, Mould<Built>>();
  /** Values set on places wherever they are used. */
  readonly #used: ReadonlyMap<string, readonly Override[]>;
  /** Values set are told apart by number: two records may know the same id. */
  readonly #numbers = new Map<Override, number>();
  #trees: readonly PageTree[] | undefined;
  #places: readonly Place[] | undefined;
  /** The tree of each page that was built, and the look of each of its places. */
  readonly #taken = new Map<
    string,
    { readonly tree: PageTree; readonly looks: ReadonlyMap<Place, Built>; byId?: ReadonlyMap<string, Place> }
  >();
  /** Pages of which some group has its places listed: they stay taken apart. */
  readonly #listed = new Set<string>();
  #pagesOf: ReadonlyMap<Built, readonly string[]> | undefined;
  #pageAt: ReadonlyMap<string, number> | undefined;
  #byToken: Map<string, Set<Group>> | undefined;

  constructor(site: Site, published: readonly PublishedPage[]) {
    const pages = published.map(({ page }) => page);
    this.#site = site;
    this.#pages = pages;
    this.#times = new Map(published.filter(({ files }) => files.length > 1).map(({ id, files }) => [id, files.length]));
    this.#used = byPlace(Object.values(site.shared.overrides));
    const templates = new Map<string, Template>();
    this.#laid = pages.map((page) => this.#lay(page, partPatterns(site, page), templates));
    this.count = placesIn(this.groups);
    // The keys that told looks apart are no longer needed.
    this.#known.clear();
    this.#paintings.clear();
    this.#moulds.clear();
  }

  times(page: string): number {
    return this.#times.get(page) ?? 1;
  }

  countOf(places: Iterable<{ readonly page: string }>): number {
    let count = 0;
    for (const { page } of places) count += this.times(page);
    return count;
  }

  get trees() {
    return (this.#trees ??= this.#pages.map((page) => this.#page(page.id)!.tree));
  }

  /**
   * Returns true if its places are still those of the pages' trees: another structure may have come and gone in
   * between.
   */
  holds(): boolean {
    for (const { tree } of this.#taken.values()) if (!isKept(tree)) return false;
    return true;
  }

  /** A page taken apart, with the look of each of its places. */
  #page(id: string) {
    const known = this.#taken.get(id);
    if (known) return known;
    this.#pageAt ??= new Map(this.#pages.map((page, i) => [page.id, i]));
    const laid = this.#laid[this.#pageAt.get(id) ?? -1];
    if (!laid) return undefined;
    const tree = pageTree(this.#site, id);
    const looks = new Map<Place, Built>();
    const give = (group: Built | undefined, place: Place) => {
      if (!group) throw new Error(`${placeKey(place)} has no look: its section has another shape than its places`);
      looks.set(place, group);
    };
    give(laid.body, tree.body);
    tree.parts.forEach((part, at) => part.places.forEach((place, n) => give(laid.parts[at]?.groups[n], place)));
    const taken = { tree, looks };
    this.#taken.set(id, taken);
    return taken;
  }

  readonly groupOf = {
    get: (place: Place): Group | undefined => this.#page(place.page)?.looks.get(place),
    has: (place: Place): boolean => this.#page(place.page)?.looks.has(place) ?? false,
  };

  readonly byAddress = {
    get: (key: string): Place | undefined => {
      const space = key.indexOf(' ');
      const taken: { tree: PageTree; byId?: ReadonlyMap<string, Place> } | undefined = this.#page(key.slice(0, space));
      if (!taken) return undefined;
      taken.byId ??= new Map(taken.tree.places.map((place) => [place.id, place]));
      return taken.byId.get(key.slice(space + 1));
    },
    has: (key: string): boolean => this.byAddress.get(key) !== undefined,
  };

  letGo(page: string): void {
    const taken = this.#taken.get(page);
    // Pages that were asked for stay: lists and groups hold their places.
    if (!taken || this.#trees || this.#listed.has(page)) return;
    this.#taken.delete(page);
    forgetTree(taken.tree.page);
  }

  tree(page: string): PageTree | undefined {
    return this.#page(page)?.tree;
  }

  placesOn(page: string, groups: ReadonlySet<Group>): readonly Place[] {
    return [...(this.#page(page)?.looks ?? [])].filter(([, group]) => groups.has(group)).map(([place]) => place);
  }

  pagesWith(groups: ReadonlySet<Group>): readonly string[] {
    return this.#pages
      .filter((_page, i) => {
        const { body, parts } = this.#laid[i]!;
        return groups.has(body) || parts.some((part) => part.groups.some((group) => groups.has(group)));
      })
      .map((page) => page.id);
  }

  firstOf(groups: ReadonlySet<Group>): Place | undefined {
    const [page] = this.pagesWith(groups);
    return page === undefined ? undefined : this.placesOn(page, groups)[0];
  }

  countIn(part: string, page?: string): number {
    return this.#pages.reduce(
      (sum, { id }, i) =>
        page !== undefined && editedPage(id) !== page
          ? sum
          : sum + this.times(id) * (this.#laid[i]!.parts.find((entry) => entry.id === part)?.groups.length ?? 0),
      0,
    );
  }

  get places() {
    return (this.#places ??= this.trees.flatMap((tree) => tree.places));
  }

  get byToken() {
    return (this.#byToken ??= tokenIndex(this.groups));
  }

  /** The groups of a page, each counted once for every place. */
  #lay(page: Page, parts: readonly PartPattern[], templates: Map<string, Template>): Laid {
    const overrides = Object.values(page.overrides);
    const own = byPlace(overrides);
    const body = this.#body(page, own);
    const times = this.times(page.id);
    body.count += times;
    return {
      body,
      parts: parts.map(({ id, shape, plain }) => {
        const key = `${body.number} ${shape}`;
        const known = templates.get(key);
        const set = plain && this.#setIn(this.#mould(page, id, plain), plain.section, own, body);
        if (set) {
          for (const group of set) group.count += times;
          return { id, groups: set };
        }
        const template = known ?? this.#template(page, id, body, own);
        if (!known) templates.set(key, template);
        const groups = known?.fresh ? this.#anew(known.groups) : template.groups;
        for (const group of groups) group.count += times;
        return { id, groups };
      }),
    };
  }

  #body(page: Page, own: ReadonlyMap<string, readonly Override[]>): Built {
    const [place] = this.#surface(page);
    return this.#groupFor(place!, this.#setOn(place!, own), null, null);
  }

  /** The page's own surface is the same on all pages, but for what is set on it. */
  #first: Place | undefined;
  #surface(page: Page): [Place] {
    return [(this.#first ??= pageTree(this.#site, page.id).body)];
  }

  #template(page: Page, part: string, body: Built, own: ReadonlyMap<string, readonly Override[]>): Template {
    // One part of one page is enough: parts of the same shape have the same looks.
    const { places } = (
      hasTree(this.#site, page)
        ? pageTree(this.#site, page.id).parts.find((entry) => entry.id === part)
        : partOfPage(this.#site, page.id, part)
    )!;
    const local = new Map<Place, Built>();
    // A place with nothing below it in its part is on the page's own surface.
    const on = (place: Place | null) => (place ? (local.get(place) ?? body) : null);
    const groups = places.map((place) => {
      const group = this.#groupFor(place, this.#setOn(place, own), on(place.under), on(place.inherits));
      local.set(place, group);
      return group;
    });
    return { groups, fresh: groups.some((group) => group.overPicture) };
  }

  #mould(page: Page, part: string, { shape, section }: NonNullable<PartPattern['plain']>): Mould<Built> {
    let mould = this.#moulds.get(shape);
    if (!mould) this.#moulds.set(shape, (mould = mouldOf(partOfPage(this.#site, page.id, part)!.places, section)));
    return mould;
  }

  /**
   * Returns the looks of a section with values set on some places, from the mould of its shape; undefined when the
   * positions of those places are not known.
   */
  #setIn(
    mould: Mould<Built>,
    section: Section,
    own: ReadonlyMap<string, readonly Override[]>,
    body: Built,
  ): Built[] | undefined {
    // Over a picture no two places share a look.
    if (mould.places.some((place) => place.overPicture)) return undefined;
    const set = new Map<number, readonly Override[]>();
    for (const [place, list] of own) {
      const owner = place.slice(0, place.indexOf('/'));
      if (owner !== section.id && !Object.hasOwn(section.blocks, owner)) continue;
      const at = mould.at.get(positionIn(section, place) ?? '');
      if (at === undefined) return undefined;
      set.set(at, list);
    }
    let plain = mould.plain.get(body);
    if (!plain) mould.plain.set(body, (plain = []));
    const groups: Built[] = [];
    const other = new Set<number>();
    // A place with nothing below it in its part is on the page's own surface.
    const on = (at: number, is: Place | null) => (at >= 0 ? groups[at]! : is ? body : null);
    mould.places.forEach((place, i) => {
      const [under, inherits] = [mould.under[i]!, mould.inherits[i]!];
      const here = set.get(i);
      const touched = here !== undefined || other.has(under) || other.has(inherits);
      if (touched) other.add(i);
      const group =
        (touched ? undefined : plain[i]) ??
        this.#groupFor(place, { here: here ?? NONE, used: NONE }, on(under, place.under), on(inherits, place.inherits));
      if (!touched) plain[i] = group;
      groups.push(group);
    });
    return groups;
  }

  /**
   * The same looks for another part: no two places over a picture share a group, nor do those on surfaces that are over
   * one.
   */
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

  /** Returns the overrides of a place, on this page and everywhere. */
  #setOn(place: Place, here: ReadonlyMap<string, readonly Override[]>): SetOn {
    return { here: here.get(place.id) ?? NONE, used: (place.usedId !== null && this.#used.get(place.usedId)) || NONE };
  }

  #number(override: Override): number {
    let number = this.#numbers.get(override);
    if (number === undefined) this.#numbers.set(override, (number = this.#numbers.size));
    return number;
  }

  #groupFor(place: Place, set: SetOn, under: Built | null, inherits: Built | null): Built {
    let look = `${place.kind}${place.inline ? 'i' : ''}${place.overPicture ? 'p' : ''}${place.states.length}${place.hidden.length > 0 ? `not ${place.hidden.join()}` : ''}`;
    for (const recipe of place.recipes) look += ` ${recipe}`;
    for (const entry of set.used) look += `|${this.#number(entry)}`;
    for (const override of set.here) look += `|here ${this.#number(override)}`;
    // Groups are told apart by number: what a place stands on is a group already.
    const key = `${place.overPicture ? placeKey(place) : ''}|${under ? under.number : ''}|${inherits ? inherits.number : ''}|${look}`;
    const known = this.#known.get(key);
    if (known) return known;
    const group = this.#add(place, this.#painting(place, look, set, inherits), under, inherits);
    this.#known.set(key, group);
    return group;
  }

  #painting(place: Place, look: string, set: SetOn, inherits: Built | null): Painting {
    const parent = inherits ? inherits.painting : null;
    // Looks that nothing is set on are those of the index before; the others are of this one.
    const plain = set.here.length === 0 && set.used.length === 0;
    const key = plain ? look : `${inherits ? inherits.number : ''}|${look}`;
    const paintings = plain ? paintingsOf(this.#site.brand, parent) : this.#paintings;
    const known = paintings.get(key);
    if (known) return known;
    const painting = makePainting(this.#site.brand, place.recipes, set, place.states, parent);
    paintings.set(key, painting);
    return painting;
  }

  #add(look: LookOf, painting: Painting, under: Built | null, inherits: Built | null): Built {
    const group = new Built(this, this.groups.length, look, painting, under, inherits);
    this.groups.push(group);
    return group;
  }

  /** The places of a look, in page order: the pages that have it are taken apart, and stay so. */
  listOf(group: Built): Place[] {
    this.#pagesOf ??= this.#pagesByGroup();
    return (this.#pagesOf.get(group) ?? []).flatMap((page) => {
      this.#listed.add(page);
      return [...this.#page(page)!.looks].flatMap(([place, look]) => (look === group ? [place] : []));
    });
  }

  #pagesByGroup(): ReadonlyMap<Built, readonly string[]> {
    const pages = new Map<Built, string[]>();
    this.#laid.forEach(({ body, parts }, i) => {
      for (const group of new Set([body, ...parts.flatMap((part) => part.groups)])) {
        const known = pages.get(group);
        if (known) known.push(this.#pages[i]!.id);
        else pages.set(group, [this.#pages[i]!.id]);
      }
    });
    return pages;
  }
}

const NONE: readonly Override[] = [];

function byPlace(overrides: readonly Override[]): Map<string, Override[]> {
  const map = new Map<string, Override[]>();
  for (const override of overrides) map.set(override.place, [...(map.get(override.place) ?? []), override]);
  return map;
}
