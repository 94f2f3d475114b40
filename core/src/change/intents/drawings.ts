import type { Site } from '../../site/index.ts';
import { setOp, type Edit } from './edit.ts';

/** Makes a flat colour of a drawing follow a swatch wherever the drawing hangs, or (null) leaves it as it was drawn. */
export function bindDrawing(site: Site, asset: string, hex: string, swatch: string | null): Edit {
  const { name, bound } = site.assets[asset]!;
  const next = { ...bound };
  delete next[hex];
  if (swatch !== null) next[hex] = swatch;
  const label =
    swatch === null ? `${hex} in ${name} as drawn` : `${hex} in ${name} follows ${site.brand.swatches[swatch]!.label}`;
  return { label, ops: [setOp(site, ['assets', asset, 'bound'], Object.keys(next).length > 0 ? next : undefined)] };
}
