import { blend, parse, wcagContrast, type Color } from 'culori';
import {
  AUDIT_WIDTHS,
  bandOf,
  cellValue,
  contrastRules,
  pageTree,
  siteIndex,
  tokenTable,
  type Group,
  type PaintedProperty,
  type Site,
  type State,
} from '@yohaku/core';
import { timed, type Result } from './result.ts';

const WARM_UP = 1000;

/** All pairs that occur in the demo, found and rated, against the same walk place by place with culori. */
export function benchPairs(site: Site): Result[] {
  let rated = 0;
  const ours = timed(
    40,
    () => {
      // A fresh brand each time: no value is remembered from the run before.
      const fresh = { ...site, brand: { ...site.brand } };
      const table = tokenTable(fresh.brand);
      rated = 0;
      for (const group of siteIndex(fresh).groups) rated += contrastRules(table, group).length * group.count;
    },
    WARM_UP,
  );
  let walked = 0;
  const reference = timed(9, () => (walked = walkWithCulori(site)), WARM_UP);
  if (Math.abs(walked - rated) > rated * 0.02) throw new Error(`the two walks differ: ${rated} and ${walked} pairs`);
  return [
    {
      name: `pairs (${rated})`,
      median: ours,
      unit: 'ms',
      reference: 'the same walk with culori',
      referenceMedian: reference,
      ratio: reference / ours,
      bound: 'at least 20 times faster',
      holds: reference / ours >= 20,
    },
  ];
}

/** Every place, state and width: colours parsed, blended and rated by culori. Returns how many pairs it walked. */
export function walkWithCulori(site: Site): number {
  const index = siteIndex(site);
  const table = tokenTable(site.brand);
  const white = parse('#ffffff')!;
  let walked = 0;
  const colorAt = (group: Group, property: PaintedProperty, state: State, width: number): Color | undefined => {
    const cell = group.painting.at(property, state, bandOf(width));
    return cell ? parse(cellValue(table, cell).css) : undefined;
  };
  const behind = (group: Group, width: number): Color => {
    const layers: Color[] = [];
    for (let under = group.under; under; under = under.under)
      layers.unshift(colorAt(under, 'background-color', 'rest', width) ?? white);
    return layers.length === 0 ? white : blend([white, ...layers], 'normal', 'rgb');
  };
  for (const id of site.pageOrder)
    for (const place of pageTree(site, id).places) {
      const group = index.groupOf.get(place)!;
      if (place.kind === 'surface' || place.kind === 'picture' || place.kind === 'rule') continue;
      for (const state of place.states)
        for (const width of AUDIT_WIDTHS)
          for (const property of ['color', 'border-color', 'outline-color'] as const) {
            if (property === 'border-color' && place.kind !== 'button' && place.kind !== 'field') continue;
            if (property === 'outline-color' && state !== 'focus') continue;
            const color = colorAt(group, property, state, width);
            if (!color) continue;
            walked++;
            const ground = behind(group, width);
            const filled =
              property === 'color' && (place.kind === 'button' || place.kind === 'field')
                ? blend([ground, colorAt(group, 'background-color', state, width) ?? ground], 'normal', 'rgb')
                : ground;
            wcagContrast(blend([filled, color], 'normal', 'rgb'), filled);
          }
    }
  return walked;
}
