import * as fc from 'fast-check';
import { parseColor, paintedRgb } from '../color/index.ts';
import { applyChange, setRole, setSwatchColor, setValue, insertOp, type Edit } from '../change/index.ts';
import { type Site } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { AUDIT_WIDTHS } from '../breakpoint/index.ts';
import { tokenTable } from '../style/index.ts';
import { smallSite, literal } from '../testing/small-site.ts';
import { pageTree } from '../page/index.ts';
import { placeCount, placesOf, reachRows, tokensFollowing } from './reach.ts';
import { ripple } from './ripple.ts';
import { siteIndex } from './site-index.ts';
import { placeKey } from './place-key.ts';
import { paintedText } from './painted.ts';
import { overrideStanding, setValues } from './standing.ts';
import { nearestToken } from './nearest.ts';

const withOverrides = () =>
  readSite(
    smallSite([
      literal('o1', 'h/text', 'color', '#123456'),
      literal('o2', 'h/text', 'font-size', '40px', { band: 'phone' }),
      literal('o3', 'p/text', 'color', '#232323', { origin: 'pasted' }),
      { ...literal('o4', 's1/surface', 'background-color', ''), value: { kind: 'token', path: 'color.core.ink' } },
    ]),
  );

/**
 * Resolves every property of every place at every width and state: slow, and shares nothing with the ripple but the
 * resolver.
 */
function everything(site: Site): Map<string, string> {
  const table = tokenTable(site.brand);
  const index = siteIndex(site);
  const all = new Map<string, string>();
  for (const place of index.places) {
    const { painting } = index.groupOf.get(place)!;
    for (const property of new Set(painting.cells.map((cell) => cell.property)))
      for (const state of place.states)
        for (const width of AUDIT_WIDTHS)
          all.set(
            `${placeKey(place)}|${property}|${state}|${width}`,
            paintedText(table, painting, property, state, width) ?? '',
          );
  }
  return all;
}

const colour = fc
  .record({
    l: fc.double({ min: 0, max: 1, noNaN: true }),
    c: fc.double({ min: 0, max: 0.3, noNaN: true }),
    h: fc.double({ min: 0, max: 359, noNaN: true }),
    alpha: fc.constant(1),
  })
  .map((oklch) => ({ typed: '', oklch, rgb: paintedRgb(oklch), mapped: false }));
const edits: fc.Arbitrary<(site: Site) => Edit> = fc.oneof(
  fc.tuple(fc.constantFrom('white', 'ink', 'brand', 'dark'), colour).map(
    ([id, color]) =>
      (site: Site) =>
        setSwatchColor(site, id, color),
  ),
  fc
    .tuple(
      fc.constantFrom('pale', 'deep'),
      fc.constantFrom('text', 'link', 'background', 'button-primary-fill-hover'),
      fc.constantFrom('white', 'ink', 'brand'),
    )
    .map(
      ([ground, role, swatch]) =>
        (site: Site) =>
          setRole(site, ground, role, { kind: 'swatch', swatch }),
    ),
  fc
    .tuple(
      fc.constantFrom('base', 'ratio'),
      fc.constantFrom('small', 'large'),
      fc.double({ min: 0, max: 1, noNaN: true }),
    )
    .map(
      ([field, end, part]) =>
        (site: Site) =>
          setValue(site, 'scale', ['brand', 'scale', end, field], field === 'base' ? 14 + part * 8 : 1.1 + part * 0.4),
    ),
  fc.tuple(fc.constantFrom('phone', 'tablet', 'desktop'), fc.integer({ min: 0, max: 90 })).map(
    ([band, px]) =>
      (site: Site) =>
        setValue(site, 'space', ['brand', 'spaces', 'even', 'values', band], px),
  ),
  fc
    .constantFrom('gelasio', 'lora', 'karla')
    .map((id) => (site: Site) => setValue(site, 'family', ['brand', 'families', 'heading'], id)),
  fc
    .integer({ min: 0, max: 30 })
    .map((px) => (site: Site) => setValue(site, 'corner', ['brand', 'corners', 'button'], px)),
  fc
    .constantFrom('pale', 'deep')
    .map(
      (ground) => (site: Site) =>
        setValue(site, 'ground', ['pages', 'home', 'sections', 's1', 'own', 'ground'], ground),
    ),
  fc.constantFrom('color', 'border-radius').map((property) => (site: Site) => {
    const id = `new-${Object.keys(site.pages['home']!.overrides).length}`;
    return {
      label: 'override',
      ops: [
        insertOp(
          site,
          ['pages', 'home', 'overrides'],
          null,
          id,
          literal(id, 'p/l1', property as 'color', property === 'color' ? '#00ff00' : '7px'),
        ),
      ],
    };
  }),
);

describe('ripple', () => {
  it('names exactly the places that a comparison of everything before and after finds', () => {
    fc.assert(
      fc.property(edits, edits, (first, second) => {
        const before = applyChange(withOverrides(), first(withOverrides())).site;
        const after = applyChange(before, second(before)).site;
        const old = everything(before);
        const now = everything(after);
        const expected = new Set<string>();
        for (const key of new Set([...old.keys(), ...now.keys()]))
          if (old.get(key) !== now.get(key)) expected.add(key.split('|')[0]!);
        const found = new Set(ripple(before, after).changed.map(placeKey));
        expect([...found].sort()).toEqual([...expected].sort());
      }),
      { numRuns: 150 },
    );
  });

  it('names what an override holds back, and by what', () => {
    const site = withOverrides();
    const after = applyChange(site, setSwatchColor(site, 'brand', parseColor('#336699')!)).site;
    expect(ripple(site, after).held.map((place) => [place.place.id, place.property, place.by.id])).toEqual([
      ['h/text', 'color', 'o1'],
    ]);
  });

  it('is nothing when nothing changed', () => {
    const site = withOverrides();
    expect(ripple(site, site)).toEqual({ changed: [], held: [], added: [], removed: [] });
  });

  it('tells added and removed places', () => {
    const site = withOverrides();
    const content = [{ text: 'No link' }];
    const after = applyChange(
      site,
      setValue(site, '', ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'p', 'content'], content),
    ).site;
    const what = ripple(site, after);
    expect(what.removed.map((place) => place.id)).toEqual(['p/l1']);
    expect(what.added).toEqual([]);
  });
});

describe('reach', () => {
  it('is what changes when the token changes: changing its one line restyles those places and no others', () => {
    const site = withOverrides();
    for (const id of ['white', 'ink', 'brand']) {
      const path = `color.core.${id}`;
      const after = applyChange(site, setSwatchColor(site, id, parseColor('#0abcde')!)).site;
      const own = new Set(placesOf(site, path).map(placeKey));
      const follow = new Set(
        tokensFollowing(tokenTable(site.brand), path).flatMap((token) => placesOf(site, token).map(placeKey)),
      );
      for (const place of ripple(site, after).changed)
        expect(own.has(placeKey(place)) || follow.has(placeKey(place)))
          .withContext(`${id} ${place.id}`)
          .toBeTrue();
      for (const key of own) expect(ripple(site, after).changed.map(placeKey)).withContext(id).toContain(key);
    }
  });

  it('lists states and properties: a link takes its hover colour in hover alone', () => {
    const site = withOverrides();
    const rows = reachRows(site, 'background.pale.link-hover').filter((row) => row.place.id === 'p/l1');
    expect(new Set(rows.map((row) => row.state))).toEqual(new Set(['hover']));
    expect(rows.map((row) => row.width)).toEqual([...AUDIT_WIDTHS]);
    expect(rows[0]!.properties).toEqual(['color']);
  });

  it('follows rules to derived tokens', () => {
    expect(tokensFollowing(tokenTable(withOverrides().brand), 'color.core.brand')).toContain('color.derived.dark');
  });

  it('keeps one id for shared parts on all pages', () => {
    const places = placesOf(withOverrides(), 'background.deep.background').filter(
      (place) => place.id === 'footer/surface',
    );
    expect(places.map((place) => place.page)).toEqual(['home', 'more', '~404']);
  });

  it('gives the same index while only values change', () => {
    const site = withOverrides();
    const after = applyChange(site, setSwatchColor(site, 'brand', parseColor('#336699')!)).site;
    expect(siteIndex(after)).toBe(siteIndex(site));
  });
});

describe('standing', () => {
  it('is stray for a pasted literal, held for one override, bound for a token, held once left with a reason', () => {
    const values = new Map(setValues(withOverrides()).map((value) => [value.override.id, value.standing]));
    expect(Object.fromEntries(values)).toEqual({ o3: 'stray', o1: 'held', o2: 'held', o4: 'bound' });
    expect(overrideStanding(literal('x', 'h/text', 'color', '#000', { origin: 'raw', reason: 'logo colour' }))).toBe(
      'held',
    );
  });
  it('finds the token nearest to a stray', () => {
    const site = withOverrides();
    const stray = setValues(site)[0]!;
    const nearest = nearestToken(site, stray.override, stray.place!)!;
    expect([nearest.path, nearest.own]).toEqual(['color.core.ink', true]);
  });
});

describe('the index of a site', () => {
  it('knows the places of its pages after another structure came and went', () => {
    const site = smallSite();
    const placesKnown = (entry: typeof site) =>
      entry.pageOrder.every((id) => pageTree(entry, id).places.every((place) => siteIndex(entry).groupOf.has(place)));
    expect(placesKnown(site)).toBeTrue();
    // A drawing, a gradient, a style for one width: the same pages, built otherwise.
    const other = {
      ...site,
      brand: {
        ...site.brand,
        styles: { ...site.brand.styles, running: { ...site.brand.styles['running']!, at: { phone: 19 } } },
      },
    };
    pageTree(other, 'home');
    expect(placesKnown(site)).toBeTrue();
    expect(placesKnown(other)).toBeTrue();
  });
  it('lists the places of a look by taking apart its pages alone, and lets go of the others', () => {
    const site = withOverrides();
    const index = siteIndex(site);
    const alone = index.groups.find(
      (group) => group.count === 1 && index.pagesWith(new Set([group])).join() === 'more',
    )!;
    const [only] = alone.places;
    expect([only!.page, index.groupOf.get(only!)]).toEqual(['more', alone]);
    // The places of a list stay; pages that were only inspected are built again.
    const home = index.tree('home');
    index.letGo('home');
    index.letGo('more');
    expect([index.tree('home') === home, index.groupOf.get(only!)]).toEqual([false, alone]);
    for (const group of index.groups)
      expect(group.places.map((place) => [placeKey(place), index.groupOf.get(place)])).toEqual(
        index.places.filter((place) => index.groupOf.get(place) === group).map((place) => [placeKey(place), group]),
      );
    expect(index.groups.reduce((sum, group) => sum + group.places.length, 0)).toBe(index.count);
  });
  it('knows how many places a part has and which comes first, with no page taken apart for it', () => {
    const site = withOverrides();
    const index = siteIndex(site);
    for (const part of ['header', 's1', 'footer']) {
      const of = index.places.filter((place) => place.section === part);
      expect([index.countIn(part), index.countIn(part, 'home')]).toEqual([
        of.length,
        of.filter((place) => place.page === 'home').length,
      ]);
    }
    for (const group of index.groups) expect(index.firstOf(new Set([group]))).toBe(group.places[0]);
    expect(index.firstOf(new Set())).toBeUndefined();
    const paths = ['color.core.ink', 'color.core.white'];
    expect(placeCount(site, paths)).toBe(new Set(paths.flatMap((path) => placesOf(site, path))).size);
  });
});
