import { deltaE, oklchToOklab, paintedRgb, parseColor, type Oklch, type Rgb8 } from '../color/index.ts';
import { slotLabel } from '../ground/index.ts';
import { ruleSources } from '../palette/index.ts';
import { placesOf, setValues } from '../reach/index.ts';
import type { Site } from '../site/index.ts';
import { slotPath, swatchColor, swatchPath } from '../style/index.ts';

/** What was decided of a colour close to a swatch: it goes along when that moves, or is left alone. */
export type KinWay = 'along' | 'leave';

/** A colour close to one that is changed: another swatch, a raw colour of a ground, a colour set on a place. */
export interface Kin {
  /** `swatch:ID`, `slot:GROUND/SLOT` or `value:RECORD/ID`; what is decided is remembered by it. */
  readonly key: string;
  readonly kind: 'swatch' | 'slot' | 'value';
  readonly label: string;
  readonly color: Oklch;
  readonly rgb: Rgb8;
  /** ΔE OK to the colour as it was. */
  readonly deltaE: number;
  readonly places: number;
  readonly decided: KinWay | null;
  /** A locked swatch is listed, and never moved. */
  readonly locked: boolean;
  /** Where its colour is kept in the document. */
  readonly at: readonly string[];
}

/** Degrees of hue and ΔE OK within which a colour is kin; greys, which have no hue, by ΔE alone. */
export const KIN = { hue: 26, deltaE: 0.3, greyDeltaE: 0.08, grey: 0.02 } as const;

/** Whether two colours are close enough to be kin. */
export function isKin(one: Oklch, other: Oklch): boolean {
  const distance = deltaE(oklchToOklab(one), oklchToOklab(other));
  if (one.c < KIN.grey || other.c < KIN.grey) return distance <= KIN.greyDeltaE;
  const turn = Math.abs(((one.h - other.h + 540) % 360) - 180);
  return turn <= KIN.hue && distance <= KIN.deltaE;
}

/**
 * The colours close to what a swatch was, nearest first: swatches that do not
 * follow it already, raw colours of grounds, colours set on places. What goes
 * along already stays listed however far it is.
 *
 * @param old the colour the swatch had before it moved
 */
export function kinOf(site: Site, id: string, old: Oklch): Kin[] {
  const decided = site.brand.swatches[id]?.kin ?? {};
  const base = oklchToOklab(old);
  return everyColor(site).filter((one) => one.key !== `swatch:${id}` && !(one.kind === 'swatch' && follows(site, one.key.slice('swatch:'.length), id)))
    .map((one): Kin => ({ ...one, rgb: paintedRgb(one.color), deltaE: deltaE(base, oklchToOklab(one.color)), decided: decided[one.key] ?? null }))
    .filter((one) => one.decided !== null || isKin(old, one.color))
    .sort((one, other) => one.deltaE - other.deltaE);
}

type Found = Omit<Kin, 'rgb' | 'deltaE' | 'decided'>;

/** Every colour of the document that is kept as a value of its own. */
function everyColor(site: Site): Found[] {
  const { brand } = site;
  const swatches = brand.swatchOrder.filter((id) => !brand.swatches[id]!.rule).map((id): Found => {
    const swatch = brand.swatches[id]!;
    return { key: `swatch:${id}`, kind: 'swatch', label: swatch.label, color: swatchColor(brand, id)!, places: placesOf(site, swatchPath(swatch)).length, locked: swatch.locked, at: ['brand', 'swatches', id] };
  });
  const slots = Object.values(brand.grounds).flatMap((ground) => Object.entries(ground.slots).flatMap(([slot, value]): Found[] => {
    const color = value.kind === 'raw' ? parseColor(value.color) : undefined;
    return color ? [{ key: `slot:${ground.id}/${slot}`, kind: 'slot', label: `${slotLabel(slot)} of ${ground.label}`, color: color.oklch, places: placesOf(site, slotPath(brand, ground, slot)).length, locked: false, at: ['brand', 'grounds', ground.id, 'slots', slot] }] : [];
  }));
  const values = setValues(site).flatMap(({ override, place, count, record }): Found[] => {
    const color = override.value.kind === 'literal' ? parseColor(override.value.css) : undefined;
    return color ? [{ key: `value:${record.join('/')}/${override.id}`, kind: 'value', label: `${override.property} of ${place?.label ?? override.place}`, color: color.oklch, places: count, locked: false, at: [...record, override.id, 'value'] }] : [];
  });
  return [...swatches, ...slots, ...values];
}

function follows(site: Site, id: string, source: string, depth = 0): boolean {
  const rule = site.brand.swatches[id]?.rule;
  return !!rule && depth < 40 && ruleSources(rule).some((one) => one === source || follows(site, one, source, depth + 1));
}
