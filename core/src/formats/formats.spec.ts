import { addCorner, addMotion, addShadow, applyChange, setWash } from '../change/index.ts';
import { SiteIssues } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { tokenTable, tokensCss } from '../style/index.ts';
import { auditSite, auditCounts } from '../legibility/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { readDtcg, tableFromCss, writeDtcg } from './index.ts';

const site = readSite(smallSite());
const written = () => JSON.parse(JSON.stringify(writeDtcg(site))) as Record<string, never>;
type Token = { $type?: string; $value: unknown };

/** A plain DTCG reader: leaves by path, references resolved. It knows nothing of Yohaku. */
function plainRead(root: Record<string, unknown>): Map<string, Token> {
  const leaves = new Map<string, Token>();
  const visit = (node: Record<string, unknown>, path: string[]) => {
    if ('$value' in node) leaves.set(path.join('.'), node as unknown as Token);
    else
      for (const [key, child] of Object.entries(node))
        if (!key.startsWith('$') && typeof child === 'object' && child)
          visit(child as Record<string, unknown>, [...path, key]);
  };
  visit(root, []);
  return leaves;
}

describe('DTCG', () => {
  it('is read by a plain reader: types on every token, references that lead somewhere, colours as objects', () => {
    const leaves = plainRead(written());
    expect(leaves.size).toBeGreaterThan(50);
    for (const [path, token] of leaves) {
      expect(['color', 'dimension', 'fontFamily', 'fontWeight', 'number', 'typography', 'border'])
        .withContext(path)
        .toContain(token.$type!);
      const reference = typeof token.$value === 'string' ? /^\{(.+)\}$/.exec(token.$value)?.[1] : undefined;
      if (reference) expect(leaves.has(reference)).withContext(`${path} to ${reference}`).toBeTrue();
      else if (token.$type === 'color')
        expect(
          (token.$value as { components: number[] }).components.every((component) => component >= 0 && component <= 1),
        )
          .withContext(path)
          .toBeTrue();
      else if (token.$type === 'dimension')
        expect(token.$value)
          .withContext(path)
          .toEqual({ value: jasmine.any(Number) as never, unit: 'px' } as never);
    }
  });
  it('loses nothing to us: what was written is read back equal', () => {
    const read = readDtcg(written());
    expect(read.brand).toEqual(site.brand);
    expect([read.changed, read.left]).toEqual([[], []]);
    expect(read.taken).toBeGreaterThan(50);
  });
  it('takes what was edited in the file, and reports it', () => {
    const file = written() as never as {
      color: { core: { brand: Token } };
      corner: { button: Token };
      extra?: unknown;
    };
    file.color.core.brand.$value = { colorSpace: 'srgb', components: [0, 0, 1], alpha: 1, hex: '#0000ff' };
    file.corner.button.$value = { value: 12, unit: 'px' };
    file.extra = { thing: { $type: 'number', $value: 3 } };
    const read = readDtcg(file);
    expect(read.changed).toEqual(['color.core.brand', 'corner.button']);
    expect(read.brand.swatches['brand']!.typed).toBe('#0000ff');
    expect(read.brand.corners.button).toBe(12);
    expect(read.left.map((entry) => entry.path)).toEqual(['extra.thing']);
  });
  it('reads a gradient back as it was, and an edited end into the role it comes from', () => {
    const washed = applyChange(site, setWash(site, 'pale', { to: { kind: 'swatch', swatch: 'ink' }, angle: 45 })).site;
    const file = JSON.parse(JSON.stringify(writeDtcg(washed))) as {
      background: {
        pale: { wash: { $type: string; $value: { color: { hex: string; components: number[] }; position: number }[] } };
      };
    };
    const { wash } = file.background.pale;
    expect([wash.$type, wash.$value.map((entry) => entry.position)]).toEqual(['gradient', [0, 1]]);
    expect(readDtcg(file)).toEqual(jasmine.objectContaining({ brand: washed.brand, changed: [], left: [] }));
    wash.$value[1]!.color.hex = '#445566';
    const read = readDtcg(file);
    expect(read.changed).toEqual(['background.pale.wash']);
    expect(read.brand.grounds['pale']!.roles['background-to']).toEqual({ kind: 'raw', color: '#445566' });
    expect(read.brand.grounds['pale']!.roles['background']).toEqual(washed.brand.grounds['pale']!.roles['background']!);
  });
  it('writes composites of references that lead somewhere, and reads shadows, edges and corners back, edited or not', () => {
    let rich = applyChange(site, addShadow(site, 'lift')).site;
    rich = applyChange(rich, addCorner(rich, 'soft', { kind: 'px', radii: [6] })).site;
    rich = applyChange(rich, addCorner(rich, 'leaf', { kind: 'px', radii: [9, 1, 9, 1] })).site;
    rich = applyChange(rich, addMotion(rich, 'quick')).site;
    const file = JSON.parse(JSON.stringify(writeDtcg(rich))) as Record<
      string,
      Record<string, { $type: string; $value: Record<string, { value: number }> & { value: number } }>
    >;
    const leaves = plainRead(file);
    const composites = [...leaves].filter(([, token]) => ['typography', 'border', 'transition'].includes(token.$type!));
    expect(new Set(composites.map(([, token]) => token.$type))).toEqual(
      new Set(['typography', 'border', 'transition']),
    );
    for (const [path, token] of composites)
      for (const part of Object.values(token.$value as object)) {
        const reference = typeof part === 'string' ? /^\{(.+)\}$/.exec(part)?.[1] : undefined;
        if (reference) expect(leaves.has(reference)).withContext(`${path} to ${reference}`).toBeTrue();
      }
    expect(readDtcg(file)).toEqual(jasmine.objectContaining({ brand: rich.brand, changed: [], left: [] }));
    file['shadow']!['shadow']!.$value['blur']!.value = 21;
    (file['shadow']!['shadow']!.$value['color'] as never as { alpha: number }).alpha = 0.5;
    file['radius']!['corner']!.$value.value = 7;
    file['edge']!['card']!.$value.value = 3;
    (file['typography']!['title'] as { $value: unknown }).$value = { fontSize: '{text.fine.size}' };
    const read = readDtcg(file);
    expect([...read.changed].sort()).toEqual(['edge.card', 'radius.corner', 'shadow.shadow']);
    expect(read.brand.shadows!.items['lift']).toEqual({ ...rich.brand.shadows!.items['lift']!, blur: 21, alpha: 0.5 });
    expect([read.brand.cornerList!.items['soft']!.value, read.brand.edges]).toEqual([
      { kind: 'px', radii: [7] },
      { button: 2, card: 3, picture: 0, field: 1, rule: 1 },
    ]);
    expect(read.left.map((entry) => entry.path)).toEqual(['typography.title']);
  });
  it('refuses what is not ours and what would not be right, saying where', () => {
    for (const input of [null, {}, [], 'x', { $extensions: {} }])
      expect(() => readDtcg(input)).toThrowError(SiteIssues);
    const file = written() as never as { corner: { button: Token } };
    file.corner.button.$value = { value: 10_000, unit: 'px' };
    expect(() => readDtcg(file)).toThrowError(SiteIssues, /corners/);
  });
});

describe('tokens.css', () => {
  it('gives the same table when it is as it was written', () => {
    const table = tokenTable(site.brand);
    expect(tableFromCss(table, tokensCss(site.brand))).toBe(table);
  });
  it('counts when one line is edited: the audit sees the new value', () => {
    const css = tokensCss(site.brand).replace(/(--color-core-ink: )[^;]+/, '$1#eeeeee');
    const audit = auditSite(site, undefined, tableFromCss(tokenTable(site.brand), css));
    expect(auditCounts(audit).failed).toBeGreaterThan(0);
    expect(auditCounts(auditSite(site)).failed).toBe(0);
  });
});
