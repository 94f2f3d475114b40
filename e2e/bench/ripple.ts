import {
  applyChange,
  AUDIT_WIDTHS,
  paintedText,
  parseColor,
  ripple,
  setSwatchColor,
  setValue,
  siteIndex,
  tokenTable,
  type Edit,
  type Site,
} from '@yohaku/core';
import { median, timed, type Result } from './result.ts';

/** One edit for every token that is set somewhere. */
function edits(site: Site): Edit[] {
  const { brand } = site;
  return [
    ...brand.swatchOrder.map((id) => setSwatchColor(site, id, parseColor('#3b6ea5')!)),
    ...brand.groundOrder.flatMap((id) =>
      Object.keys(brand.grounds[id]!.roles).map((role) =>
        setValue(site, role, ['brand', 'grounds', id, 'roles', role], { kind: 'raw', color: '#3b6ea5' }),
      ),
    ),
    ...brand.styleOrder.flatMap((id) => [
      setValue(site, id, ['brand', 'styles', id, 'lineHeight'], 1.77),
      setValue(site, id, ['brand', 'styles', id, 'weight'], 600),
    ]),
    ...brand.spaceOrder.flatMap((id) =>
      (['phone', 'tablet', 'desktop'] as const).map((band) =>
        setValue(site, id, ['brand', 'spaces', id, 'values', band], 55),
      ),
    ),
    ...(['button', 'card', 'picture', 'field'] as const).map((use) =>
      setValue(site, use, ['brand', 'corners', use], 9),
    ),
  ];
}

/** Everything painted, place by place: what a ripple by comparison costs. */
function resolveAll(site: Site): number {
  const index = siteIndex(site);
  const table = tokenTable(site.brand);
  let length = 0;
  for (const place of index.places) {
    const { painting } = index.groupOf.get(place)!;
    const properties = new Set(painting.cells.map((cell) => cell.property));
    for (const state of place.states)
      for (const width of AUDIT_WIDTHS)
        for (const property of properties) length += paintedText(table, painting, property, state, width)?.length ?? 0;
  }
  return length;
}

/** The ripple of an edit against resolving everything before and after. */
export function benchRipple(site: Site): Result[] {
  const places = siteIndex(site).count;
  const full = timed(7, () => void resolveAll(site));
  const perPlace = full / places;
  const measured = edits(site).map((edit) => {
    const after = applyChange(site, edit).site;
    tokenTable(after.brand);
    const affected = ripple(site, after).changed.length;
    return { affected, ms: timed(9, () => void ripple(site, applyChange(site, edit).site)) };
  });
  const token = median(measured.map((entry) => entry.ms));
  // A constant of half a millisecond for finding what changed at all.
  const CONSTANT = 0.5;
  const wide = measured
    .filter((entry) => entry.affected >= 20)
    .map((entry) => Math.max(0, entry.ms - CONSTANT) / entry.affected);
  return [
    {
      name: 'ripple, median token',
      median: token,
      unit: 'ms',
      reference: 'resolving everything once',
      referenceMedian: full,
      ratio: full / token,
      bound: 'at least 20 times faster',
      holds: full / token >= 20,
    },
    {
      name: 'ripple, per affected place',
      median: median(wide) * 1000,
      unit: 'µs',
      reference: 'a full resolve per place',
      referenceMedian: perPlace * 1000,
      ratio: median(wide) / perPlace,
      bound: 'at most 1.5 times, plus 0.5 ms',
      holds: median(wide) / perPlace <= 1.5,
    },
  ];
}
