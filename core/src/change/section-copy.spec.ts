import { newSite } from '../begin/index.ts';
import { readSite } from '../document/index.ts';
import { SECTION_KINDS, clipSection, fromClip, matchClip, readClip } from '../sections/index.ts';
import { sectionOf, type Site } from '../site/index.ts';
import { cssColor, parseColor } from '../color/index.ts';
import { resolveToken, tokenTable } from '../style/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { addClip, addPicture, addSection, keepSection, setValue } from './index.ts';
import { edited, testPicture } from '../testing/edited.ts';

describe('a section copied', () => {
  const from = edited(
    readSite(smallSite()),
    (now) => addPicture(now, testPicture('a1')),
    (now) => addSection(now, 'home', 'x1', undefined, SECTION_KINDS['text-picture']),
  );
  const section = sectionOf(from, from.pages['home']!.sections['x1']!)!;
  const clip = readClip(JSON.stringify(clipSection(from, section)))!;
  it('is the same on another page of its site', () => {
    const site = edited(from, (now) => addClip(now, 'more', fromClip(now, clip, 'x2')));
    expect(Object.keys(site.assets)).toEqual(['a1']);
    const own = sectionOf(site, site.pages['more']!.sections['x2']!)!;
    expect({
      ...own,
      blocks: Object.values(own.blocks).map(({ id: _id, ...block }) => block),
      columns: null,
      id: '',
    }).toEqual({
      ...section,
      blocks: Object.values(section.blocks).map(({ id: _id, ...block }) => block),
      columns: null,
      id: '',
    } as never);
  });
  it('takes the looks of another site, found by name, by what they are for and by look; its picture comes along, what has no like is told', () => {
    const other = newSite({ id: 'other', name: 'Other', language: 'en' });
    const rows = matchClip(other, clip);
    expect(rows.every(({ target, to }) => Object.hasOwn(other.brand[`${target}s` as 'styles'], to))).toBeTrue();
    expect(rows.filter(({ sure }) => !sure).every(({ label }) => label !== '')).toBeTrue();
    const site = edited(other, (now) =>
      addClip(
        now,
        'home',
        fromClip(now, clip, 'x2', {
          [`style ${rows.find(({ target }) => target === 'style')!.from}`]: other.brand.styleOrder[0]!,
        }),
      ),
    );
    expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
    expect(Object.values(site.assets).map(({ hash }) => hash)).toEqual(['cd'.repeat(32)]);
    expect(JSON.stringify(site.pages['home']!.sections['x2'])).toContain(`"style":"${other.brand.styleOrder[0]!}"`);
  });
  it('takes along what is set on its places; a token that another brand lacks comes as what it was, and is a raw value there', () => {
    const table = tokenTable(from.brand);
    const token = [...table.values()].find(
      (entry) =>
        entry.type === 'color' &&
        !tokenTable(newSite({ id: 'other', name: 'Other', language: 'en' }).brand).has(entry.path),
    )!;
    const setOn = (now: Site, page: string, place: string) =>
      setValue(now, '', ['pages', page, 'overrides'], {
        o1: {
          id: 'o1',
          place,
          property: 'font-size',
          band: 'phone',
          value: { kind: 'literal', css: '30px' },
          origin: 'set',
          reason: 'Looks right',
        },
        o2: {
          id: 'o2',
          place,
          property: 'color',
          band: null,
          value: { kind: 'token', path: token.path },
          origin: 'set',
          reason: null,
        },
      });
    const set = edited(from, (now) => setOn(now, 'home', 'x1-b1/text'));
    const taken = readClip(JSON.stringify(clipSection(set, section, { page: 'home', entry: 'x1' })))!;
    const valuesOn = (site: Site, page: string) =>
      Object.values(site.pages[page]!.overrides).map(({ place, value, origin, band }) => ({
        place,
        value,
        origin,
        band,
      }));
    const here = edited(set, (now) => addClip(now, 'more', fromClip(now, taken, 'x2')));
    expect(valuesOn(here, 'more')).toEqual(valuesOn(set, 'home').map((entry) => ({ ...entry, place: 'x2-b1/text' })));
    const other = newSite({ id: 'other', name: 'Other', language: 'en' });
    const made = fromClip(other, taken, 'x2');
    const there = edited(other, (now) => addClip(now, 'home', made));
    expect(readSite(JSON.parse(JSON.stringify(there)))).toEqual(there);
    expect(made.left).toEqual([]);
    expect(valuesOn(there, 'home')).toEqual([
      { place: 'x2-b1/text', value: { kind: 'literal', css: '30px' }, origin: 'set', band: 'phone' },
      {
        place: 'x2-b1/text',
        value: { kind: 'literal', css: cssColor(parseColor(resolveToken(table, token.path).css)!.rgb) },
        origin: 'pasted',
        band: null,
      },
    ]);
    // Of a kept section: what is set everywhere, and here.
    const kept = edited(set, (now) => keepSection(now, 'home', 'x1', 'k1', 'x3'));
    const same = readClip(
      JSON.stringify(clipSection(kept, kept.shared.sections['k1']!, { page: 'home', entry: 'x3' })),
    )!;
    expect(
      valuesOn(
        edited(kept, (now) => addClip(now, 'more', fromClip(now, same, 'x4'))),
        'more',
      ),
    ).toEqual(valuesOn(set, 'home').map((entry) => ({ ...entry, place: 'x4-b1/text' })));
  });
  it('is read only as what it is', () => {
    for (const text of [null, '', '{}', '[1]', '{"clip":"section","schemaVersion":1,"section":{},"looks":{}}'])
      expect(readClip(text)).toBeUndefined();
  });
});
