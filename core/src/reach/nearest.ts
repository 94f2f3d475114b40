import { deltaERgb } from '../color/index.ts';
import type { Override, Site } from '../site/index.ts';
import { tokenTable } from '../style/index.ts';
import type { Place } from '../page/index.ts';
import { siteIndex } from './site-index.ts';
import { colorOf, lengthOf, tokenValue } from './value.ts';

/** The token nearest to a value set on a place. */
export interface NearestToken {
  readonly path: string;
  readonly label: string;
  /** ΔE OK for colours, px for lengths. */
  readonly distance: number;
  readonly unit: 'ΔE' | 'px';
  /** True when it is what the place takes without the value: binding then simply removes it. */
  readonly own: boolean;
}

/** Which tokens a property may be bound to, by the start of their path. */
const FAMILIES: Partial<Record<Override['property'], readonly string[]>> = {
  'font-size': ['text.', 'scale.'],
  'padding-block': ['space.', 'button.'],
  'padding-inline': ['space.', 'button.'],
  'border-radius': ['corner.'],
};
const WIDTH = { phone: 390, tablet: 800, desktop: 1280 } as const;

/**
 * The token whose value is nearest to an override's literal: by ΔE OK among
 * swatches for colours, by px at the override's width for lengths. What the
 * place would take anyway wins a draw. Undefined when nothing compares.
 */
export function nearestToken(site: Site, override: Override, place: Place): NearestToken | undefined {
  if (override.value.kind !== 'literal') return undefined;
  const table = tokenTable(site.brand);
  const band = override.band ?? 'desktop';
  const own = siteIndex(site).groupOf.get(place)?.painting.at(override.property, 'rest', band)?.token ?? null;
  const ownChain = own ? tokenValue(table, own).chain : [];
  const css = override.value.css;
  const color = colorOf(css);
  const pixels = color ? undefined : lengthOf(css, WIDTH[band], 16);
  let best: NearestToken | undefined;
  for (const token of table.values()) {
    const isOwn = ownChain.includes(token.path);
    let distance: number;
    if (color) {
      if (!token.path.startsWith('color.')) continue;
      const other = colorOf(tokenValue(table, token.path).css);
      if (!other) continue;
      distance = deltaERgb(color, other);
    } else {
      if (
        pixels === undefined ||
        !(isOwn || FAMILIES[override.property]?.some((start) => token.path.startsWith(start))) ||
        token.type !== 'dimension'
      )
        continue;
      const other = lengthOf(tokenValue(table, token.path).css, WIDTH[band], 16);
      if (other === undefined) continue;
      distance = Math.abs(other - pixels);
    }
    if (!best || distance < best.distance - 1e-9 || (distance < best.distance + 1e-9 && isOwn && !best.own))
      best = { path: token.path, label: token.label, distance, unit: color ? 'ΔE' : 'px', own: isOwn };
  }
  return best;
}
