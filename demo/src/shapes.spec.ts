import fc from 'fast-check';
import {
  makePainting,
  pageTree,
  publishedPages,
  siteIndex,
  type Block,
  type BlockOf,
  type Override,
  type Place,
  type Section,
  type Site,
} from '@yohaku/core';
import { ternhaven } from './index.ts';
import { manyPlaces } from './many-places.ts';

type Sections = readonly Section[];
const of = <K extends Block['kind']>(sections: Sections, kind: K): BlockOf<K>[] =>
  sections
    .flatMap((section) => Object.values(section.blocks))
    .filter((block): block is BlockOf<K> => block.kind === kind);
const pick = <T>(list: readonly T[], at: number): T => list[at % list.length]!;
const last = ternhaven.brand.styleOrder.at(-1)!;

/**
 * Changes that a designer could make to one section and that change which places it has or how they look; words and ids
 * do not.
 */
const TWEAKS: readonly ((sections: Sections, at: number) => void)[] = [
  (sections, at) => {
    pick(of(sections, 'text'), at).style = last;
  },
  (sections, at) => {
    const block = pick(of(sections, 'text'), at);
    block.content = [
      ...block.content,
      { id: 'more', text: 'More', link: { to: 'url', url: 'https://ternhaven.example' } },
    ];
  },
  (sections, at) => {
    const block = pick(of(sections, 'text'), at);
    block.content = [...block.content, { id: 'seen', text: 'seen', marked: true }];
  },
  (sections, at) => {
    const block = pick(of(sections, 'list'), at);
    if (block.icon) delete block.icon;
    else block.icon = 'check';
  },
  (sections, at) => {
    const block = pick(of(sections, 'table'), at);
    block.caption = block.caption === '' ? 'Times' : '';
  },
  (sections, at) => {
    const block = pick(of(sections, 'table'), at);
    block.order = block.order.slice(1);
  },
  (sections, at) => {
    const block = pick(of(sections, 'table'), at);
    block.headStyle = last;
  },
  (sections, at) => {
    const block = pick(of(sections, 'figures'), at);
    block.order = block.order.slice(1);
  },
  (sections, at) => {
    for (const item of Object.values(pick(of(sections, 'buttons'), at).items))
      item.variant = ternhaven.brand.variantOrder.at(-1)!;
  },
  (sections, at) => {
    for (const card of Object.values(pick(of(sections, 'cards'), at).items)) card.link = null;
  },
  (sections, at) => {
    for (const card of Object.values(pick(of(sections, 'cards'), at).items)) card.picture = null;
  },
  (sections, at) => {
    pick(of(sections, 'cards'), at).ground = ternhaven.brand.groundOrder.at(-1)!;
  },
  (sections, at) => {
    for (const field of Object.values(pick(of(sections, 'form'), at).items))
      field.help = field.help === '' ? 'Help' : '';
  },
  (sections, at) => {
    for (const field of Object.values(pick(of(sections, 'form'), at).items))
      field.error = field.error ? '' : 'Say when you sail.';
  },
  (sections, at) => {
    const section = pick(
      sections.filter((entry) => entry.picture),
      at,
    );
    section.picture = { ...section.picture!, shade: section.picture!.shade > 0 ? 0 : 0.5 };
  },
  (sections, at) => {
    const section = pick(sections, at);
    section.space = pick(
      ternhaven.brand.spaceOrder.filter((id) => id !== section.space && ternhaven.brand.spaces[id]!.use === 'section'),
      at,
    );
  },
  (sections, at) => {
    const section = pick(
      sections.filter((entry) => entry.columnOrder.length > 1),
      at,
    );
    section.columnOrder = section.columnOrder.toReversed();
  },
];

/**
 * The second copy of every page, some of the tweaks each done to one of its sections: its twin in the first copy has
 * the shape it had.
 */
function tweaked(site: Site, picks: readonly (number | null)[]): Site {
  const made = structuredClone(site);
  const sections = made.pageOrder
    .slice(ternhaven.pageOrder.length)
    .flatMap((id) =>
      Object.values(made.pages[id]!.sections).flatMap((entry): Section[] => ('own' in entry ? [entry.own] : [])),
    );
  picks.forEach((at, i) => {
    if (at !== null) TWEAKS[i]!(sections, at);
  });
  // A value set on a place somewhere, be it in a shared part.
  const page = made.pages[pick(made.pageOrder, picks[1] ?? 3)]!;
  const places = pageTree(made, page.id).places;
  const set = (place: Place): Override => ({
    id: `set-${place.id.replaceAll(/[/:]/g, '-')}`,
    place: place.id,
    property: 'color',
    band: null,
    origin: 'set',
    value: { kind: 'literal', css: '#123456' },
    reason: null,
  });
  const own = set(places[(picks[0] ?? 5) % places.length]!);
  page.overrides = { ...page.overrides, [own.id]: own };
  // And one wherever a place is used.
  const shared = places.filter((place) => place.usedId !== null);
  const used = shared[(picks[2] ?? 7) % shared.length]!;
  made.shared.overrides = {
    'set-used': {
      ...set(used),
      id: 'set-used',
      place: used.usedId!,
      property: 'letter-spacing',
      value: { kind: 'literal', css: '0.02em' },
    },
  };
  return made;
}

describe('the looks of a site, found from the shapes of its sections', () => {
  it('are those found place by place', () => {
    fc.assert(
      fc.property(fc.array(fc.option(fc.nat(400)), { minLength: TWEAKS.length, maxLength: TWEAKS.length }), (picks) => {
        const site = tweaked(manyPlaces(ternhaven, 2 * ternhaven.pageOrder.length), picks);
        const index = siteIndex(site);
        // Counted before any page is taken apart.
        const counts = index.groups.map((group) => group.count);
        const looks = new Map<string, Place[]>();
        const lookOf = new Map<Place, string>();
        for (const { id, page } of publishedPages(site))
          for (const place of pageTree(site, id).places) {
            // A value set here is this page's own, whatever its id is elsewhere.
            const used = Object.values(site.shared.overrides)
              .filter((override) => override.place === place.usedId)
              .map((override) => override.id);
            const overrides = [
              used,
              Object.values(page.overrides)
                .filter((override) => override.place === place.id)
                .map((override) => `${id} ${override.id}`),
            ];
            const look = JSON.stringify([
              place.kind,
              place.inline,
              place.states,
              place.recipes,
              overrides,
              place.overPicture && [place.page, place.id],
              place.under && lookOf.get(place.under),
              place.inherits && lookOf.get(place.inherits),
            ]);
            lookOf.set(place, look);
            const group = index.groupOf.get(place)!;
            expect([group.kind, group.inline, group.style, group.ground, group.overPicture, group.pictured]).toEqual([
              place.kind,
              place.inline,
              place.style,
              place.ground,
              place.overPicture,
              place.pictured,
            ]);
            expect(group.under).toBe(place.under && index.groupOf.get(place.under)!);
            expect(group.inherits).toBe(place.inherits && index.groupOf.get(place.inherits)!);
            looks.set(look, [...(looks.get(look) ?? []), place]);
          }
        expect(index.groups.map((group) => group.places)).toEqual([...looks.values()]);
        expect(counts).toEqual([...looks.values()].map((places) => index.countOf(places)));
        expect(index.count).toBe(index.countOf(index.places));
        for (const group of index.groups) expect(group.painting.recipes).toEqual(group.places[0]!.recipes);
      }),
      { numRuns: 20 },
    );
  });

  it('paint what a painting made for the place alone would', () => {
    const site = manyPlaces(ternhaven, 18);
    const index = siteIndex(site);
    for (const group of index.groups)
      for (const place of group.places.slice(-1)) {
        const alone = makePainting(
          site.brand,
          place.recipes,
          group.painting.set,
          place.states,
          group.inherits?.painting ?? null,
        );
        expect(
          group.painting.cells.map(({ property, state, band, token }) => `${property} ${state} ${band} ${token}`),
        ).toEqual(alone.cells.map(({ property, state, band, token }) => `${property} ${state} ${band} ${token}`));
      }
  });
});
