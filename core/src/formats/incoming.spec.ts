import { SiteIssues } from '../site/index.ts';
import { hex } from '../color/index.ts';
import { LARGEST_TOKENS, namedColors, readIncoming } from './index.ts';

const read = (value: unknown, name = 'tokens.json') =>
  readIncoming(name, typeof value === 'string' ? value : JSON.stringify(value));
const hexes = (value: unknown, name?: string) =>
  Object.fromEntries(read(value, name).colors.map((color) => [color.label, hex(color.color.rgb)]));
const reasons = (value: unknown, name?: string) =>
  Object.fromEntries(read(value, name).left.map((entry) => [entry.path, entry.reason]));

describe('DTCG of other tools', () => {
  it('is read in every colour space of the format, with components that are none', () => {
    const color = (colorSpace: string, ...components: unknown[]) => ({
      $type: 'color',
      $value: { colorSpace, components },
    });
    const found = hexes({
      a: color('srgb', 1, 0, 0),
      b: color('srgb-linear', 0, 1, 0),
      c: color('hsl', 240, 100, 50),
      d: color('hwb', 60, 0, 0),
      e: color('lab', 53.2, 80.1, 67.2),
      f: color('lch', 50, 0, 'none'),
      g: color('oklab', 1, 0, 0),
      h: color('oklch', 0.6, 0.1, 200),
      i: color('display-p3', 0.5, 0.5, 0.5),
      j: color('a98-rgb', 0, 0, 0),
      k: color('prophoto-rgb', 1, 1, 1),
      l: color('rec2020', 1, 1, 1),
      m: color('xyz-d65', 0, 0, 0),
      n: color('xyz-d50', 0.9643, 1, 0.8251),
    });
    expect(Object.keys(found).length).toBe(14);
    expect([
      found['A'],
      found['B'],
      found['C'],
      found['D'],
      found['G'],
      found['I'],
      found['J'],
      found['K'],
      found['M'],
    ]).toEqual(['#ff0000', '#00ff00', '#0000ff', '#ffff00', '#ffffff', '#808080', '#000000', '#ffffff', '#000000']);
    expect([found['L'], found['N'], found['F']]).toEqual(['#ffffff', '#ffffff', '#777777']);
  });
  it('keeps what lies outside sRGB as it is written, and says that it is mapped', () => {
    const [color] = read({
      signal: { $type: 'color', $value: { colorSpace: 'display-p3', components: [1, 0, 0] } },
    }).colors;
    expect([color!.color.mapped, color!.color.typed]).toEqual([true, 'color(display-p3 1 0 0)']);
  });
  it('inherits types from groups, and extends groups', () => {
    const file = {
      blue: { $type: 'color', 500: { $value: '#2255aa' }, $root: { $value: '#2255ab' } },
      sea: { $extends: '{blue}', 700: { $value: '#113355' } },
    };
    expect(hexes(file)).toEqual({
      'Blue 500': '#2255aa',
      'Blue $root': '#2255ab',
      'Sea 500': '#2255aa',
      'Sea $root': '#2255ab',
      'Sea 700': '#113355',
    });
  });
  it('leaves aliases and aliases of aliases beside what they name, both notations, and keeps them', () => {
    const { colors, left } = read({
      a: { $type: 'color', $value: '#123456' },
      b: { $type: 'color', $value: '{a}' },
      c: { $type: 'color', $value: '{b}' },
      d: { $type: 'color', $ref: '#/c' },
    });
    expect(colors.map((color) => color.key)).toEqual(['a']);
    expect(left.map((entry) => entry.path)).toEqual(['b', 'c', 'd']);
    expect(
      left.every((entry) => entry.reason.endsWith('imported separately') && JSON.parse(entry.kept!) !== undefined),
    ).toBeTrue();
  });
  it('names a loop with its path, and what is not there', () => {
    const found = reasons({
      ok: { $type: 'color', $value: '#fff' },
      a: { $type: 'color', $value: '{b}' },
      b: { $type: 'color', $value: '{a}' },
      c: { $type: 'color', $value: '{nowhere}' },
      e: { $extends: '{f}' },
      f: { $extends: '{e}' },
    });
    expect(found['a']).toBe('names itself: a ← b ← a');
    expect(found['c']).toBe('names nowhere, which is not in the file');
    expect(found['e']).toContain('extends itself');
  });
  it('loses no token it has no use for: other types, unknown types, no type, values that are wrong', () => {
    const file = {
      color: { $type: 'color', $value: '#abcdef' },
      size: { $type: 'dimension', big: { $value: { value: 4, unit: 'px' } } },
      odd: { $type: 'sparkle', $value: 7 },
      bare: { $value: 3 },
      wrong: { $type: 'color', $value: { colorSpace: 'srgb', components: [1, 2] } },
      far: { $type: 'color', $value: { colorSpace: 'ciecam', components: [1, 2, 3] } },
    };
    const { left } = read(file);
    expect(left.map((entry) => entry.path)).toEqual(['size.big', 'odd', 'bare', 'wrong', 'far']);
    expect(JSON.parse(left[0]!.kept!)).toEqual({ $type: 'dimension', $value: { value: 4, unit: 'px' } });
    expect(left.every((entry) => entry.kept !== undefined)).toBeTrue();
    expect(left[4]!.reason).toContain('“ciecam”');
  });
});

describe('what else a file of another tool has', () => {
  const parts = (value: unknown) => read(value).parts;
  const typography = (fields: object) => ({ type: { lead: { $type: 'typography', $value: fields } } });

  it('is a text style in px, em and shares, its parts looked up by their references', () => {
    const file = {
      font: {
        base: { $type: 'fontFamily', $value: ['Oat Serif', 'serif'] },
        size: { $type: 'dimension', lead: { $value: { value: 1.25, unit: 'rem' } } },
        loud: { $type: 'fontWeight', $value: 'semi-bold' },
      },
      typography: {
        'lead-text': {
          $type: 'typography',
          $value: {
            fontFamily: '{font.base}',
            fontSize: '{font.size.lead}',
            fontWeight: '{font.loud}',
            lineHeight: 1.5,
            letterSpacing: { value: 0.2, unit: 'px' },
          },
        },
      },
    };
    const [style, ...others] = parts(file);
    expect(others).toEqual([]);
    expect(style).toEqual(
      jasmine.objectContaining({
        kind: 'style',
        key: 'typography.lead-text',
        label: 'Lead text',
        family: 'Oat Serif',
        size: 20,
        weight: 600,
        lineHeight: 1.5,
        letterSpacing: 0.01,
        italic: false,
      }) as never,
    );
    // The parts of the style are kept as they are.
    expect(read(file).left.map((entry) => entry.path)).toEqual(['font.base', 'font.size.lead', 'font.loud']);
  });
  it('is a corner when a length is called so, a shadow, and a motion', () => {
    const found = parts({
      radius: { $type: 'dimension', card: { $value: '12px' } },
      gap: { $type: 'dimension', $value: '12px' },
      shadow: {
        raised: {
          $type: 'shadow',
          $value: { color: '#00000040', offsetX: { value: 0, unit: 'px' }, offsetY: '4px', blur: '0.5rem' },
        },
      },
      motion: {
        calm: { $type: 'transition', $value: { duration: '0.2s', delay: '0ms', timingFunction: [0.2, 0, 0, 1] } },
      },
    });
    expect(found.map((entry) => [entry.kind, entry.label])).toEqual([
      ['corner', 'Card'],
      ['shadow', 'Raised'],
      ['motion', 'Calm'],
    ]);
    expect(found[0]).toEqual(jasmine.objectContaining({ radius: 12 }) as never);
    expect(found[1]).toEqual(jasmine.objectContaining({ x: 0, y: 4, blur: 8, spread: 0 }) as never);
    expect(found[2]).toEqual(jasmine.objectContaining({ duration: 200, easing: [0.2, 0, 0, 1] }) as never);
  });
  it('is left with the reason and kept when it cannot be one', () => {
    const sized = { $value: { value: 2, unit: 'px' } };
    const whole = { fontSize: '16px', fontWeight: 400, lineHeight: 1.5 };
    for (const [fields, reason] of [
      [{ ...whole, fontSize: '10000px' }, 'has a size of 10000px; sizes go from 8 to 200 px'],
      [{ ...whole, fontSize: { value: 1e999, unit: 'px' } }, 'has a size of'],
      [{ ...whole, fontSize: '{nowhere}' }, 'has a size of nothing'],
      [{ ...whole, fontWeight: 'chubby' }, 'has a weight of'],
      [{ ...whole, lineHeight: 0 }, 'has a line height of 0; line heights go from 0.8 to 3'],
      [{ ...whole, letterSpacing: '3em' }, 'has a letter spacing of 3em'],
    ] as const) {
      const incoming = read({ ok: { $type: 'color', $value: '#fff' }, ...typography(fields) });
      expect(incoming.parts).toEqual([]);
      expect(incoming.left[0]!.reason).toContain(reason);
      expect(JSON.parse(incoming.left[0]!.kept!)).toEqual(jasmine.objectContaining({ $type: 'typography' }));
    }
    const others = reasons({
      ok: { $type: 'color', $value: '#fff' },
      radius: { $type: 'dimension', $value: '900px' },
      thin: { $type: 'border', width: sized },
      shadow: {
        two: { $type: 'shadow', $value: [{}, {}] },
        inner: { $type: 'shadow', $value: { inset: true } },
        far: { $type: 'shadow', $value: { color: '#000', offsetX: '900px', offsetY: '0px', blur: '0px' } },
      },
      motion: {
        slow: { $type: 'transition', $value: { duration: '9s', timingFunction: [0, 0, 1, 1] } },
        odd: { $type: 'transition', $value: { duration: '1s', timingFunction: [7, 0, 1, 1] } },
      },
    });
    expect(others).toEqual({
      radius: 'is a corner of 900 px; corners go from 0 to 100 px',
      'thin.width': 'is border; only colours, text styles, shadows, motions and corners can be imported alone',
      'shadow.two': 'is 2 shadows in one; a shadow token has one',
      'shadow.inner': 'is an inner shadow; shadow tokens are outer shadows',
      'shadow.far': 'has offsets outside -60 to 60 px, or a blur outside 0 to 120',
      'motion.slow': 'has a duration outside 0 to 2000 ms',
      'motion.odd': 'has an easing that cannot be read',
    });
  });
});

describe('custom properties', () => {
  it('are read from a sheet however it is written, last value first', () => {
    const css =
      '/* --no: #000 */:root{--Sea:#0e3b43;--sand : hsl(40 30% 90%) ;--sea-deep:var(--Sea)}\n@media (x){.a{--Sea:#0e3b44 !important;color:var(--b,#fff)}} .b{--font:"A;B"; --gap: calc(1px + (2px))}';
    expect(hexes(css, 'site.css')).toEqual({ Sea: '#0e3b44', Sand: '#ede8de' });
    const only = 'only colours, text styles, shadows, motions and corners can be imported alone';
    expect(reasons(css, 'site.css')).toEqual({
      '--sea-deep': 'names --Sea, which is imported separately',
      '--font': `is "A;B"; ${only}`,
      '--gap': `is calc(1px + (2px)); ${only}`,
    });
    expect(read(css, 'site.css').left.map((entry) => JSON.parse(entry.kept!) as string)).toEqual([
      'var(--Sea)',
      '"A;B"',
      'calc(1px + (2px))',
    ]);
  });
  it('that lead in a circle or nowhere are left with the reason', () => {
    const found = reasons(':root { --a: var(--b); --b: var(--a); --c: var(--d); --e: #fff }', 'x.css');
    expect(found['--a']).toBe('names --b, which has no value');
    expect(found['--c']).toBe('names --d, which has no value');
    // Inside a value as well, and without end.
    const grown = `:root { --e: #fff; --f: 0 1px var(--g); --h: var(--h) 2px; ${Array.from({ length: 40 }, (_, i) => `--x${i}: var(--x${i + 1}) var(--x${i + 1});`).join(' ')} --x40: 1px }`;
    const inside = reasons(grown, 'x.css');
    for (const name of ['--f', '--h', '--x0'])
      expect(inside[name]).withContext(name).toContain('names a property without a value');
  });
  it('bring text styles, shadows, motions and corners, whatever they name put in', () => {
    const { parts, left } = read(
      `:root {
      --unit: 0.5rem; --night: rgb(10 20 30 / 40%); --serif: "Quay Serif", serif;
      --text-lead-size: 1.5rem; --text-lead-line-height: 1.4; --text-lead-weight: 600; --text-lead-tracking: -0.01em; --text-lead-font-family: var(--serif);
      --fine: italic 300 14px/20px "Quay Sans", sans-serif;
      --shadow-raised: 0 2px var(--unit) -1px var(--night);
      --motion-quick-duration: .2s; --motion-quick-easing: cubic-bezier(0.2, 0, 0, 1.2);
      --slow: opacity 400ms ease-out; --radius-card: .75rem; --width: 40px;
    }`,
      'x.css',
    );
    expect(parts.map(({ kept: _, ...entry }) => entry as unknown)).toEqual([
      {
        key: '--text-lead',
        label: 'Lead',
        kind: 'style',
        family: 'Quay Serif',
        size: 24,
        weight: 600,
        lineHeight: 1.4,
        letterSpacing: -0.01,
        italic: false,
      },
      { key: '--motion-quick', label: 'Quick', kind: 'motion', duration: 200, easing: [0.2, 0, 0, 1.2] },
      {
        key: '--fine',
        label: 'Fine',
        kind: 'style',
        family: 'Quay Sans',
        size: 14,
        weight: 300,
        lineHeight: 1.429,
        letterSpacing: undefined,
        italic: true,
      },
      {
        key: '--shadow-raised',
        label: 'Raised',
        kind: 'shadow',
        x: 0,
        y: 2,
        blur: 8,
        spread: -1,
        color: { r: 10, g: 20, b: 30, alpha: 0.4 },
      },
      { key: '--slow', label: 'Slow', kind: 'motion', duration: 400, easing: [0, 0, 0.58, 1] },
      { key: '--radius-card', label: 'Card', kind: 'corner', radius: 12 },
    ]);
    expect(left.map((entry) => entry.path)).toEqual(['--unit', '--serif', '--width']);
  });
  it('that look like one of those and cannot be are left with the reason, and kept as they stand', () => {
    const css =
      ':root { --ok: #fff; --a-shadow: inset 0 1px 2px #000; --b: 0 1px 2px #000, 0 2px 9px #0003; --c-shadow: 0 999px #000; --radius-big: 1e999px; --radius-x: 400px; --t-size: 10000px; --t-weight: 400; --m-duration: 99s; --m-easing: ease; --n-duration: 1ms; --n-ease: steps(4) }';
    expect(reasons(css, 'x.css')).toEqual({
      '--a-shadow': 'is an inner shadow; shadow tokens are outer shadows',
      '--b': 'is 2 shadows in one; a shadow token has one',
      '--c-shadow': 'has offsets outside -60 to 60 px, or a blur outside 0 to 120',
      '--radius-big': 'is 1e999px; only colours, text styles, shadows, motions and corners can be imported alone',
      '--radius-x': 'is a corner of 400 px; corners go from 0 to 100 px',
      '--t-size': 'has a size of {"value":10000,"unit":"px"}; sizes go from 8 to 200 px',
      '--t-weight': 'has a size of {"value":10000,"unit":"px"}; sizes go from 8 to 200 px',
      '--m-duration': 'has a duration outside 0 to 2000 ms',
      '--m-easing': 'has a duration outside 0 to 2000 ms',
      '--n-duration': 'has an easing that cannot be read',
      '--n-ease': 'has an easing that cannot be read',
    });
    expect(
      read(css, 'x.css').left.every(
        (entry) => entry.path.startsWith('--') && typeof JSON.parse(entry.kept!) === 'string',
      ),
    ).toBeTrue();
  });
  it('before an error halfway are used', () => {
    expect(hexes(':root { --a: #111; --b: #222; broken { { ; --c: #333', 'x.css')).toEqual({
      A: '#111111',
      B: '#222222',
      C: '#333333',
    });
  });
});

describe('plain lists', () => {
  it('are read line by line: names before or after, CSV with a heading, notations of all kinds', () => {
    expect(hexes('Sea: #0e3b43\n#b83a1e  Funnel\nrgb(1 2 3) - Night\n\n- Rope oklch(80% 0.05 90)', 'list.txt')).toEqual(
      { Sea: '#0e3b43', Funnel: '#b83a1e', Night: '#010203', Rope: '#cabd9a' },
    );
    const csv = 'name,hex,places\n"Tern white",#fbfaf6,197\nInk,#14211f,3';
    expect(hexes(csv, 'swatches.csv')).toEqual({ 'Tern white': '#fbfaf6', Ink: '#14211f' });
    expect(reasons(csv, 'swatches.csv')).toEqual({ 'line 1': 'is a heading' });
  });
  it('give a name of their own to a colour without one, and say which line had none', () => {
    expect(hexes('#b83a1e\nno colour here at all', 'list.txt')).toEqual({ Brick: '#b83a1e' });
    expect(reasons('#b83a1e\nno colour here at all', 'list.txt')['line 2']).toContain('contains no colour');
  });
  it('are read from plain JSON, nested or as a list of names', () => {
    expect(hexes({ sea: '#0e3b43', warm: { funnel: '#b83a1e' } })).toEqual({
      Sea: '#0e3b43',
      'Warm funnel': '#b83a1e',
    });
    expect(hexes([{ name: 'Fog', hex: '#cfd9d6' }])).toEqual({ Fog: '#cfd9d6' });
  });
});

describe('colours that somebody types', () => {
  const named = (text: string) => namedColors(text).map(({ typed, label }) => (label ? `${label} ${typed}` : typed));
  it('are each taken once, with what they are called where that stands beside them', () => {
    expect(named('Moss #4b5d23, sand: oklch(0.9 0.04 90); night hsl(230 40% 14%), #4B5D23')).toEqual([
      'Moss #4b5d23',
      'sand oklch(0.9 0.04 90)',
      'night hsl(230 40% 14%)',
    ]);
    expect(named('#222 Ink\n--brand-red: #c33;\n{"Βρύο": "#113355"}')).toEqual([
      'Ink #222',
      'brand-red #c33',
      'Βρύο #113355',
    ]);
    // A word that names a colour, before a code, is what the code is called; alone it is a colour.
    expect(named('navy #001f3f, navy')).toEqual(['navy #001f3f', 'navy']);
  });
  it('have no name from a sentence, a declaration, or markup', () => {
    expect(named('We use #123456 for everything that is important to us.')).toEqual(['#123456']);
    expect(named('a{color:#abc;background-color:#def} <img onerror=alert(1)> #445566')).toEqual([
      '#abc',
      '#def',
      '#445566',
    ]);
    expect(named('no colour at all')).toEqual([]);
  });
});

describe('files that cannot be used', () => {
  it('are refused with a sentence, and nothing is changed', () => {
    const words = (value: string, name?: string) => {
      try {
        read(value, name);
        return 'read';
      } catch (error) {
        expect(error).toBeInstanceOf(SiteIssues);
        return (error as SiteIssues).issues[0]!.message;
      }
    };
    expect(words('')).toContain('is empty');
    expect(words('{"a": ')).toContain('is not valid JSON');
    expect(words('{"size": {"$type": "number", "$value": 3}}')).toContain('size is number');
    expect(words('hello there', 'x.txt')).toContain('contains no colour');
    expect(words(`{"a":"${'x'.repeat(LARGEST_TOKENS)}"}`)).toContain('up to 5 MB are read');
  });
  it('with names of the language itself do no harm', () => {
    const file =
      '{"__proto__": {"polluted": {"$type":"color","$value":"#fff"}}, "constructor": {"$type":"color","$value":"#000"}}';
    expect(readIncoming('x.json', file).colors.length).toBe(2);
    expect(({} as Record<string, unknown>)['polluted']).toBeUndefined();
  });
});
