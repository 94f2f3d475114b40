import { applyChange, contrastRatio, parseColor, setRole } from '@yohaku/core';
import { small } from '../../testing/small.ts';
import { callsOf, groundLines, rowsOf } from './background-lines.ts';

const ratio = (name: string, other: string) => contrastRatio(parseColor(name)!.rgb, parseColor(other)!.rgb);

describe('set lines', () => {
  const site = small();
  const sample = (role: string, of = site, ground = 'pale') =>
    groundLines(of)
      .find((line) => line.id === ground)!
      .samples.find((entry) => entry.role === role)!;

  it('stand in the order of the brand, with all places on each background counted', () => {
    const lines = groundLines(site);
    expect(lines.map((line) => line.label)).toEqual(['Pale', 'Deep']);
    expect(lines.every((line) => line.places > 0)).toBeTrue();
  });
  it('carry the ratio of each role on its own background', () => {
    expect(sample('text').found).toBeCloseTo(ratio('#222222', '#ffffff'), 9);
    expect(sample('text', site, 'deep').found).toBeCloseTo(ratio('#ffffff', '#222222'), 9);
    expect(sample('button-primary-label-rest').found).toBeCloseTo(ratio('#ffffff', '#b83a1e'), 9);
  });
  it('ask 3 of rings, fields and large headings, 4.5 of text', () => {
    expect(['text', 'link', 'secondary', 'focus', 'field-edge'].map((role) => sample(role).needed)).toEqual([
      4.5, 4.5, 4.5, 3, 3,
    ]);
    expect(sample('heading').needed).toBe(3);
  });
  it('tell how many places a role paints: one that paints none cannot fail', () => {
    expect(sample('eyebrow').places).toBe(0);
    const faint = applyChange(site, setRole(site, 'pale', 'text', { kind: 'raw', color: '#cccccc' })).site;
    expect(sample('text', faint).places).toBeGreaterThan(0);
    expect(sample('text', faint).found!).toBeLessThan(4.5);
  });
  it('composite a translucent role before rating it', () => {
    const veiled = applyChange(site, setRole(site, 'pale', 'text', { kind: 'raw', color: 'rgb(0 0 0 / 0.5)' })).site;
    expect(sample('text', veiled).found).toBeCloseTo(ratio('#808080', '#ffffff'), 6);
  });

  it('fold to the main roles, and what fails never hides', () => {
    const [line] = groundLines(site);
    expect(rowsOf(line!, 10, false).length).toBe(1);
    expect(
      rowsOf(line!, 10, true)
        .flat()
        .map((entry) => entry.role),
    ).toContain('link-visited');
    const faint = applyChange(site, setRole(site, 'pale', 'link-visited', { kind: 'raw', color: '#dddddd' })).site;
    const rows = rowsOf(groundLines(faint)[0]!, 10, false);
    expect(
      rows
        .slice(1)
        .flat()
        .map((entry) => entry.role),
    ).toEqual(['link-visited']);
  });
  it('call for what fails or was never set where it is in use, most places first', () => {
    const calls = callsOf(groundLines(site));
    expect(calls.every(({ sample }) => sample.places > 0)).toBeTrue();
    expect(calls.map(({ sample }) => sample.places)).toEqual(
      calls.map(({ sample }) => sample.places).sort((value, other) => other - value),
    );
    const unset = calls.find(({ sample, line }) => line.id === 'pale' && sample.role === 'link-visited');
    expect(unset?.fails).toBeFalse();
    const chosen = applyChange(
      site,
      setRole(site, 'pale', 'link-visited', { kind: 'swatch', swatch: site.brand.swatchOrder[0]! }),
    ).site;
    const after = callsOf(groundLines(chosen)).find(
      ({ sample, line }) => line.id === 'pale' && sample.role === 'link-visited',
    );
    expect(after === undefined || after.fails).toBeTrue();
  });
  it('judge what is typed on the field, and a stripe by the text on it', () => {
    const lined = applyChange(site, setRole(site, 'pale', 'stripe', { kind: 'raw', color: '#777777' })).site;
    const found = (of: typeof site, role: string) =>
      groundLines(of)[0]!.more.find((entry) => entry.role === role)!.found;
    expect(found(lined, 'stripe')).toBeCloseTo(ratio('#222222', '#777777'), 9);
    const filled = applyChange(site, setRole(site, 'pale', 'field', { kind: 'raw', color: '#888888' })).site;
    expect(found(filled, 'field-text')).toBeCloseTo(ratio('#222222', '#888888'), 9);
  });
});
