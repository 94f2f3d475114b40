import { wcagContrast } from 'culori';
import { addLogoForm, applyChange, setLogoOn, setRole, setSwatchColor, setValue } from '../change/index.ts';
import { parseColor } from '../color/index.ts';
import { type Site } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { literal, smallSite } from '../testing/small-site.ts';
import { auditCounts, auditSite, findings, type Audit } from './audit.ts';
import { fixesFor } from './fix.ts';
import { tally } from './tally.ts';
import { worse } from './worse.ts';

const site = readSite(smallSite());
const after = (from: Site, edit: { ops: Parameters<typeof applyChange>[1]['ops'] }) => applyChange(from, edit).site;
const failing = (audit: Audit, rule: string) => findings(audit).filter((finding) => finding.rule === rule);

describe('audit', () => {
  it('passes a site in which everything can be read', () => {
    const audit = auditSite(site);
    expect(findings(audit).map((finding) => `${finding.rule} ${finding.place.id} ${finding.found}`)).toEqual([]);
    expect(auditCounts(audit)).toEqual({
      places: audit.index.places.length,
      passed: audit.index.places.length,
      failed: 0,
      cannotTell: 0,
    });
  });

  it('never rounds up: 4.499 fails 4.5, and the figure is the exact ratio', () => {
    const grey = after(site, setRole(site, 'pale', 'text', { kind: 'raw', color: '#777777' }));
    const found = failing(auditSite(grey), 'text-contrast').find((row) => row.place.id === 'p/text')!;
    expect(found.found).toBeCloseTo(wcagContrast('#777777', '#ffffff'), 9);
    expect(found.found!).toBeLessThan(4.5);
    expect(
      failing(
        auditSite(after(site, setRole(site, 'pale', 'text', { kind: 'raw', color: '#767676' }))),
        'text-contrast',
      ).filter((row) => row.place.id === 'p/text'),
    ).toEqual([]);
  });

  it('asks 3 of large text and 4.5 of the same text where it is small', () => {
    const grey = after(site, setRole(site, 'pale', 'heading', { kind: 'raw', color: '#949494' }));
    const widths = failing(auditSite(grey), 'text-contrast')
      .filter((row) => row.place.id === 'tc/a/heading')
      .map((row) => row.width);
    // 16 × 1.2 = 19.2 px and bold on a phone already counts as large: it passes 3 everywhere.
    expect(widths).toEqual([]);
    const light = after(grey, setValue(grey, '', ['brand', 'styles', 'section', 'weight'], 400));
    expect(
      failing(auditSite(light), 'text-contrast')
        .filter((row) => row.place.id === 'tc/a/heading')
        .map((row) => row.width),
    ).toEqual([320, 390, 639, 640, 1023, 1024, 1280]);
  });

  it('composites translucent text before it rates it', () => {
    const veiled = after(site, setRole(site, 'pale', 'text', { kind: 'raw', color: 'rgb(0 0 0 / 0.5)' }));
    const found = failing(auditSite(veiled), 'text-contrast').find((row) => row.place.id === 'p/text')!;
    expect(found.found).toBeCloseTo(wcagContrast('#808080', '#ffffff'), 6);
  });

  it('composites translucent backgrounds over what they stand on', () => {
    const veiled = after(site, setRole(site, 'pale', 'background', { kind: 'raw', color: 'rgb(255 255 255 / 0.1)' }));
    const rows = failing(auditSite(veiled), 'text-contrast').filter(
      (row) => row.place.id === 'tc/a/text' && row.width === 1280 && row.state === 'rest',
    );
    expect(rows.length).toBe(1);
    expect(rows[0]!.found!).toBeLessThan(1.6);
  });

  it('judges a button’s label on its fill, in every state, and its fill or edge on the background', () => {
    const hover = after(site, setRole(site, 'pale', 'button-primary-fill-hover', { kind: 'raw', color: '#f4f4f4' }));
    // An automatic label would pass on this fill.
    expect(failing(auditSite(hover), 'text-contrast').filter((row) => row.place.id === 'k/k1')).toEqual([]);
    const pale = after(hover, setRole(hover, 'pale', 'button-primary-label-hover', { kind: 'raw', color: '#ffffff' }));
    const audit = auditSite(pale);
    expect(
      new Set(
        failing(audit, 'text-contrast')
          .filter((row) => row.place.id === 'k/k1')
          .map((row) => row.state),
      ),
    ).toEqual(new Set(['hover']));
    expect(failing(audit, 'button-contrast')).toEqual([]);
    const edgeless = after(pale, setRole(pale, 'pale', 'button-primary-edge-hover', { kind: 'raw', color: '#f4f4f4' }));
    expect(new Set(failing(auditSite(edgeless), 'button-contrast').map((row) => row.state))).toEqual(
      new Set(['hover']),
    );
  });

  it('judges focus rings', () => {
    const faint = after(site, setRole(site, 'pale', 'focus', { kind: 'raw', color: '#dddddd' }));
    const rows = failing(auditSite(faint), 'focus-contrast');
    expect(new Set(rows.map((row) => row.place.kind))).toEqual(new Set(['menu', 'link', 'button']));
    expect(rows.every((row) => row.state === 'focus' && row.needed === 3)).toBeTrue();
  });

  it('cannot tell text over a picture, and says why', () => {
    const asset = {
      id: 'sea',
      name: 'Sea',
      hash: '0'.repeat(64),
      type: 'image/svg+xml' as const,
      width: 10,
      height: 10,
    };
    const pictured = after(
      { ...site, assets: { sea: asset } },
      setValue(site, '', ['pages', 'home', 'sections', 's1', 'own', 'picture'], { asset: 'sea', shade: 0.3 }),
    );
    const audit = auditSite(pictured);
    const rows = findings(audit, new Set(['cannot-tell'])).filter((finding) => finding.place.id === 'h/text');
    expect(rows.length).toBeGreaterThan(0);
    expect(rows[0]!.reason).toContain('image');
    expect(auditCounts(audit).cannotTell).toBeGreaterThan(0);
    // A card's own opaque fill hides the picture: its words can be judged.
    expect(
      findings(audit, new Set(['cannot-tell'])).some(
        (finding) => finding.place.id === 'k/k1' && finding.rule === 'text-contrast',
      ),
    ).toBeFalse();
  });

  it('marks a lower heading that is not smaller, and a skipped level', () => {
    const large = after(
      site,
      setValue(site, '', ['brand', 'styles', 'section', 'size'], { kind: 'pinned', small: 60, large: 60 }),
    );
    expect(new Set(failing(auditSite(large), 'heading-order').map((row) => row.place.level))).toEqual(new Set([2]));
    const skipped = after(site, setValue(site, '', ['shared', 'sections', 'common', 'blocks', 'c1', 'level'], 3));
    const rows = failing(auditSite(skipped), 'skipped-level');
    expect(rows.map((row) => [row.place.page, row.found, row.needed])).toEqual([['home', 3, 2]]);
  });

  it('keeps running text at 16 px on a phone, fine print exempt', () => {
    const small = after(site, setValue(site, '', ['brand', 'scale', 'small', 'base'], 15));
    const rows = failing(auditSite(small), 'phone-size');
    expect(new Set(rows.map((row) => row.width))).toEqual(new Set([320, 390, 639]));
    expect(
      failing(
        auditSite(after(small, setValue(small, '', ['brand', 'styles', 'running', 'use'], 'fine'))),
        'phone-size',
      ),
    ).toEqual([]);
  });

  it('keeps targets 24 px high by their lower bound, links in a paragraph exempt', () => {
    const flat = after(
      after(site, setValue(site, '', ['brand', 'sizes', 'regular', 'padY'], 0)),
      setValue(site, '', ['brand', 'styles', 'label', 'size'], { kind: 'pinned', small: 12, large: 12 }),
    );
    expect(new Set(failing(auditSite(flat), 'target-size').map((row) => row.place.id))).toEqual(new Set(['k/k1']));
    // Edges count as wide as they are.
    const high = (edge: number) =>
      failing(auditSite(after(flat, setValue(flat, '', ['brand', 'edges', 'button'], edge))), 'target-size').map(
        (row) => row.found,
      );
    expect(high(0)[0]).toBeCloseTo(high(2)[0]! - 4, 6);
    expect(high(9)).toEqual([]);
  });

  it('judges again only what an edit touched, with the same result as from nothing', () => {
    let audit = auditSite(site);
    let now = site;
    for (const make of [
      (s: Site) => setSwatchColor(s, 'brand', parseColor('#e0a090')!),
      (s: Site) => setValue(s, '', ['brand', 'scale', 'small', 'base'], 15),
      (s: Site) => setRole(s, 'deep', 'background', { kind: 'swatch', swatch: 'white' }),
    ]) {
      now = applyChange(now, make(now)).site;
      audit = auditSite(now, audit);
      const fresh = auditSite(now);
      expect(findings(audit)).toEqual(findings(fresh));
      expect(audit.index).toBe(fresh.index);
    }
  });
});

describe('worse', () => {
  it('are the rows that newly fail or fail more deeply, and no others', () => {
    const before = auditSite(site);
    const once = after(site, setSwatchColor(site, 'brand', parseColor('#cc8866')!));
    const first = auditSite(once, before);
    const rows = worse(before, first);
    expect(rows.length).toBeGreaterThan(0);
    expect(rows.every((row) => row.found! < row.needed && row.before! >= row.needed)).toBeTrue();
    const twice = auditSite(after(once, setSwatchColor(once, 'brand', parseColor('#ddaa99')!)), first);
    expect(worse(first, twice).some((row) => row.before! < row.needed)).toBeTrue();
    expect(worse(twice, first)).toEqual([]);
    expect(worse(before, before)).toEqual([]);
  });
});

describe('fix of a finding', () => {
  it('offers the brand’s own swatch for the role first, then a colour of its own, then the swatch itself, and each makes the pair pass', () => {
    const faint = after(site, setSwatchColor(site, 'brand', parseColor('#d98a74')!));
    const finding = failing(auditSite(faint), 'text-contrast').find(
      (row) => row.place.id === 'p/l1' && row.state === 'rest' && row.width === 1280,
    )!;
    const fixes = fixesFor(faint, finding);
    expect(fixes.map((fix) => fix.what)).toEqual(['role', 'role', 'swatch']);
    expect([fixes[0]!.label, fixes[0]!.ops[0]]).toEqual([
      'Link on Pale: ink',
      jasmine.objectContaining({ value: { kind: 'swatch', swatch: 'ink' } }),
    ]);
    for (const fix of fixes) {
      const fixed = auditSite(after(faint, fix));
      expect(failing(fixed, 'text-contrast').filter((row) => row.place.id === 'p/l1' && row.state === 'rest')).toEqual(
        [],
      );
    }
    expect(fixes[2]!.places).toBeGreaterThan(fixes[0]!.places);
  });
  it('leaves a locked swatch alone', () => {
    const faint = after(site, setSwatchColor(site, 'brand', parseColor('#d98a74')!));
    const locked = after(faint, setValue(faint, '', ['brand', 'swatches', 'brand', 'locked'], true));
    const finding = failing(auditSite(locked), 'text-contrast').find(
      (row) => row.place.id === 'p/l1' && row.state === 'rest',
    )!;
    expect(new Set(fixesFor(locked, finding).map((fix) => fix.what))).toEqual(new Set(['role']));
  });
  it('changes the value set on a place where that is what fails', () => {
    const set = readSite(smallSite([literal('o1', 'p/text', 'color', '#bbbbbb')]));
    const finding = failing(auditSite(set), 'text-contrast').find((row) => row.place.id === 'p/text')!;
    const [fix] = fixesFor(set, finding);
    expect(fix!.what).toBe('place');
    expect(failing(auditSite(after(set, fix!)), 'text-contrast')).toEqual([]);
  });
});

describe('Trial 8: what is offered as a fix fixes', () => {
  it('a mark that fails on its own fill passes with each of them', () => {
    const content = [{ text: 'Boats ' }, { id: 'm1', marked: true, text: 'sail late' }];
    const marked = after(
      site,
      setValue(site, '', ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'p', 'content'], content),
    );
    const faint = after(
      after(marked, setRole(marked, 'pale', 'mark', { kind: 'raw', color: '#e8c84a' })),
      setRole(marked, 'pale', 'mark-text', { kind: 'raw', color: '#c9ab3c' }),
    );
    const finding = failing(auditSite(faint), 'text-contrast').find(
      (row) => row.place.kind === 'mark' && row.state === 'rest',
    )!;
    expect([finding.found! < 1.5, finding.needed]).toEqual([true, 4.5]);
    const fixes = fixesFor(faint, finding);
    expect(fixes[0]!.label).toBe('Marked text on Pale: dark');
    for (const fix of fixes)
      expect(
        failing(auditSite(after(faint, fix)), 'text-contrast').filter(
          (row) => row.place.kind === 'mark' && row.state === 'rest',
        ),
      )
        .withContext(fix.label)
        .toEqual([]);
  });
  it('a logo that is not seen takes another of its forms, else another background beneath it', () => {
    const form = (id: string, hexText: string) => ({
      asset: { id, name: `${id}.svg`, hash: 'ab'.repeat(32), type: 'image/svg+xml' as const, width: 90, height: 30 },
      colors: [{ hex: hexText, share: 1 }],
    });
    const withForm = (to: Site, id: string, hexText: string) => {
      const { asset, colors } = form(id, hexText);
      return after(to, addLogoForm(to, asset, { id, plate: null, colors }));
    };
    const entry = withForm(site, 'pale-form', '#eeeeee');
    const pinned = after(entry, setLogoOn(entry, 'pale', 'pale-form'));
    const finding = (of: Site) =>
      failing(auditSite(of), 'logo-contrast').find((row) => row.place.section === 'header')!;
    // The only form is too pale for the header's ground: on the deep one it is seen.
    const grounds = fixesFor(pinned, finding(pinned));
    expect(grounds.map((fix) => [fix.what, fix.label])).toEqual([['ground', 'the header on Deep']]);
    const two = withForm(pinned, 'dark-form', '#222222');
    const forms = fixesFor(two, finding(two));
    expect(forms.map((fix) => [fix.what, fix.label])).toEqual([['form', 'dark-form on Pale']]);
    for (const [of, fix] of [
      [pinned, grounds[0]!],
      [two, forms[0]!],
    ] as const)
      expect(finding(after(of, fix))).toBeUndefined();
  });
});

describe('tally', () => {
  it('counts every place once by standing', () => {
    const set = readSite(
      smallSite([
        literal('o1', 'p/text', 'color', '#222222'),
        literal('o2', 'h/text', 'color', '#111111', { origin: 'pasted' }),
      ]),
    );
    const { places, bound, held, stray } = tally(auditSite(set));
    expect([held, stray]).toEqual([1, 1]);
    expect(bound + held + stray).toBe(places);
  });
});
