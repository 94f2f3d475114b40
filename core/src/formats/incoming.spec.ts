import { SiteIssues } from '../site/index.ts';
import { hex } from '../color/index.ts';
import { LARGEST_TOKENS, readIncoming } from './index.ts';

const read = (value: unknown, name = 'tokens.json') => readIncoming(name, typeof value === 'string' ? value : JSON.stringify(value));
const hexes = (value: unknown, name?: string) => Object.fromEntries(read(value, name).colors.map((one) => [one.label, hex(one.color.rgb)]));
const reasons = (value: unknown, name?: string) => Object.fromEntries(read(value, name).left.map((one) => [one.path, one.reason]));

describe('DTCG of other tools', () => {
  it('is read in every colour space of the format, with components that are none', () => {
    const color = (colorSpace: string, ...components: unknown[]) => ({ $type: 'color', $value: { colorSpace, components } });
    const found = hexes({
      a: color('srgb', 1, 0, 0), b: color('srgb-linear', 0, 1, 0), c: color('hsl', 240, 100, 50), d: color('hwb', 60, 0, 0), e: color('lab', 53.2, 80.1, 67.2), f: color('lch', 50, 0, 'none'),
      g: color('oklab', 1, 0, 0), h: color('oklch', 0.6, 0.1, 200), i: color('display-p3', 0.5, 0.5, 0.5), j: color('a98-rgb', 0, 0, 0), k: color('prophoto-rgb', 1, 1, 1), l: color('rec2020', 1, 1, 1), m: color('xyz-d65', 0, 0, 0), n: color('xyz-d50', 0.9643, 1, 0.8251),
    });
    expect(Object.keys(found).length).toBe(14);
    expect([found['A'], found['B'], found['C'], found['D'], found['G'], found['I'], found['J'], found['K'], found['M']]).toEqual(['#ff0000', '#00ff00', '#0000ff', '#ffff00', '#ffffff', '#808080', '#000000', '#ffffff', '#000000']);
    expect([found['L'], found['N'], found['F']]).toEqual(['#ffffff', '#ffffff', '#777777']);
  });
  it('keeps what lies outside sRGB as it is written, and says that it is mapped', () => {
    const [color] = read({ signal: { $type: 'color', $value: { colorSpace: 'display-p3', components: [1, 0, 0] } } }).colors;
    expect([color!.color.mapped, color!.color.typed]).toEqual([true, 'color(display-p3 1 0 0)']);
  });
  it('inherits types from groups, and extends groups', () => {
    const file = { blue: { $type: 'color', 500: { $value: '#2255aa' }, $root: { $value: '#2255ab' } }, sea: { $extends: '{blue}', 700: { $value: '#113355' } } };
    expect(hexes(file)).toEqual({ 'Blue 500': '#2255aa', 'Blue $root': '#2255ab', 'Sea 500': '#2255aa', 'Sea $root': '#2255ab', 'Sea 700': '#113355' });
  });
  it('leaves aliases and aliases of aliases beside what they name, both notations, and keeps them', () => {
    const { colors, left } = read({ a: { $type: 'color', $value: '#123456' }, b: { $type: 'color', $value: '{a}' }, c: { $type: 'color', $value: '{b}' }, d: { $type: 'color', $ref: '#/c' } });
    expect(colors.map((one) => one.key)).toEqual(['a']);
    expect(left.map((one) => one.path)).toEqual(['b', 'c', 'd']);
    expect(left.every((one) => one.reason.endsWith('brought in by itself') && JSON.parse(one.kept!) !== undefined)).toBeTrue();
  });
  it('names a loop with its path, and what is not there', () => {
    const found = reasons({ ok: { $type: 'color', $value: '#fff' }, a: { $type: 'color', $value: '{b}' }, b: { $type: 'color', $value: '{a}' }, c: { $type: 'color', $value: '{nowhere}' }, e: { $extends: '{f}' }, f: { $extends: '{e}' } });
    expect(found['a']).toBe('names itself: a ← b ← a');
    expect(found['c']).toBe('names nowhere, which is not in the file');
    expect(found['e']).toContain('extends itself');
  });
  it('loses no token it has no use for: other types, unknown types, no type, values that are wrong', () => {
    const file = { color: { $type: 'color', $value: '#abcdef' }, size: { $type: 'dimension', big: { $value: { value: 4, unit: 'px' } } }, odd: { $type: 'sparkle', $value: 7 }, bare: { $value: 3 }, wrong: { $type: 'color', $value: { colorSpace: 'srgb', components: [1, 2] } }, far: { $type: 'color', $value: { colorSpace: 'ciecam', components: [1, 2, 3] } } };
    const { left } = read(file);
    expect(left.map((one) => one.path)).toEqual(['size.big', 'odd', 'bare', 'wrong', 'far']);
    expect(JSON.parse(left[0]!.kept!)).toEqual({ $type: 'dimension', $value: { value: 4, unit: 'px' } });
    expect(left.every((one) => one.kept !== undefined)).toBeTrue();
    expect(left[4]!.reason).toContain('“ciecam”');
  });
});

describe('custom properties', () => {
  it('are read from a sheet however it is written, last value first', () => {
    const css = '/* --no: #000 */:root{--Sea:#0e3b43;--sand : hsl(40 30% 90%) ;--sea-deep:var(--Sea)}\n@media (x){.a{--Sea:#0e3b44 !important;color:var(--b,#fff)}} .b{--font:"A;B"; --gap: calc(1px + (2px))}';
    expect(hexes(css, 'site.css')).toEqual({ Sea: '#0e3b44', Sand: '#ede8de' });
    expect(reasons(css, 'site.css')).toEqual({ 'sea-deep': 'names --Sea, which is brought in by itself', font: 'is "A;B"; only colours come in', gap: 'is calc(1px + (2px)); only colours come in' });
  });
  it('that lead in a circle or nowhere are left with the reason', () => {
    const found = reasons(':root { --a: var(--b); --b: var(--a); --c: var(--d); --e: #fff }', 'x.css');
    expect(found['a']).toBe('names --b, which leads to no value');
    expect(found['c']).toBe('names --d, which leads to no value');
  });
  it('before an error halfway are used', () => {
    expect(hexes(':root { --a: #111; --b: #222; broken { { ; --c: #333', 'x.css')).toEqual({ A: '#111111', B: '#222222', C: '#333333' });
  });
});

describe('plain lists', () => {
  it('are read line by line: names before or after, CSV with a heading, notations of all kinds', () => {
    expect(hexes('Sea: #0e3b43\n#b83a1e  Funnel\nrgb(1 2 3) - Night\n\n- Rope oklch(80% 0.05 90)', 'list.txt')).toEqual({ Sea: '#0e3b43', Funnel: '#b83a1e', Night: '#010203', Rope: '#cabd9a' });
    const csv = 'name,hex,places\n"Tern white",#fbfaf6,197\nInk,#14211f,3';
    expect(hexes(csv, 'swatches.csv')).toEqual({ 'Tern white': '#fbfaf6', Ink: '#14211f' });
    expect(reasons(csv, 'swatches.csv')).toEqual({ 'line 1': 'is a heading' });
  });
  it('give a name of their own to a colour without one, and say which line had none', () => {
    expect(hexes('#b83a1e\nno colour here at all', 'list.txt')).toEqual({ Brick: '#b83a1e' });
    expect(reasons('#b83a1e\nno colour here at all', 'list.txt')['line 2']).toContain('has no colour in it');
  });
  it('are read from plain JSON, nested or as a list of names', () => {
    expect(hexes({ sea: '#0e3b43', warm: { funnel: '#b83a1e' } })).toEqual({ Sea: '#0e3b43', 'Warm funnel': '#b83a1e' });
    expect(hexes([{ name: 'Fog', hex: '#cfd9d6' }])).toEqual({ Fog: '#cfd9d6' });
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
    expect(words('{"a": ')).toContain('is not JSON that can be read');
    expect(words('{"size": {"$type": "number", "$value": 3}}')).toContain('size is number');
    expect(words('hello there', 'x.txt')).toContain('has no colour');
    expect(words(`{"a":"${'x'.repeat(LARGEST_TOKENS)}"}`)).toContain('up to 5 MB are read');
  });
  it('with names of the language itself do no harm', () => {
    const file = '{"__proto__": {"polluted": {"$type":"color","$value":"#fff"}}, "constructor": {"$type":"color","$value":"#000"}}';
    expect(readIncoming('x.json', file).colors.length).toBe(2);
    expect(({} as Record<string, unknown>)['polluted']).toBeUndefined();
  });
});
