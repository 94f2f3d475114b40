import { acceptChange, addPage, setValue } from '../change/index.ts';
import { readSite } from '../document/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { auditSite, findings, type Audit } from './index.ts';

const grown = acceptChange(
  readSite(smallSite()),
  setValue(readSite(smallSite()), '', ['shared', 'header', 'stays'], true)!,
).site;
const pages = Array.from({ length: 12 }, (_, i) => `p${i}`);
const site = pages.reduce((now, id) => acceptChange(now, addPage(now, id, null)).site, grown);
const readings = pages.map((page) => ({
  page,
  place: 'header/surface',
  width: 390,
  rule: 'covered' as const,
  found: 140,
}));
const told = (audit: Audit): string[] =>
  findings(audit)
    .map(({ place, rule, width, found }) => [place.page, place.id, rule, width, found].join(' '))
    .sort();

describe('an audit that gets the layout in batches', () => {
  it('finds what one that gets all of it at once finds, and judges the structure of the pages once', () => {
    const first = auditSite(site);
    let audit = first;
    for (let i = 1; i <= readings.length; i++)
      audit = auditSite(site, audit, undefined, undefined, readings.slice(0, i));
    expect(told(audit)).toEqual(told(auditSite(site, undefined, undefined, undefined, readings)));
    expect(told(audit).length).toBeGreaterThanOrEqual(told(first).length + pages.length);
    // The very same judgements: no page was taken apart again.
    expect(audit.byTree).toBe(first.byTree);
    expect(audit.byGroup.size).toBe(first.byGroup.size);
    for (const [group, judgements] of audit.byGroup) expect(first.byGroup.get(group)).toBe(judgements);
  });
});
