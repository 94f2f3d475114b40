import {
  SUGGESTIONS_APART,
  applyChange,
  checkTouched,
  deltaERgb,
  hex,
  occurringPairs,
  paintedRgb,
  parseColor,
  readSite,
  suggest,
  swatchColor,
  takeSuggestion,
} from '@yohaku/core';
import { ternhaven } from './index.ts';

const site = readSite(ternhaven);
const list = suggest(site, new Set(['funnel']));
const short = (of: typeof site) =>
  occurringPairs(of).filter((pair) => pair.found !== null && pair.found < pair.needed).length;

describe('suggestions from what stays', () => {
  it('are five harmonies at least, each with a name of the trade', () => {
    expect(list.length).toBeGreaterThanOrEqual(5);
    expect(new Set(list.map((entry) => entry.name)).size).toBe(list.length);
  });
  it('leave what stays, and make every pair hold when they are taken', () => {
    for (const entry of list) {
      const after = applyChange(site, { ops: takeSuggestion(site, entry) }).site;
      checkTouched(site, after);
      expect(swatchColor(after.brand, 'funnel')).withContext(entry.name).toEqual(swatchColor(site.brand, 'funnel'));
      expect([entry.failing, short(after)])
        .withContext(entry.name)
        .toEqual([0, 0]);
      expect(after.brand.swatchOrder.map((id) => hex(paintedRgb(swatchColor(after.brand, id)!))))
        .withContext(entry.name)
        .toEqual([...entry.palette]);
    }
  });
  it('are told apart, two and two', () => {
    list.forEach((entry, i) =>
      list.slice(i + 1).forEach((other) => {
        const most = Math.max(
          ...entry.palette.map((color, k) => deltaERgb(parseColor(color)!.rgb, parseColor(other.palette[k]!)!.rgb)),
        );
        expect(most)
          .withContext(`${entry.name}, ${other.name}`)
          .toBeGreaterThanOrEqual(SUGGESTIONS_APART - 0.002);
      }),
    );
  });
  it('can be taken one swatch at a time', () => {
    const [first] = list;
    const only = first!.swatches[0]!;
    const after = applyChange(site, { ops: takeSuggestion(site, first!, only.id) }).site;
    const changed = site.brand.swatchOrder.filter(
      (id) => !site.brand.swatches[id]!.rule && after.brand.swatches[id] !== site.brand.swatches[id],
    );
    expect(changed).toEqual([only.id]);
  });
  it('are the same for the same site, and none where nothing stays', () => {
    expect(suggest(site, new Set(['funnel']))).toEqual(list);
    expect(suggest(site, new Set())).toEqual([]);
  });
});
