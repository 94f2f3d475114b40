import { hex, paintedRgb, parseColor } from '../color/index.ts';
import {
  applyChange,
  followSwatch,
  checkTouched,
  setRule,
  setSwatchColor,
  setValue,
  type Edit,
} from '../change/index.ts';
import { readIncoming, writeDtcg, writeTokensCss } from '../formats/index.ts';
import { type Site } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { resolvedSwatches, styleSizeAt, swatchColor, swatchPath, tokenTable } from '../style/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { planBrand, planColors, takeBrand, takeColors, type Settling } from './index.ts';

const site = readSite(smallSite());
const written = (of: Site) => JSON.stringify(writeDtcg(of));
const take = (into: Site, text: string, settle: Record<string, Settling> = {}, name = 'tokens.json') => {
  const incoming = readIncoming(name, text);
  let count = 0;
  const edit = takeColors(
    into,
    incoming,
    planColors(into, incoming),
    new Map(Object.entries(settle)),
    () => `n${++count}`,
  );
  return { edit, after: edit ? done(into, edit) : into };
};
const done = (into: Site, edit: Edit): Site => {
  const { site: after } = applyChange(into, edit);
  checkTouched(into, after);
  return after;
};
const plan = (into: Site, text: string, name = 'tokens.json') => planColors(into, readIncoming(name, text));
const colors = (of: Site) =>
  Object.fromEntries(
    of.brand.swatchOrder.map((id) => [of.brand.swatches[id]!.label, hex(paintedRgb(swatchColor(of.brand, id)!))]),
  );

describe('bringing in colours of another tool', () => {
  const file = JSON.stringify({
    color: {
      $type: 'color',
      brand: { $value: '#aa2200' },
      white: { $value: '#ffffff' },
      sea: { $value: '#0e3b43' },
      night: { $value: '#232323' },
      accent: { $value: '{color.brand}' },
    },
    size: { $type: 'dimension', $value: { value: 4, unit: 'px' } },
  });
  it('shows first what is added, changed, equal and left, with ΔE and places', () => {
    const { rows, counts } = plan(site, file);
    expect(counts).toEqual({ added: 2, changed: 1, equal: 1, left: 2 });
    const row = (key: string) => rows.find((entry) => entry.key === key)!;
    expect([row('color.brand').arrival, row('color.brand').before, row('color.brand').after]).toEqual([
      'changed',
      '#b83a1e',
      '#aa2200',
    ]);
    expect(row('color.brand').deltaE).toBeGreaterThan(0.01);
    expect(row('color.brand').places).toBeGreaterThan(0);
    expect(row('color.night').note).toBe('looks the same as ink');
    expect(row('size').note).toContain('kept, and exported again');
  });
  it('adds and changes as one edit, leaves type and shape alone, and can be undone', () => {
    const { edit, after } = take(site, file);
    expect(colors(after)).toEqual({
      ...colors(site),
      brand: '#aa2200',
      dark: jasmine.any(String) as never,
      Sea: '#0e3b43',
      Night: '#232323',
    });
    expect(after.brand.styles).toBe(site.brand.styles);
    const applied = applyChange(site, edit!);
    expect(applyChange(applied.site, { ops: applied.inverse }).site).toEqual(site);
  });
  it('takes text styles, corners, shadows and motions into those they are called like, or beside them, as one edit', () => {
    const small = site.brand.styles['running']!;
    const parts = JSON.stringify({
      type: {
        running: {
          $type: 'typography',
          $value: { fontFamily: 'Nobody Grotesque', fontSize: '20px', fontWeight: 500, lineHeight: 1.6 },
        },
        aside: { $type: 'typography', $value: { fontSize: '17px', fontWeight: 400, lineHeight: 1.5 } },
      },
      radius: { $type: 'dimension', soft: { $value: '14px' } },
      shadow: {
        $type: 'shadow',
        near: {
          $value: { color: hex(resolvedSwatches(site.brand)[0]!.rgb), offsetX: '0px', offsetY: '3px', blur: '9px' },
        },
        odd: { $value: { color: '#ff00ff', offsetX: '0px', offsetY: '3px', blur: '9px' } },
      },
      motion: { calm: { $type: 'transition', $value: { duration: '240ms', timingFunction: [0.2, 0, 0, 1] } } },
    });
    const { rows, counts } = plan(site, parts);
    const row = (key: string) => rows.find((entry) => entry.key === key)!;
    expect(counts).toEqual({ added: 4, changed: 1, equal: 0, left: 1 });
    expect([row('type.running').match, row('type.running').after]).toEqual(['running', '500 20px/1.6']);
    expect(row('type.running').note).toContain('Nobody Grotesque');
    expect(row('type.running').places).toBeGreaterThan(0);
    expect(row('shadow.odd').note).toContain('its colour is not in the palette');
    const { edit, after } = take(site, parts);
    const { styles, styleOrder, cornerList, shadows, motion } = after.brand;
    expect([styles['running']!.weight, styles['running']!.lineHeight, styles['running']!.family]).toEqual([
      500,
      1.6,
      small.family,
    ]);
    expect(styleSizeAt(after.brand, styles['running']!, after.brand.scale.large.width)).toBeCloseTo(20, 1);
    // On a small page it is as much smaller as it was.
    const shrinks = (brand: Site['brand']) =>
      styleSizeAt(brand, brand.styles['running']!, brand.scale.small.width) /
      styleSizeAt(brand, brand.styles['running']!, brand.scale.large.width);
    expect(shrinks(after.brand)).toBeCloseTo(shrinks(site.brand), 2);
    const aside = Object.values(styles).find((style) => style.label === 'Aside')!;
    expect([aside.path, styleOrder.includes(aside.id), aside.weight]).toEqual(['aside', true, 400]);
    expect(Object.values(cornerList!.items).find((item) => item.label === 'Soft')!.value).toEqual({
      kind: 'px',
      radii: [14],
    });
    expect(Object.values(shadows!.items).find((item) => item.label === 'Near')).toEqual(
      jasmine.objectContaining({ y: 3, blur: 9, alpha: 1, color: site.brand.swatchOrder[0] }) as never,
    );
    expect(Object.values(motion!.items).find((item) => item.label === 'Calm')).toEqual(
      jasmine.objectContaining({ duration: 240, easing: [0.2, 0, 0, 1] }) as never,
    );
    expect(Object.keys(after.brand.kept!)).toEqual(['shadow.odd']);
    const applied = applyChange(site, edit!);
    expect(applyChange(applied.site, { ops: applied.inverse }).site).toEqual(site);
    // A second time all of it is there already, and both names can stand side by side.
    expect(plan(after, parts).counts).toEqual({ added: 0, changed: 0, equal: 5, left: 1 });
    expect(
      Object.values(take(site, parts, { 'type.running': 'both' }).after.brand.styles).map((style) => style.label),
    ).toContain('Running 2');
    expect(take(site, parts, { 'type.running': 'kept' }).after.brand.styles['running']).toEqual(small);
  });
  it('lets only one text style of a file stand for one of the brand', () => {
    const style = (px: number) => ({
      running: { $type: 'typography', $value: { fontSize: `${px}px`, fontWeight: 400, lineHeight: 1.5 } },
    });
    const { rows } = plan(site, JSON.stringify({ text: style(19), sheet: style(22) }));
    expect(rows.map((row) => [row.key, row.arrival])).toEqual([
      ['text.running', 'changed'],
      ['sheet.running', 'added'],
    ]);
  });
  it('settles clashes one by one: ours, or both under two names', () => {
    expect(colors(take(site, file, { 'color.brand': 'kept', 'color.sea': 'kept' }).after)).toEqual({
      ...colors(site),
      Night: '#232323',
    });
    const both = colors(take(site, file, { 'color.brand': 'both' }).after);
    expect([both['brand'], both['Brand 2']]).toEqual(['#b83a1e', '#aa2200']);
  });
  it('writes out again what it had no use for, naming what was brought in by its new path', () => {
    const { after } = take(site, file);
    const out = writeDtcg(after) as { size: unknown; color: { accent: unknown } };
    expect(out.size).toEqual({ $type: 'dimension', $value: { value: 4, unit: 'px' } });
    expect(out.color.accent).toEqual({ $type: 'color', $value: `{${swatchPath(after.brand.swatches['brand']!)}}` });
    // A swatch whose path moves takes along what names it, and undo gives it back.
    const follows = applyChange(after, followSwatch(after, 'brand', 'ink'));
    expect((writeDtcg(follows.site) as { color: { accent: { $value: string } } }).color.accent.$value).toBe(
      '{color.derived.brand}',
    );
    expect(applyChange(follows.site, { ops: follows.inverse }).site).toEqual(after);
    // And a second time, with nothing lost on the way through our own file.
    expect(readIncoming('again.json', written(after)).brand!.brand.kept).toEqual(after.brand.kept!);
  });
  it('changes nothing when all of it is there already', () => {
    expect(
      take(
        site,
        JSON.stringify({ white: { $type: 'color', $value: '#ffffff' }, other: { $type: 'color', $value: '#222222' } }),
      ).edit,
    ).toBeUndefined();
  });
  it('takes as many of a thousand swatches as a palette holds, and says which are left', () => {
    const list = Array.from(
      { length: 1000 },
      (_, i) => `Tone ${i}: #${(i * 16127 + 4099).toString(16).padStart(6, '0').slice(-6)}`,
    ).join('\n');
    const { counts, rows } = plan(site, list, 'list.txt');
    expect(counts.added + site.brand.swatchOrder.length).toBe(500);
    expect(rows.at(-1)!.note).toContain('at most 500');
    expect(take(site, list, {}, 'list.txt').after.brand.swatchOrder.length).toBe(500);
  });
  it('gives equal names a number', () => {
    const { after } = take(site, 'Rope: #d0c0a0\nRope: #a09070', {}, 'list.txt');
    expect(Object.keys(colors(after))).toEqual([...Object.keys(colors(site)), 'Rope', 'Rope 2']);
  });
});

describe('bringing in the colour of another site’s brand', () => {
  const other = (() => {
    let now = done(site, setSwatchColor(site, 'brand', parseColor('#0055aa')!));
    now = done(now, setRule(now, 'ink', { kind: 'contrast', source: 'brand', on: 'white', ratio: 7 }));
    now = done(
      now,
      setValue(now, '', ['brand', 'grounds', 'pale', 'roles', 'text'], { kind: 'swatch', swatch: 'dark' }),
    );
    return done(now, setValue(now, '', ['brand', 'scale', 'large', 'base'], 25));
  })();
  it('brings swatches with their rules and backgrounds, and no type', () => {
    const { after } = take(site, written(other));
    expect(colors(after)).toEqual(colors(other));
    expect(after.brand.swatches['ink']!.rule).toEqual(other.brand.swatches['ink']!.rule);
    expect(after.brand.grounds['pale']!.roles['text']).toEqual({ kind: 'swatch', swatch: 'dark' });
    expect(after.brand.scale).toEqual(site.brand.scale);
  });
  it('joins by path and name where the ids are others, and adds a background nobody has', () => {
    const renamed = JSON.parse(
      JSON.stringify(other).replaceAll('"brand":', '"brand":').replaceAll('"white"', '"blank"'),
    ) as Site;
    const text = JSON.stringify(writeDtcg(renamed))
      .replaceAll('"label":"blank"', '"label":"white"')
      .replaceAll('"path":"deep"', '"path":"depth"')
      .replaceAll('"label":"Deep"', '"label":"Depth"');
    const { after } = take(site, text);
    const depth = Object.values(after.brand.grounds).find((ground) => ground.label === 'Depth')!;
    expect(depth.roles['text']).toEqual({ kind: 'swatch', swatch: 'white' });
    expect(after.brand.groundOrder.length).toBe(3);
  });
});

describe('bringing in a whole brand', () => {
  const edited = (() => {
    const now = done(site, setSwatchColor(site, 'brand', parseColor('#0055aa')!));
    return done(now, setValue(now, '', ['brand', 'corners', 'button'], 9));
  })();
  it('shows what differs in every token, and takes it or keeps ours one by one', () => {
    const { rows, counts } = planBrand(site, edited.brand, []);
    const row = (key: string) => rows.find((entry) => entry.key === key)!;
    expect([
      row('color.core.brand').after,
      row('color.core.brand').deltaE! > 0.1,
      row('color.core.brand').places > 0,
    ]).toEqual(['#0055aa', true, true]);
    expect([row('corner.button').before, row('corner.button').after]).toEqual(['2px', '9px']);
    expect(counts.equal + counts.changed).toBe(tokenTable(site.brand).size);
    expect(done(site, takeBrand(site, edited.brand, 'x')).brand).toEqual(edited.brand);
    const mixed = done(site, takeBrand(site, edited.brand, 'x', new Set(['color.core.brand'])));
    expect([hex(paintedRgb(swatchColor(mixed.brand, 'brand')!)), mixed.brand.corners.button]).toEqual(['#b83a1e', 9]);
  });
});

describe('tokens.css', () => {
  const corner = ['brand', 'cornerList'];
  const rich = (() => {
    const [variant] = site.brand.variantOrder;
    const edits: [string[], unknown][] = [
      [
        corner,
        {
          items: {
            soft: { id: 'soft', label: 'Soft', path: 'soft', value: { kind: 'px', radii: [12] } },
            leaf: { id: 'leaf', label: 'Leaf', path: 'leaf', value: { kind: 'px', radii: [12, 2, 12, 2] } },
          },
          order: ['soft', 'leaf'],
        },
      ],
      [['brand', 'corners', 'card'], 'soft'],
      [['brand', 'variants', variant!, 'shape'], { edge: 3, corner: 7 }],
      [
        ['brand', 'shadows'],
        {
          items: {
            lift: { id: 'lift', label: 'Lift', path: 'lift', x: 0, y: 2, blur: 8, spread: 0, color: 'ink', alpha: 0.2 },
          },
          order: ['lift'],
          uses: { button: null, card: 'lift', picture: null, field: null },
        },
      ],
      [
        ['brand', 'motion'],
        {
          items: { quick: { id: 'quick', label: 'Quick', path: 'quick', duration: 150, easing: [0.2, 0, 0, 1] } },
          order: ['quick'],
          uses: { button: 'quick', link: null, field: null },
        },
      ],
    ];
    return edits.reduce((now, [at, value]) => done(now, setValue(now, '', at, value)), site);
  })();
  const into = (of: Site, css: string) => {
    const incoming = readIncoming('tokens.css', css, of.brand);
    return { incoming, after: incoming.brand ? done(of, takeBrand(of, incoming.brand.brand, 'tokens.css')) : of };
  };

  it('comes back as it went out: nothing changed, nothing left', () => {
    const { incoming } = into(rich, writeTokensCss(rich.brand));
    expect([incoming.brand!.changed, incoming.brand!.left, incoming.brand!.taken]).toEqual([
      [],
      [],
      tokenTable(rich.brand).size,
    ] as never);
    expect(incoming.brand!.brand).toEqual(rich.brand);
  });
  it('is read back with every edit that a token can take, of every kind', () => {
    const [variant] = site.brand.variantOrder;
    const edits: [string[], unknown][] = [
      [['brand', 'swatches', 'brand', 'color'], parseColor('#0055aa')!.oklch],
      [['brand', 'swatches', 'brand', 'typed'], '#0055aa'],
      [['brand', 'grounds', 'pale', 'roles', 'text'], { kind: 'swatch', swatch: 'brand' }],
      [['brand', 'grounds', 'pale', 'roles', 'heading'], { kind: 'raw', color: '#123456' }],
      [['brand', 'styles', 'running', 'weight'], 500],
      [['brand', 'styles', 'running', 'lineHeight'], 1.7],
      [['brand', 'styles', 'running', 'letterSpacing'], 0.02],
      [['brand', 'styles', 'running', 'italic'], true],
      [['brand', 'styles', 'running', 'textCase'], 'uppercase'],
      [['brand', 'styles', 'running', 'spaceAbove'], 9],
      [['brand', 'styles', 'running', 'size'], { kind: 'pinned', small: 17, large: 21 }],
      [['brand', 'corners', 'card'], 'leaf'],
      [['brand', 'corners', 'button'], 5],
      [[...corner, 'items', 'leaf', 'value'], { kind: 'px', radii: [1, 2, 3, 4] }],
      [['brand', 'edges', 'card'], 2],
      [['brand', 'variants', variant!, 'shape', 'edge'], 6],
      [['brand', 'underline', 'thickness'], 2],
      [['brand', 'underline', 'offset'], 0.3],
      [['brand', 'shadows', 'items', 'lift', 'blur'], 20],
      [['brand', 'shadows', 'items', 'lift', 'alpha'], 0.5],
      [['brand', 'motion', 'items', 'quick', 'duration'], 300],
      [
        ['brand', 'motion', 'items', 'quick', 'easing'],
        [0.1, 0.2, 0.3, 0.4],
      ],
      [['brand', 'spaces', 'even', 'values', 'desktop'], 71],
      [['brand', 'spaces', 'even', 'values', 'phone'], null],
      [['brand', 'sizes', site.brand.sizeOrder[0]!, 'padX'], 31],
    ];
    for (const [at, value] of edits) {
      const edited = done(rich, setValue(rich, '', at, value));
      const { incoming, after } = into(rich, writeTokensCss(edited.brand));
      expect(incoming.brand!.left.filter((entry) => !/worked out/.test(entry.reason)))
        .withContext(at.join('.'))
        .toEqual([]);
      expect([...tokenTable(after.brand)].map(([path, token]) => [path, token.css ?? token.alias]))
        .withContext(at.join('.'))
        .toEqual([...tokenTable(edited.brand)].map(([path, token]) => [path, token.css ?? token.alias]));
    }
  });
  it('says of each faulty value what was wrong, takes the others, and knows a part of the sheet as well', () => {
    const { incoming, after } = into(
      rich,
      ':root { --text-running-weight: 650; --text-running-line-height: 99; --corner-button: 1e999px; --edge-card: -2px; --color-core-brand: nonsense; --text-running-size: 0; --elsewhere: 3px }',
    );
    expect(after.brand.styles['running']!.weight).toBe(650);
    const why = Object.fromEntries(incoming.brand!.left.map((entry) => [entry.path, entry.reason]));
    expect(Object.keys(why)).toEqual([
      '--text-running-line-height',
      '--corner-button',
      '--edge-card',
      '--color-core-brand',
      '--text-running-size',
      '--elsewhere',
    ]);
    expect(why['--corner-button']).toBe('is 1e999px, which cannot be read back');
    expect(why['--text-running-line-height']).toMatch(/^is 99: .*3/);
    expect(why['--elsewhere']).toContain('kept, and exported again');
    expect(writeTokensCss(after.brand)).toContain('--elsewhere: 3px;');
  });
  it('writes out again what another tool’s sheet had besides, naming swatches by their new path', () => {
    const { after } = take(
      site,
      ':root { --Sea: #0e3b43; --link: var(--Sea); --gap: 4px; --trap: "</style>" }',
      {},
      'x.css',
    );
    const sheet = writeTokensCss(after.brand);
    const sea = Object.values(after.brand.swatches).find((swatch) => swatch.label === 'Sea')!;
    expect(sheet).toContain(`--link: var(--${swatchPath(sea).replaceAll('.', '-')});`);
    expect(sheet).toContain('--gap: 4px;');
    expect(sheet).not.toContain('</style>');
    // A swatch whose path moves takes along what names it.
    const follows = applyChange(after, followSwatch(after, sea.id, 'ink')).site;
    expect(writeTokensCss(follows.brand)).toContain('--link: var(--color-derived-sea);');
    // Neither doubles nor stands in the DTCG file.
    expect(into(after, sheet).incoming.brand!.left).toEqual([]);
    expect(Object.keys(writeDtcg(after)).filter((key) => key.startsWith('--'))).toEqual([]);
  });
});
