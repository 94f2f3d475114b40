import fc from 'fast-check';
import { applyChange, type Op } from '../../change/index.ts';
import { readSite } from '../../document/index.ts';
import { pageTree } from '../../page/index.ts';
import { literal, smallSite } from '../../testing/small-site.ts';
import type { Override, Site } from '../index.ts';
import { SCHEMA_VERSION, documentToNow, opsToNow } from './chain.ts';

/** The small site as version 1 had it: places named by block and slot, whatever they stand in. */
function versionOne(home: Override[] = [], shared: Override[] = []): Site {
  const site = smallSite(home);
  return {
    ...site,
    schemaVersion: 1 as typeof SCHEMA_VERSION,
    shared: { ...site.shared, overrides: Object.fromEntries(shared.map((override) => [override.id, override])) },
  };
}
const now = (document: Site): Site => documentToNow(document as unknown as Record<string, unknown>) as unknown as Site;
const red = (id: string, place: string): Override => literal(id, place, 'color', '#b83a1e');

describe('a document of version 1', () => {
  it('names a place of a shared section by its entry on a page, and by its section in the shared record', () => {
    const site = now(
      versionOne(
        [red('o1', 'c1/text'), red('o2', 'h/text'), red('o3', 'header/name'), red('o4', 'page/surface')],
        [red('o5', 'c1/text'), red('o6', 'foot/text'), red('o7', 'common/surface')],
      ),
    );
    expect(site.schemaVersion).toBe(SCHEMA_VERSION);
    expect(Object.values(site.pages['home']!.overrides).map((override) => override.place)).toEqual([
      's2:c1/text',
      'h/text',
      'header/name',
      'page/surface',
    ]);
    expect(Object.values(site.shared.overrides).map((override) => override.place)).toEqual([
      'common:c1/text',
      'foot/text',
      'common:common/surface',
    ]);
    expect(readSite(site)).toEqual(site);
  });
  it('has in its page’s record what the shared one had of a page’s own, under another id where that is taken', () => {
    const site = now(
      versionOne([red('o1', 'h/text')], [literal('o1', 'p/text', 'font-size', '20px'), red('o2', 'th/text')]),
    );
    expect(site.shared.overrides).toEqual({});
    expect(site.pages['home']!.overrides).toEqual({
      o1: red('o1', 'h/text'),
      'o1-1': literal('o1-1', 'p/text', 'font-size', '20px'),
    });
    expect(site.pages['more']!.overrides).toEqual({ o2: red('o2', 'th/text') });
    expect(readSite(site)).toEqual(site);
  });
  it('is read as it stands when what is wrong with it has nothing to do with its version', () => {
    for (const broken of [
      { schemaVersion: 1 },
      { schemaVersion: 1, pages: 3, shared: [] },
      { ...versionOne(), pages: { home: null } },
      { ...versionOne([{ ...red('o1', 'h/text'), place: 7 as never }]) },
    ])
      expect(() => readSite(broken)).toThrowError(/could not be read/);
  });
  it('takes the edits that were made to it, in its log or still waiting, to the same site as before', () => {
    const places = pageTree(smallSite(), 'home').places.map((place) => place.id.replace(/^.*:/, ''));
    const step = fc.record({
      act: fc.integer({ min: 0, max: 3 }),
      place: fc.constantFrom(...places),
      shared: fc.boolean(),
      css: fc.constantFrom('#010203', '#aabbcc'),
    });
    const isShared = (place: string) =>
      ['header', 'foot', 'footer', 'common', 'c1', 'page'].includes(place.split('/')[0]!);
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 12 }), (steps) => {
        let old = versionOne([red('o0', 'c1/text')], [red('q0', 'c1/text')]);
        let site = now(old);
        let made = 0;
        for (const { act, place, shared, css } of steps) {
          const record = shared && isShared(place) ? ['shared', 'overrides'] : ['pages', 'home', 'overrides'];
          const there = Object.keys(record[0] === 'shared' ? old.shared.overrides : old.pages['home']!.overrides);
          const ops: Op[] = (() => {
            const override = literal(`n${++made}`, place, 'color', css);
            if (act === 0 || there.length === 0)
              return [{ op: 'insert', record, order: null, id: override.id, value: override, after: null }];
            const id = there[made % there.length]!;
            if (act === 1) return [{ op: 'set', at: [...record, id, 'value'], value: { kind: 'literal', css } }];
            if (act === 2) return [{ op: 'set', at: [...record, id, 'place'], value: place }];
            return [{ op: 'remove', record, order: null, id, was: undefined, after: null }];
          })();
          const done = applyChange(old, { ops });
          const done2 = applyChange(site, { ops, schemaVersion: 1 });
          expect(done2.site).toEqual(now(done.site));
          // The inverse undoes the edit in either version.
          expect(applyChange(done2.site, { ops: done.inverse, schemaVersion: 1 }).site).toEqual(site);
          [old, site] = [done.site, done2.site];
        }
      }),
    );
  });
  it('has its pages, whole, brought up with what is set on them; what is of this version stays the very same', () => {
    const old = versionOne();
    const page = { ...old.pages['more']!, id: 'third', file: 'third.html', overrides: { o1: red('o1', 'c1/text') } };
    const ops: Op[] = [
      { op: 'insert', record: ['pages'], order: ['pageOrder'], id: 'third', value: page, after: null },
    ];
    expect((opsToNow(ops, 1, now(old))[0] as { value: typeof page }).value.overrides.o1.place).toBe('t2:c1/text');
    expect(opsToNow(ops, SCHEMA_VERSION, now(old))).toBe(ops);
    const plain: Op[] = [{ op: 'set', at: ['name'], value: 'New' }];
    expect(opsToNow(plain, 1, now(old))).toBe(plain);
  });
});

/** The small site as version 2 had it: colours on backgrounds in slots. */
function versionTwo(site: Site): Site {
  const { brand } = site;
  const slot = ({ role, ...rest }: { kind?: string; role?: string }) => ({
    ...rest,
    ...(role === undefined ? {} : { slot: role }),
  });
  const each = <T extends object>(record: Readonly<Record<string, T>>, change: (entry: T) => unknown) =>
    Object.fromEntries(Object.entries(record).map(([id, entry]) => [id, change(entry)]));
  const before = {
    grounds: each(brand.grounds, ({ roles, ...rest }) => ({ ...rest, slots: each(roles, (value) => slot(value)) })),
    styles: each(brand.styles, (style) => slot(style)),
    swatches: each(brand.swatches, ({ similar, ...rest }) => ({
      ...rest,
      ...(similar
        ? { kin: Object.fromEntries(Object.entries(similar).map(([key, way]) => [key.replace('role:', 'slot:'), way])) }
        : {}),
    })),
  };
  return {
    ...site,
    schemaVersion: 2 as typeof SCHEMA_VERSION,
    brand: { ...brand, ...before } as unknown as Site['brand'],
  };
}

describe('a document of version 2', () => {
  const decided = (() => {
    const site = smallSite();
    site.brand.grounds['pale']!.roles['link-visited'] = { kind: 'same', role: 'link' };
    site.brand.swatches['brand']!.similar = { 'role:pale/link': 'along', 'swatch:dark': 'leave' };
    return site;
  })();
  it('keeps its colours, what they follow and what was decided about similar ones', () => {
    const site = now(versionTwo(decided));
    expect(site).toEqual(decided);
    expect(readSite(versionTwo(decided))).toEqual(decided);
  });
  it('takes the edits that were made to it to the same site, and back', () => {
    const edits: Op[] = [
      { op: 'set', at: ['brand', 'grounds', 'pale', 'slots', 'text'], value: { kind: 'same', slot: 'heading' } },
      { op: 'set', at: ['brand', 'grounds', 'pale', 'slots', 'link-visited', 'slot'], value: 'text' },
      { op: 'set', at: ['brand', 'styles', 'title', 'slot'], value: 'eyebrow' },
      { op: 'set', at: ['brand', 'swatches', 'brand', 'kin', 'slot:deep/text'], value: 'leave' },
      { op: 'set', at: ['brand', 'swatches', 'brand', 'kin'] },
      {
        op: 'insert',
        record: ['brand', 'grounds'],
        order: ['brand', 'groundOrder'],
        id: 'slots',
        value: {
          id: 'slots',
          label: 'Slots',
          path: 'slots',
          slots: { text: { kind: 'same', slot: 'heading' }, background: { kind: 'swatch', swatch: 'ink' } },
        },
        after: null,
      },
      { op: 'set', at: ['name'], value: 'slot' },
    ];
    fc.assert(
      fc.property(fc.subarray(edits, { minLength: 1 }), (ops) => {
        const old = versionTwo(decided);
        const done = applyChange(old, { ops });
        const now2 = applyChange(now(old), { ops, schemaVersion: 2 });
        expect(now2.site).toEqual(now(done.site));
        expect(applyChange(now2.site, { ops: done.inverse, schemaVersion: 2 }).site).toEqual(decided);
      }),
    );
  });
});
