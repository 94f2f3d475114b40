import * as fc from 'fast-check';
import { addOverride, applyChange, setSpaceAt, setStyleAt, setValue, type Edit } from '../change/index.ts';
import { pageTree } from '../page/index.ts';
import type { Site } from '../site/index.ts';
import { literal, smallSite } from '../testing/small-site.ts';
import { auditSite, findings, type Finding } from './audit.ts';
import { RULES, shortfall, type RuleId } from './outcome.ts';
import type { LayoutReading } from './rules/layout-reading.ts';
import { outlineOf } from './outline.ts';
import { typeFixFor } from './type-fix.ts';

const small = smallSite();
const after = (site: Site, edit: Edit | { ops: Edit['ops'] }): Site => applyChange(site, edit).site;
const failing = (site: Site, rule: RuleId): Finding[] =>
  findings(auditSite(site)).filter((finding) => finding.rule === rule);
const style = (id: string, field: string, value: unknown): Site =>
  after(small, setValue(small, '', ['brand', 'styles', id, field], value));

/** A site in which a rule fails, and how its fix is called. */
const FAILING: readonly { rule: RuleId; site: Site; fix: RegExp }[] = [
  { rule: 'line-height', site: style('running', 'lineHeight', 1.2), fix: /^line height of running: 1\.4$/ },
  {
    rule: 'zoom',
    site: style('title', 'size', { kind: 'pinned', small: 18, large: 120 }),
    fix: /^title grows from at least 50 px$/,
  },
  {
    rule: 'phone-size',
    site: after(small, setStyleAt(small, 'running', 'phone', 13)),
    fix: /^running at 16 px on phone$/,
  },
  {
    rule: 'phone-padding',
    site: after(small, setSpaceAt(small, 'even', 'phone', 200)!),
    fix: /^even on phone: 160 px$/,
  },
  {
    rule: 'heading-order',
    site: style('section', 'size', { kind: 'pinned', small: 60, large: 60 }),
    fix: /^section at [\d.]+ px on (phone|desktop)$/,
  },
];

describe('rules of type', () => {
  it('are held by a site that was set with care', () => {
    for (const { rule } of FAILING) expect(failing(small, rule)).withContext(rule).toEqual([]);
  });
  it('say what they ask and where that is from', () => {
    expect(RULES['line-height']).toEqual(
      jasmine.objectContaining({
        asks: 'Body text has a line height of at least 1.4',
        source: 'Yohaku, after WCAG 2.2, 1.4.12',
      }),
    );
    expect(RULES.zoom).toEqual(
      jasmine.objectContaining({ asks: 'Zooming makes the text at least twice as large', source: 'WCAG 2.2, 1.4.4' }),
    );
  });
  it('ask twice the size of text that grows with the window at any zoom', () => {
    fc.assert(
      fc.property(fc.integer({ min: 12, max: 60 }), fc.double({ min: 1, max: 6, noNaN: true }), (from, times) => {
        const site = style('title', 'size', {
          kind: 'pinned',
          small: from,
          large: Math.min(200, Math.round(from * times)),
        });
        const grows = Math.min(200, Math.round(from * times)) / from;
        // At five times zoom the window is 256 px wide: the small end, five times as large, is at least twice the large
        // end while that is no more than two and a half times it.
        return grows <= 2.5 ? failing(site, 'zoom').length === 0 : failing(site, 'zoom').length > 0;
      }),
    );
  });
  it('Trial 2: say at once that a padding set by hand at all widths is unfit on the phone', () => {
    const set = (css: string, more = {}) =>
      after(
        small,
        addOverride(
          small,
          { record: ['pages', 'home', 'overrides'], place: 's1/surface' },
          literal('o1', 's1/surface', 'padding-block', css, more),
          'One',
        ),
      );
    expect(
      failing(set('200px'), 'phone-padding').map(({ place, found, needed }) => [place.id, found, needed]),
    ).toContain(['s1/surface', 400, 320]);
    expect(failing(set('200px', { band: 'desktop' }), 'phone-padding')).toEqual([]);
    expect(failing(set('120px'), 'phone-padding')).toEqual([]);
  });
  it('are each put right by their fix, which names its token and places', () => {
    for (const { rule, site, fix } of FAILING) {
      let now = site;
      const [first] = failing(now, rule);
      expect(first).withContext(rule).toBeDefined();
      const offered = typeFixFor(now, first!)!;
      expect(offered.label).toMatch(fix);
      expect(offered.places).withContext(rule).toBeGreaterThan(0);
      // One fix a width: a heading too large at both is put right twice.
      for (let i = 0; i < 4 && failing(now, rule).length > 0; i++)
        now = after(now, { ops: typeFixFor(now, failing(now, rule)[0]!)!.ops });
      expect(failing(now, rule)).withContext(rule).toEqual([]);
    }
  });
  it('judges lines as they were laid out, not as they might be, and shortens those that are too long', () => {
    const read = (place: string, found: number): LayoutReading => ({
      page: 'home',
      place,
      width: 1280,
      rule: 'line-length',
      found,
    });
    const readings = (characters: number) => [read('p/text', characters), read('h/text', 200), read('gone/text', 200)];
    const judged = (site: Site, characters: number) =>
      findings(auditSite(site, undefined, undefined, undefined, readings(characters))).filter(
        (finding) => finding.rule === 'line-length',
      );
    expect(failing(small, 'line-length')).toEqual([]);
    expect(judged(small, 80)).toEqual([]);
    // Headings and places that are gone have no say.
    expect(judged(small, 81).map((finding) => [finding.place.id, finding.found, finding.needed])).toEqual([
      ['p/text', 81, 80],
    ]);
    const fix = typeFixFor(small, judged(small, 81)[0]!)!;
    expect(fix.label).toBe('max. line length of running: 72 characters');
    const fixed = after(small, { ops: fix.ops });
    expect(fixed.brand.styles['running']!.longest).toBe(72);
    const kept = auditSite(small, undefined, undefined, undefined, readings(90));
    // An edit keeps what was read until the wall is read again.
    expect(
      findings(auditSite(after(small, setValue(small, '', ['brand', 'corners', 'card'], 9)), kept)).some(
        (finding) => finding.rule === 'line-length',
      ),
    ).toBeTrue();
    expect(RULES['line-length']).toEqual({
      asks: 'Lines of body text have at most 80 characters',
      source: 'WCAG 2.2, 1.4.8 (AAA)',
      unit: '',
      most: true,
    });
  });
  it('fails words that are lost when text is spaced out, by how much', () => {
    const read = (place: string, found: number, width = 390): LayoutReading => ({
      page: 'home',
      place,
      width,
      rule: 'text-spacing',
      found,
    });
    const judged = (list: LayoutReading[]) =>
      findings(auditSite(small, undefined, undefined, undefined, list)).filter(
        (finding) => finding.rule === 'text-spacing',
      );
    expect(judged([])).toEqual([]);
    expect(judged([read('h/text', 0), read('gone/text', 9)])).toEqual([]);
    const [lost] = judged([read('h/text', 34)]);
    expect([lost!.place.id, lost!.width, lost!.found, lost!.needed, lost!.tokens[0]]).toEqual([
      'h/text',
      390,
      34,
      0,
      'text.title.size',
    ]);
    expect(shortfall(lost!)).toBe(34);
    expect(RULES['text-spacing']).toEqual({
      asks: 'No text is lost with reader text spacing',
      source: 'WCAG 2.2, 1.4.12',
      unit: 'px',
      most: true,
    });
  });
  it('says which of two judgements of a rule is worse, whether much or little is asked', () => {
    expect(shortfall({ rule: 'text-contrast', found: 2, needed: 4.5 })).toBeGreaterThan(
      shortfall({ rule: 'text-contrast', found: 2, needed: 3 }),
    );
    expect(shortfall({ rule: 'line-length', found: 120, needed: 80 })).toBeGreaterThan(
      shortfall({ rule: 'line-length', found: 81, needed: 80 }),
    );
    expect(shortfall({ rule: 'text-contrast', found: 4.5, needed: 4.5 })).toBe(0);
  });
  it('names the headings of a page by level and style, and the levels left out', () => {
    const skipped = after(small, setValue(small, '', ['shared', 'sections', 'common', 'blocks', 'c1', 'level'], 4));
    const outline = (site: Site) => outlineOf(pageTree(site, 'home'), site.brand);
    expect(outline(small).map((entry) => entry.skipped)).toEqual(outline(small).map(() => null));
    expect(outline(skipped).find((entry) => entry.level === 4)!.skipped).toBe(2);
    expect(outline(small)[0]).toEqual(jasmine.objectContaining({ level: 1, style: 'title' }));
  });
  it('have no fix for what is set on a place, or for what cannot be one value', () => {
    const [finding] = failing(FAILING[0]!.site, 'line-height');
    expect(typeFixFor(small, { ...finding!, rule: 'skipped-level' })).toBeUndefined();
  });
});
