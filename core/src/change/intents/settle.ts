import type { Override, Site } from '../../site/index.ts';
import { tokenTable } from '../../style/index.ts';
import { valueAt } from '../json.ts';
import { insertOp, removeOp, setOp, type Edit } from './edit.ts';

/** Sets a property of one place. `record` is where the override is kept: the page's own or the shared ones. */
export function addOverride(site: Site, record: readonly string[], override: Override, placeLabel: string): Edit {
  const same = Object.values(valueAt(site, record) as Record<string, Override>).find((one) => one.place === override.place && one.property === override.property && one.band === override.band);
  const label = `${override.property} of ${placeLabel}`;
  if (same) return { label, ops: [setOp(site, [...record, same.id, 'value'], override.value), setOp(site, [...record, same.id, 'origin'], override.origin)] };
  return { label, ops: [insertOp(site, record, null, override.id, override)] };
}

/** Binds: takes the value away when `path` is null or is what the place takes anyway, else makes it that token's. */
export function bindOverride(site: Site, record: readonly string[], override: Override, path: string | null): Edit {
  const label = `Bind ${override.property}`;
  if (path === null) return { label, ops: [removeOp(site, record, null, override.id)] };
  return { label, ops: [setOp(site, [...record, override.id, 'value'], { kind: 'token', path }), setOp(site, [...record, override.id, 'origin'], 'set')] };
}

/** Leaves a value with a reason; it counts as held from then on. */
export function leaveOverride(site: Site, record: readonly string[], override: Override, reason: string): Edit {
  return { label: `Leave ${override.property} with a reason`, ops: [setOp(site, [...record, override.id, 'reason'], reason.trim())] };
}

/**
 * Lifts a value into the token the place would take: the token gets the value,
 * the override goes. Undefined when that token cannot hold a plain value of this kind.
 */
export function liftOverride(site: Site, record: readonly string[], override: Override, path: string): Edit | undefined {
  const token = tokenTable(site.brand).get(path);
  if (!token?.address || override.value.kind !== 'literal') return undefined;
  const css = override.value.css;
  const value = token.type === 'color' && path.startsWith('ground.') ? { kind: 'raw', color: css }
    : token.type === 'dimension' && /^\d+(\.\d+)?px$/.test(css) ? dimensionValue(site, token.address, Number.parseFloat(css))
    : token.type === 'fontWeight' || token.type === 'number' ? Number(css)
    : undefined;
  if (value === undefined || Number.isNaN(value)) return undefined;
  return { label: `Lift into ${token.label}`, ops: [setOp(site, token.address, value), removeOp(site, record, null, override.id)] };
}

/** A px value in the shape its address holds: a size is pinned at both ends, a plain figure stays one. */
function dimensionValue(site: Site, address: readonly string[], px: number): unknown {
  const now = valueAt(site, address);
  if (typeof now === 'number') return px;
  return address.at(-1) === 'size' ? { kind: 'pinned', small: px, large: px } : undefined;
}
