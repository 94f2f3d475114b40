import { auditSite, findings, occurringPairs, placeKey } from '@yohaku/core';
import { ternhaven } from './index.ts';

const CONTRASTS = new Set<string>(['text-contrast', 'button-contrast', 'field-contrast', 'focus-contrast']);

describe('pairs that occur on the demo', () => {
  const pairs = occurringPairs(ternhaven);

  it('name exactly the places that the audit fails and cannot tell', () => {
    const rows = findings(auditSite(ternhaven), new Set(['fail', 'cannot-tell'])).filter((row) =>
      CONTRASTS.has(row.rule),
    );
    const of = (wanted: typeof pairs) =>
      [...new Set(wanted.flatMap((pair) => pair.places.map((place) => `${pair.rule} ${placeKey(place)}`)))].sort();
    const audited = (verdict: string) =>
      [
        ...new Set(rows.filter((row) => row.verdict === verdict).map((row) => `${row.rule} ${placeKey(row.place)}`)),
      ].sort();
    expect(of(pairs.filter((pair) => pair.found !== null && pair.found < pair.needed))).toEqual(audited('fail'));
    expect(of(pairs.filter((pair) => pair.found === null))).toEqual(audited('cannot-tell'));
    expect(audited('fail').length).toBeGreaterThan(5);
  });

  it('grow with the looks of a site, not with its places', () => {
    expect(pairs.length).toBeLessThan(260);
  });
});
