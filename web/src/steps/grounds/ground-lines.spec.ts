import { applyChange, contrastRatio, parseColor, setSlot } from '@yohaku/core';
import { small } from '../../testing/small.ts';
import { groundLines } from './ground-lines.ts';

const ratio = (one: string, other: string) => contrastRatio(parseColor(one)!.rgb, parseColor(other)!.rgb);

describe('set lines', () => {
  const site = small();
  const sample = (slot: string, of = site, ground = 'pale') => groundLines(of).find((line) => line.id === ground)!.samples.find((one) => one.slot === slot)!;

  it('stand in the order of the brand, with all places on each ground counted', () => {
    const lines = groundLines(site);
    expect(lines.map((line) => line.label)).toEqual(['Pale', 'Deep']);
    expect(lines.every((line) => line.places > 0)).toBeTrue();
  });
  it('carry the ratio of each slot on its own background', () => {
    expect(sample('text').found).toBeCloseTo(ratio('#222222', '#ffffff'), 9);
    expect(sample('text', site, 'deep').found).toBeCloseTo(ratio('#ffffff', '#222222'), 9);
    expect(sample('button-primary-label-rest').found).toBeCloseTo(ratio('#ffffff', '#b83a1e'), 9);
  });
  it('ask 3 of rings, fields and large headings, 4.5 of text', () => {
    expect(['text', 'link', 'secondary', 'focus', 'field-edge'].map((slot) => sample(slot).needed)).toEqual([4.5, 4.5, 4.5, 3, 3]);
    expect(sample('heading').needed).toBe(3);
  });
  it('tell how many places a slot paints: one that paints none cannot fail', () => {
    expect(sample('eyebrow').places).toBe(0);
    const faint = applyChange(site, setSlot(site, 'pale', 'text', { kind: 'raw', color: '#cccccc' })).site;
    expect(sample('text', faint).places).toBeGreaterThan(0);
    expect(sample('text', faint).found!).toBeLessThan(4.5);
  });
  it('composite a translucent slot before rating it', () => {
    const veiled = applyChange(site, setSlot(site, 'pale', 'text', { kind: 'raw', color: 'rgb(0 0 0 / 0.5)' })).site;
    expect(sample('text', veiled).found).toBeCloseTo(ratio('#808080', '#ffffff'), 6);
  });
});
