import { applyChange, setRole } from '../change/index.ts';
import { readSite } from '../document/index.ts';
import { tokenTable } from '../style/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { occurringPairs, pairsOn, pairsWith, type Pair } from './pairs.ts';

describe('pairs that occur', () => {
  const site = readSite(smallSite());

  it('are only those that some page uses', () => {
    const pairs = occurringPairs(site);
    expect(pairs.some((pair) => pair.fores.some((layer) => layer.chain[0] === 'background.deep.eyebrow'))).toBeFalse();
    expect(pairs.every((pair) => pair.places.length > 0)).toBeTrue();
  });

  it('of a token are those in which it stands before or behind', () => {
    const pairs = occurringPairs(site);
    const white = pairsWith(pairs, 'color.core.white');
    expect(white.some((pair) => pair.behind?.[0]?.chain.includes('color.core.white'))).toBeTrue();
    expect(white.some((pair) => pair.fores.some((layer) => layer.chain.includes('color.core.white')))).toBeTrue();
    expect(white.length).toBeLessThanOrEqual(pairs.length);
  });

  it('on a token are found alone as they are among all of them, through a veil as well', () => {
    const veiled = applyChange(
      site,
      setRole(site, 'pale', 'background', { kind: 'raw', color: 'rgb(255 255 255 / 0.1)' }),
    ).site;
    const said = ({ rule, kind, ground, fores, behind, states, found, count }: Pair) =>
      JSON.stringify([rule, kind, ground, fores, behind, states, found, count]);
    let on = 0;
    for (const entry of [site, veiled])
      for (const path of tokenTable(entry.brand).keys()) {
        const all = occurringPairs(entry).filter((pair) => pair.behind?.some((layer) => layer.chain.includes(path)));
        expect(pairsOn(entry, path).map(said)).withContext(path).toEqual(all.map(said));
        on += all.length;
      }
    expect(on).toBeGreaterThan(20);
  });

  it('stand on what shows through a translucent background', () => {
    const veiled = applyChange(
      site,
      setRole(site, 'pale', 'background', { kind: 'raw', color: 'rgb(255 255 255 / 0.1)' }),
    ).site;
    const pair = occurringPairs(veiled).find((entry) => entry.rule === 'text-contrast' && entry.behind!.length > 1);
    expect(pair?.behind?.map((layer) => layer.chain[0])).toContain('background.pale.background');
  });
});
