import { composite, gradientExtent, hex, paintedRgb, parseColor, type Rgb8 } from '../color/index.ts';
import { behindSlot, clearestFor, defaultSlotValue, slotNeed, type Clearest, type SlotValue } from '../ground/index.ts';
import { deriveColor } from '../palette/index.ts';
import type { Brand, Ground } from '../site/index.ts';
import { resolvedSwatches, type ResolvedSwatch } from './swatches.ts';

const WHITE: Rgb8 = { r: 255, g: 255, b: 255, alpha: 1 };
const BLACK: Rgb8 = { r: 0, g: 0, b: 0, alpha: 1 };

/** Whether rules that look for a readable colour look at a swatch first. */
export const isCore = ({ swatch }: ResolvedSwatch): boolean => swatch.part === 'core' && !swatch.rule;

/** The colours of the slots of one ground. */
export interface SlotColors {
  /** What fills a slot, its default rule where it is not set. */
  readonly value: (slot: string) => SlotValue;
  /** The colour it comes to; what leads back to itself is black. */
  readonly rgb: (slot: string) => Rgb8;
  /** What the rule for a readable colour comes to there, whether the slot has that rule or not. */
  readonly clearest: (slot: string) => Clearest<ResolvedSwatch>;
}

/** Works out the colours of a ground, each on what it is seen on: a label on its fill, texts on all of a gradient. */
export function slotColors(ground: Ground, swatches: readonly ResolvedSwatch[]): SlotColors {
  const known = new Map<string, Rgb8>();
  const found = new Map<string, Clearest<ResolvedSwatch>>();
  const value = (slot: string): SlotValue => ground.slots[slot] ?? (slot === 'background' ? { kind: 'raw', color: '#ffffff' } : defaultSlotValue(slot));
  const swatchRgb = (id: string) => swatches.find((one) => one.swatch.id === id);
  const core = swatches.filter(isCore);
  const others = swatches.filter((one) => !isCore(one));
  const flat = (slot: string): Rgb8 => composite(rgb(slot), WHITE);
  const seenOn = (slot: string): readonly Rgb8[] => {
    const behind = behindSlot(slot);
    if (behind === 'background') return ground.wash ? gradientExtent({ angle: ground.wash.angle, from: flat('background'), to: flat('background-to') }) : [flat('background')];
    return [composite(rgb(behind), flat('background'))];
  };
  const clearest = (slot: string): Clearest<ResolvedSwatch> => {
    // Slots of one need on one background share the answer.
    const key = behindSlot(slot) === 'background' ? String(slotNeed(slot)) : slot;
    let one = found.get(key);
    if (!one) found.set(key, (one = clearestFor(core, others, slotNeed(slot), ...seenOn(slot))));
    return one;
  };
  const rgb = (slot: string): Rgb8 => {
    let color = known.get(slot);
    if (color) return color;
    known.set(slot, BLACK);
    known.set(slot, (color = worked(slot)));
    return color;
  };
  const worked = (slot: string): Rgb8 => {
    const one = value(slot);
    switch (one.kind) {
      case 'swatch': return swatchRgb(one.swatch)?.rgb ?? (slot.startsWith('background') ? WHITE : BLACK);
      case 'raw': return parseColor(one.color)?.rgb ?? WHITE;
      case 'same': return rgb(one.slot);
      case 'readable': return clearest(slot).rgb;
      case 'contrast': {
        const source = swatchRgb(one.swatch);
        const on = parseColor(hex(seenOn(slot)[0]!))!.oklch;
        const made = source && deriveColor(source.oklch, { kind: 'contrast', source: one.swatch, on: '', ratio: one.ratio }, on);
        return made ? paintedRgb(made) : BLACK;
      }
    }
  };
  return { value, rgb, clearest };
}

/** What the rule for a readable colour comes to in a slot of a ground, with what is needed there. */
export function clearestChoice(brand: Brand, ground: string, slot: string): Clearest<ResolvedSwatch> & { readonly needed: number } {
  return { ...slotColors(brand.grounds[ground]!, resolvedSwatches(brand)).clearest(slot), needed: slotNeed(slot) };
}
