import { parseColor } from '../color/index.ts';
import type { SourceColor } from '../palette/index.ts';
import { placesOf } from '../reach/index.ts';
import { readSite } from '../document/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { drawnAndBuilt, groupSpots, type PinSpot } from './index.ts';

const rgb = (hex: string) => parseColor(hex)!.rgb;
const spots = (count: number, drawn: string, built: string): PinSpot[] =>
  Array.from({ length: count }, (_, i) => ({ x: i, y: 0, drawn: rgb(drawn), built: rgb(built) }));
const color = (hex: string, share: number): SourceColor => ({
  hex,
  typed: hex,
  share,
  uses: null,
  role: 'ground',
  why: '',
  spots: [],
});

describe('a design pinned over a page', () => {
  it('tells where drawn and built differ, what weighs most first, what is as drawn last', () => {
    const groups = groupSpots([
      ...spots(60, '#ffffff', '#ffffff'),
      ...spots(10, '#ffffff', '#000000'),
      ...spots(30, '#b83a1e', '#a83a1e'),
    ]);
    expect(groups.map(({ drawn, built, share }) => [drawn, built, share])).toEqual([
      ['#ffffff', '#000000', 0.1],
      ['#b83a1e', '#a83a1e', 0.3],
      ['#ffffff', '#ffffff', 0.6],
    ]);
    expect(groups[0]!.spots.length).toBe(10);
    expect(groupSpots([])).toEqual([]);
  });
  it('counts drawn colours that nobody can tell apart as one', () => {
    expect(groupSpots([...spots(3, '#fbfaf6', '#000000'), ...spots(2, '#fbfaf7', '#000000')]).length).toBe(1);
    expect(groupSpots([...spots(3, '#fbfaf6', '#000000'), ...spots(2, '#e0e0e0', '#000000')]).length).toBe(2);
  });
  it('names drawn colours without a token, and tokens of this page that nobody drew, with their places on it', () => {
    const site = readSite(smallSite());
    const { withoutToken, neverDrawn } = drawnAndBuilt(site, 'home', [
      color('#ffffff', 0.5),
      color('#2266cc', 0.1),
      color('#222223', 0.2),
      color('#22aa44', 0.2),
    ]);
    expect(withoutToken.map((token) => token.hex)).toEqual(['#22aa44', '#2266cc']);
    expect(withoutToken[0]!.deltaE).toBeGreaterThan(0.1);
    const places = placesOf(site, 'color.core.brand').filter((place) => place.page === 'home').length;
    expect(neverDrawn.find((entry) => entry.id === 'brand')).toEqual({
      id: 'brand',
      label: 'brand',
      hex: '#b83a1e',
      places,
    });
    expect(neverDrawn.some((entry) => entry.id === 'white' || entry.id === 'ink')).toBeFalse();
  });
});
