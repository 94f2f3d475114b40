import { paintedRgb, parseColor, type Oklch, type Rgb8 } from '../color/index.ts';
import { deriveColor, ruleOther } from '../palette/index.ts';
import type { Brand, Swatch } from '../site/index.ts';

/** A swatch with the colour it has now and the one painted for it. */
export interface ResolvedSwatch {
  readonly swatch: Swatch;
  readonly oklch: Oklch;
  readonly rgb: Rgb8;
}

const cache = new WeakMap<Swatch, { oklch: Oklch; rgb: Rgb8 }>();

const resolved = new WeakMap<Brand['swatches'], Map<string, Oklch | undefined>>();

/** Colour of a swatch, through its chain of rules. A missing source or a loop leaves the stored colour standing. */
export function swatchColor(brand: Pick<Brand, 'swatches'>, id: string): Oklch | undefined {
  const swatch = Object.hasOwn(brand.swatches, id) ? brand.swatches[id]! : undefined;
  if (!swatch?.rule) return swatch?.color;
  let known = resolved.get(brand.swatches);
  if (!known) resolved.set(brand.swatches, (known = new Map()));
  if (known.has(id)) return known.get(id);
  // Stands in for itself while it is worked out, which ends a loop.
  known.set(id, swatch.color);
  const source = swatchColor(brand, swatch.rule.source);
  const other = ruleOther(swatch.rule);
  const color = source
    ? deriveColor(source, swatch.rule, other === undefined ? undefined : swatchColor(brand, other))
    : swatch.color;
  known.set(id, color);
  return color;
}

/** All swatches in order, resolved. */
export function resolvedSwatches(brand: Brand): ResolvedSwatch[] {
  return brand.swatchOrder.map((id) => {
    const swatch = brand.swatches[id]!;
    if (swatch.rule) {
      const oklch = swatchColor(brand, id)!;
      return { swatch, oklch, rgb: paintedRgb(oklch) };
    }
    let known = cache.get(swatch);
    if (!known) {
      // The notation as typed decides the painted value while it still says the stored colour.
      const typed = parseColor(swatch.typed);
      const fits =
        typed &&
        typed.oklch.l === swatch.color.l &&
        typed.oklch.c === swatch.color.c &&
        typed.oklch.h === swatch.color.h &&
        typed.oklch.alpha === swatch.color.alpha;
      known = { oklch: swatch.color, rgb: fits ? typed.rgb : paintedRgb(swatch.color) };
      cache.set(swatch, known);
    }
    return { swatch, ...known };
  });
}

/** Stored path of a swatch's token; a swatch that follows another is a derived one. */
export function swatchPath(swatch: Swatch): string {
  return `color.${swatch.rule ? 'derived' : swatch.part}.${swatch.path}`;
}
