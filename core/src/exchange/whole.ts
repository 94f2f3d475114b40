import { deltaERgb, hex, parseColor } from '../color/index.ts';
import { setOp, valueAt, withValue, type Edit, type Op } from '../change/index.ts';
import type { LeftToken } from '../formats/index.ts';
import { placeCount } from '../reach/index.ts';
import type { Brand, Site } from '../site/index.ts';
import { tokenCssValue, tokenTable } from '../style/index.ts';
import type { PlanRow, Arrival } from './plan-row.ts';

/** Compares every token of a whole brand with the one a site has: colour, type, shape and space. */
export function planBrand(
  site: Site,
  theirs: Brand,
  left: readonly LeftToken[],
): { readonly rows: readonly PlanRow[]; readonly counts: Readonly<Record<Arrival, number>> } {
  const [ours, next] = [tokenTable(site.brand), tokenTable(theirs)];
  const rows: PlanRow[] = [];
  const counts = { added: 0, changed: 0, equal: 0, left: left.length };
  for (const path of new Set([...ours.keys(), ...next.keys()])) {
    const [mine, token] = [ours.get(path), next.get(path)];
    const [before, after] = [mine && tokenCssValue(mine), token && tokenCssValue(token)];
    const arrival = !mine ? 'added' : before === after ? 'equal' : 'changed';
    counts[arrival]++;
    if (arrival === 'equal') continue;
    const [color, other] = mine?.type === 'color' && before && after ? [parseColor(before), parseColor(after)] : [];
    rows.push({
      key: path,
      label: (token ?? mine)!.label,
      arrival,
      places: mine ? placeCount(site, path) : 0,
      note: token ? '' : 'is not in the file',
      ...(before !== undefined ? { before: color ? hex(color.rgb) : before } : {}),
      ...(after !== undefined ? { after: other ? hex(other.rgb) : after } : {}),
      ...(color && other ? { deltaE: deltaERgb(color.rgb, other.rgb) } : {}),
    });
  }
  return {
    rows: [
      ...rows,
      ...left.map(({ path, reason }): PlanRow => ({
        key: path,
        label: path,
        arrival: 'left',
        places: 0,
        note: reason,
      })),
    ],
    counts,
  };
}

/**
 * One edit that takes a whole brand; tokens in `ours` keep the value they have
 * here where both brands have a field for them.
 */
export function takeBrand(site: Site, theirs: Brand, name: string, ours: ReadonlySet<string> = new Set()): Edit {
  // A brand without a logo leaves ours its sizes.
  let brand: Brand = theirs.logo || !site.brand.logo ? theirs : { ...theirs, logo: site.brand.logo };
  const table = tokenTable(site.brand);
  const next = tokenTable(theirs);
  for (const path of ours) {
    const at = table.get(path)?.address?.slice(1);
    if (!at || !next.get(path)?.address) continue;
    for (const part of at[0] === 'swatches'
      ? [
          [...at, 'color'],
          [...at, 'typed'],
          [...at, 'rule'],
        ]
      : [at])
      if (!namesMissing(brand, part, valueAt(site.brand, part)))
        brand = withValue(brand, part, valueAt(site.brand, part));
  }
  return { label: `Import ${name}`.slice(0, 200), ops: [setOp(site, ['brand'], brand), ...unbound(site, brand)] };
}

/** Returns true if a value of ours names a corner or a shadow that the other brand has not. */
function namesMissing(brand: Brand, at: readonly string[], value: unknown): boolean {
  const own = at[0] === 'variants' && at[2] === 'shape' ? at[3] : undefined;
  if (typeof value !== 'string') return false;
  return own === 'shadow'
    ? !brand.shadows?.items[value]
    : (at[0] === 'corners' || own === 'corner') && !brand.cornerList?.items[value];
}

/** Drawings that follow a swatch the new brand has not are left as they were drawn. */
function unbound(site: Site, brand: Brand): Op[] {
  return Object.values(site.assets)
    .filter((asset) => Object.values(asset.bound ?? {}).some((id) => !brand.swatches[id]))
    .map((asset) => {
      const kept = Object.entries(asset.bound!).filter(([, id]) => brand.swatches[id]);
      return setOp(site, ['assets', asset.id, 'bound'], kept.length > 0 ? Object.fromEntries(kept) : undefined);
    });
}
