import { cssColor, deltaE, oklchToOklab, paintedRgb, type Oklch, type ParsedColor } from '../color/index.ts';
import { plural } from '../number/index.ts';
import { addSwatches, applyChange, bindDrawing, setOp, setRule, setSwatchColor, type Edit, type Op } from '../change/index.ts';
import { deriveColor, ruleBetween } from '../palette/index.ts';
import type { Site } from '../site/index.ts';
import { swatchColor, swatchPath } from '../style/index.ts';
import { kinOf, type Kin, type KinWay } from './kin.ts';

/** Sets the colour of a swatch; the kin that go along move by the same amount. One edit. */
export function moveWithKin(site: Site, id: string, color: ParsedColor, what?: string): Edit {
  const edit = setSwatchColor(site, id, color, what);
  const decided = site.brand.swatches[id]!.kin;
  if (!decided || !Object.values(decided).includes('along')) return edit;
  const before = swatchColor(site.brand, id)!;
  const along = kinOf(site, id, before).filter((one) => one.decided === 'along' && !one.locked);
  return { label: along.length > 0 ? `${edit.label} with ${plural(along.length, 'similar colour')}` : edit.label, ops: [...edit.ops, ...along.flatMap((one) => shifted(site, one, before, color.oklch))] };
}

/**
 * Decides of one kin, which is remembered: it goes along (at once by as much as
 * the swatch has moved since `from`, and with every later move), or is left.
 *
 * @param from the swatch's colour before it moved
 */
export function decideKin(site: Site, id: string, kin: Kin, way: KinWay, from: Oklch): Edit {
  const swatch = site.brand.swatches[id]!;
  const now = swatchColor(site.brand, id)!;
  const moved = way === 'along' && kin.decided !== 'along' && !kin.locked && deltaE(oklchToOklab(from), oklchToOklab(now)) > 1e-4;
  // A flat colour of a drawing goes along by being painted with the swatch from now on.
  if (kin.kind === 'drawing' && way === 'along') return { label: `${kin.label} follows ${swatch.label}`, ops: bindDrawing(site, kin.at[1]!, kin.at[3]!, id).ops };
  const decided = setOp(site, ['brand', 'swatches', id, 'kin'], { ...swatch.kin, [kin.key]: way });
  return { label: way === 'along' ? `${kin.label} goes along with ${swatch.label}` : `${kin.label} left as it is`, ops: [decided, ...(moved ? shifted(site, kin, from, now) : [])] };
}

/**
 * Makes a kin follow the swatch by rule, from where the two stood before the
 * swatch moved. A raw colour becomes a new derived swatch first.
 *
 * @param fresh id for that new swatch
 */
export function deriveKin(site: Site, id: string, kin: Kin, from: Oklch, fresh: string): Edit {
  const source = site.brand.swatches[id]!;
  const rule = ruleBetween(id, from, kin.color);
  const label = `${kin.label} follows ${source.label}`;
  if (kin.kind === 'swatch') return { label, ops: setRule(site, kin.at.at(-1)!, rule).ops };
  const ops: Op[] = [];
  let now = site;
  for (const make of [
    (here: Site) => addSwatches(here, [{ id: fresh, label: `${source.label} similar`, color: { typed: '', oklch: kin.color, rgb: kin.rgb, mapped: false } }]),
    (here: Site) => setRule(here, fresh, rule),
  ]) {
    const edit = make(now);
    ops.push(...edit.ops);
    now = applyChange(now, edit).site;
  }
  if (kin.kind === 'drawing') ops.push(...bindDrawing(now, kin.at[1]!, kin.at[3]!, fresh).ops);
  else ops.push(setOp(now, kin.at, kin.kind === 'slot' ? { kind: 'swatch', swatch: fresh } : { kind: 'token', path: swatchPath(now.brand.swatches[fresh]!) }));
  return { label, ops };
}

/** The kin moved by as much as the swatch: lightness added, chroma scaled, hue turned. */
function shifted(site: Site, kin: Kin, from: Oklch, to: Oklch): Op[] {
  if (kin.kind === 'drawing') return [];
  const color = deriveColor(kin.color, ruleBetween('', from, to));
  if (kin.kind === 'swatch') return [setOp(site, [...kin.at, 'color'], color), setOp(site, [...kin.at, 'typed'], '')];
  const css = cssColor(paintedRgb(color));
  return [setOp(site, kin.at, kin.kind === 'slot' ? { kind: 'raw', color: css } : { kind: 'literal', css })];
}
