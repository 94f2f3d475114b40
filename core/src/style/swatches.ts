import { paintedRgb, parseColor, type Oklch, type Rgb8 } from '../color/index.ts';
import { deriveColor } from '../palette/index.ts';
import type { Brand, Swatch } from '../site/index.ts';

/** A swatch with the colour it has now and the one painted for it. */
export interface ResolvedSwatch {
  readonly swatch: Swatch;
  readonly oklch: Oklch;
  readonly rgb: Rgb8;
}

const cache = new WeakMap<Swatch, { oklch: Oklch; rgb: Rgb8 }>();

/** Colour of a swatch, through its chain of rules. A missing source or a loop leaves the stored colour standing. */
export function swatchColor(brand: Brand, id: string, depth = 0): Oklch | undefined {
  const swatch = brand.swatches[id];
  if (!swatch) return undefined;
  if (!swatch.rule || depth > 20) return swatch.color;
  const source = swatchColor(brand, swatch.rule.source, depth + 1);
  return source ? deriveColor(source, swatch.rule) : swatch.color;
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
      const fits = typed && typed.oklch.l === swatch.color.l && typed.oklch.c === swatch.color.c && typed.oklch.h === swatch.color.h && typed.oklch.alpha === swatch.color.alpha;
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
