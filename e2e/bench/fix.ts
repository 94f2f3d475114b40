import {
  addGround,
  applyChange,
  auditSite,
  findings,
  fixBrand,
  fixesFor,
  occurringPairs,
  parseColor,
  setSwatchColor,
  setValue,
  type Site,
} from '@yohaku/core';
import { timed, type Result } from './result.ts';

/**
 * The demo on twelve grounds: copies of its grounds, each under some of its sections, and a signal colour that is read
 * on none of them.
 */
function twelveGrounds(site: Site): Site {
  let now = site;
  const first = [...site.brand.groundOrder];
  for (let i = 0; now.brand.groundOrder.length < 12; i++)
    now = applyChange(now, addGround(now, `bench-${i}`, { copyOf: first[i % first.length]! })).site;
  let turn = 0;
  for (const page of now.pageOrder)
    for (const [id, entry] of Object.entries(now.pages[page]!.sections)) {
      if ('shared' in entry) continue;
      // A ground goes only where a copy of itself may stand in for it.
      const like = now.brand.groundOrder.filter(
        (name) => now.brand.grounds[name]!.roles === now.brand.grounds[entry.own.ground]!.roles,
      );
      now = applyChange(
        now,
        setValue(now, '', ['pages', page, 'sections', id, 'own', 'ground'], like[turn++ % like.length]),
      ).site;
    }
  return applyChange(now, setSwatchColor(now, 'funnel', parseColor('#e2765c')!)).site;
}

/** One pass over the failing pairs, each fixed by itself, the first fix taken: what a tool without a joint fix does. */
function greedy(site: Site): number {
  let now = site;
  let audit = auditSite(site);
  let taken = 0;
  const seen = new Set<string>();
  for (const finding of findings(audit)) {
    const key = `${finding.rule} ${finding.tokens[0] ?? finding.place.id}`;
    if (seen.has(key) || !finding.rule.endsWith('contrast')) continue;
    seen.add(key);
    const [fix] = fixesFor(now, finding);
    if (!fix) continue;
    now = applyChange(now, { ops: fix.ops }).site;
    audit = auditSite(now, audit);
    taken++;
  }
  return taken;
}

/** The whole brand fixed at once against one greedy pass over the same pairs. */
export function benchFix(site: Site): Result[] {
  const large = twelveGrounds(site);
  const pairs = occurringPairs(large).length;
  if (fixBrand(large).moves.length === 0 || greedy(large) === 0) throw new Error('there is nothing to fix');
  const ours = timed(5, () => void fixBrand(large));
  const reference = timed(5, () => void greedy({ ...large, brand: { ...large.brand } }));
  return [
    {
      name: `joint fix (${large.brand.groundOrder.length} grounds, ${pairs} pairs)`,
      median: ours,
      unit: 'ms',
      reference: 'one greedy pass over the same pairs',
      referenceMedian: reference,
      ratio: ours / reference,
      bound: 'at most 20 times',
      holds: ours / reference <= 20,
    },
  ];
}
