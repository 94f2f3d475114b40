import {
  acceptChange,
  addOverride,
  addPage,
  applyChange,
  duplicateSection,
  insertOp,
  removeSection,
  splitStyle,
} from '../change/index.ts';
import { anchorOf, pageTree, whereSet, type Place, type Where } from '../page/index.ts';
import { paintedText, ripple, setValues, siteIndex } from '../reach/index.ts';
import { stylesCss, pageHtml } from '../render/index.ts';
import type { Override, Site } from '../site/index.ts';
import { tokenTable } from '../style/index.ts';
import { literal, smallSite } from '../testing/small-site.ts';
import { readSite } from './index.ts';

/** The small site with its shared section put on the home page twice more. */
function usedThrice(): Site {
  const site = smallSite();
  const home = site.pages['home']!;
  return readSite({
    ...site,
    pages: {
      ...site.pages,
      home: {
        ...home,
        sectionOrder: [...home.sectionOrder, 's3', 's4'],
        sections: { ...home.sections, s3: { id: 's3', shared: 'common' }, s4: { id: 's4', shared: 'common' } },
      },
    },
  });
}
const placeOf = (site: Site, page: string, id: string): Place =>
  pageTree(site, page).places.find((place) => place.id === id)!;
const value = (css: string, property: Override['property'] = 'color', id = 'o1'): Omit<Override, 'place'> =>
  literal(id, '', property, css);
const set = (site: Site, place: Place, where: Where, entry: Omit<Override, 'place'>): Site =>
  acceptChange(site, addOverride(site, anchorOf(place, where), entry, place.label)).site;
const color = (site: Site, page: string, id: string): string | undefined => {
  const index = siteIndex(site);
  return paintedText(
    tokenTable(site.brand),
    index.groupOf.get(index.byAddress.get(`${page} ${id}`)!)!.painting,
    'color',
    'rest',
    1280,
  );
};

describe('who a place is', () => {
  it('a shared section stands on a page more than once, and each element has an id of its own there', () => {
    const site = usedThrice();
    for (const page of site.pageOrder) {
      const ids = pageTree(site, page).places.map((place) => place.id);
      expect(new Set(ids).size).toBe(ids.length);
      const html = pageHtml(site, page);
      const written = [...html.matchAll(/data-place="([^"]+)"/g)].map((match) => match[1]!);
      expect([...written].sort()).toEqual([...ids].sort());
      const anchors = [...html.matchAll(/ id="([^"]+)"/g)].map((match) => match[1]!);
      expect(new Set(anchors).size).toBe(anchors.length);
    }
    expect(
      pageTree(site, 'home')
        .places.filter((place) => place.usedId === 'common:c1/text')
        .map((place) => place.id),
    ).toEqual(['s2:c1/text', 's3:c1/text', 's4:c1/text']);
    expect(placeOf(site, 'home', 'h/text').usedId).toBeNull();
    expect(placeOf(site, 'home', 'foot/text').usedId).toBe('foot/text');
  });

  it('what is set here paints here only, what is set everywhere paints there, and here goes before', () => {
    const site = usedThrice();
    const here = set(site, placeOf(site, 'home', 's3:c1/text'), 'here', value('#010203'));
    expect([
      color(here, 'home', 's2:c1/text'),
      color(here, 'home', 's3:c1/text'),
      color(here, 'home', 's4:c1/text'),
      color(here, 'more', 't2:c1/text'),
    ]).toEqual(['#ffffff', '#010203', '#ffffff', '#ffffff']);
    expect(ripple(site, here).changed.map((place) => `${place.page} ${place.id}`)).toEqual(['home s3:c1/text']);
    const both = set(here, placeOf(here, 'home', 's2:c1/text'), 'used', value('#aabbcc', 'color', 'o2'));
    expect([
      color(both, 'home', 's2:c1/text'),
      color(both, 'home', 's3:c1/text'),
      color(both, 'more', 't2:c1/text'),
    ]).toEqual(['#aabbcc', '#010203', '#aabbcc']);
    expect(
      ripple(here, both)
        .changed.map((place) => `${place.page} ${place.id}`)
        .sort(),
    ).toEqual(['home s2:c1/text', 'home s4:c1/text', 'more t2:c1/text']);
    expect(setValues(both).map((entry) => [entry.override.id, entry.count])).toEqual([
      ['o2', 4],
      ['o1', 1],
    ]);
    const group = (id: string) => siteIndex(both).groupOf.get(siteIndex(both).byAddress.get(`home ${id}`)!)!;
    expect(whereSet(both, placeOf(both, 'home', 's3:c1/text'), group('s3:c1/text').painting.set.here[0]!)).toBe('here');
    expect(whereSet(both, placeOf(both, 'home', 's2:c1/text'), group('s2:c1/text').painting.set.used[0]!)).toBe('used');
  });

  it('a value set on the header of one page is in the sheet for that page, one of all pages for all', () => {
    const site = smallSite();
    const name = placeOf(site, 'home', 'header/name');
    const css = stylesCss(
      set(set(site, name, 'here', value('#010203')), name, 'used', value('#aabbcc', 'color', 'o2')),
    );
    expect(css).toContain(':root[data-page="home"] [data-place="header/name"] { color: #010203; }');
    expect(css).toContain('\n[data-place="header/name"] { color: #aabbcc; }');
    const section = stylesCss(set(site, placeOf(site, 'home', 's2:c1/text'), 'used', value('#aabbcc')));
    expect(section).toContain('[data-used="common:c1/text"] { color: #aabbcc; }');
    expect(pageHtml(site, 'more')).toContain('data-place="t2:c1/text" data-used="common:c1/text"');
  });

  it('two records may know values by one id, and neither paints what the other is set on', () => {
    const site = smallSite();
    const now = set(
      set(site, placeOf(site, 'home', 'h/text'), 'here', value('#010203')),
      placeOf(site, 'more', 'th/text'),
      'here',
      value('#aabbcc'),
    );
    expect([color(now, 'home', 'h/text'), color(now, 'more', 'th/text')]).toEqual(['#010203', '#aabbcc']);
  });

  it('a value on a place that is not there is refused with its path: of another page, of no section, of a page in the shared record', () => {
    const site = usedThrice();
    const refused = (record: string[], place: string) =>
      expect(() =>
        acceptChange(site, { ops: [insertOp(site, record, null, 'o1', literal('o1', place, 'color', '#010203'))] }),
      )
        .withContext(place)
        .toThrowError(new RegExp(`^${record.join('\\.')}\\.o1\\.place .*${place}`));
    refused(['pages', 'home', 'overrides'], 'th/text');
    refused(['pages', 'home', 'overrides'], 'common:c1/text');
    refused(['pages', 'home', 'overrides'], 's9:c1/text');
    refused(['shared', 'overrides'], 'h/text');
    refused(['shared', 'overrides'], 's2:c1/text');
    refused(['shared', 'overrides'], 'c1/text');
  });

  it('values go with their section and their page: deleted, copied, brought back', () => {
    let site = usedThrice();
    site = set(site, placeOf(site, 'home', 'h/text'), 'here', value('#010203', 'color', 'o1'));
    site = set(site, placeOf(site, 'home', 's3:c1/text'), 'here', value('#0a0b0c', 'color', 'o2'));
    site = set(site, placeOf(site, 'home', 'header/name'), 'here', value('#0d0e0f', 'color', 'o3'));
    site = set(site, placeOf(site, 'home', 's3:c1/text'), 'used', value('20px', 'font-size', 'o4'));

    const gone = acceptChange(site, removeSection(site, 'home', 's3'));
    expect(Object.keys(gone.site.pages['home']!.overrides)).toEqual(['o1', 'o3']);
    expect(acceptChange(gone.site, { ops: gone.inverse }).site).toEqual(site);

    const paged = acceptChange(site, addPage(site, 'copy', 'home')).site;
    expect(readSite(paged)).toEqual(paged);
    expect([
      color(paged, 'copy', 'copy-s1-b1/text'),
      color(paged, 'copy', 'copy-s3:c1/text'),
      color(paged, 'copy', 'header/name'),
    ]).toEqual(['#010203', '#0a0b0c', '#0d0e0f']);

    const own = acceptChange(site, duplicateSection(site, 'home', 's1', 'twin')).site;
    expect(color(own, 'home', 'twin-b1/text')).toBe('#010203');
    const fromShared = acceptChange(site, duplicateSection(site, 'home', 's3', 'twin')).site;
    expect(readSite(fromShared)).toEqual(fromShared);
    expect(color(fromShared, 'home', 'twin-b1/text')).toBe('#0a0b0c');
    const twin = siteIndex(fromShared).groupOf.get(siteIndex(fromShared).byAddress.get('home twin-b1/text')!)!;
    expect(paintedText(tokenTable(site.brand), twin.painting, 'font-size', 'rest', 1280)).toBe('20');
  });

  it('a style made of what a shared text has everywhere is that of the section; what is set here is left', () => {
    const site = usedThrice();
    const place = placeOf(site, 'home', 's2:c1/text');
    const now = set(site, place, 'used', value('31px', 'font-size'));
    const edit = splitStyle(
      now,
      { anchor: anchorOf(place, 'used'), ground: place.ground, item: null },
      place.styled!,
      'apart',
    )!;
    const after = acceptChange(now, edit).site;
    expect(after.shared.overrides).toEqual({});
    expect(after.shared.sections['common']!.blocks['c1']).toEqual(jasmine.objectContaining({ style: 'apart' }));
  });

  it('applies what was accepted elsewhere to the very same site', () => {
    const site = usedThrice();
    const { ops, site: accepted } = acceptChange(site, removeSection(site, 'home', 's3'));
    expect(applyChange(site, { ops }).site).toEqual(accepted);
  });
});
