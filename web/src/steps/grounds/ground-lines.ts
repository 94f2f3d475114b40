import { buttonSlot, composite, contrastRatio, cssColor, gradientCss, gradientExtent, isLargeText, pixelsAt, placesOf, colorOf, readGradient, siteIndex, slotPath, tokenTable, tokenValue, type Group, type Rgb8, type Site } from '@yohaku/core';

/** One sample of a set line: a slot as it stands on this ground. */
export interface SlotSample {
  readonly slot: string;
  readonly path: string;
  readonly css: string;
  readonly found: number | null;
  readonly needed: number;
  /** Whether the figure is the lowest along a gradient: where a text stands on it, it may be more. */
  readonly least: boolean;
  /** What it is rated against: the background of the ground, or the fill of the button under its label. */
  readonly behind: Rgb8;
  /** Whether its colour was chosen; otherwise its rule decides. */
  readonly set: boolean;
  /** Places it paints; a slot in no use never counts as failing. */
  readonly places: number;
}

export interface GroundLine {
  readonly id: string;
  readonly label: string;
  /** Path of the token of its background. */
  readonly path: string;
  readonly background: string;
  /** The background as CSS paints it: the colour, or the gradient. */
  readonly painted: string;
  readonly places: number;
  readonly samples: readonly SlotSample[];
  /** The slots a set line leaves out while it is folded: states, the parts of a field, the stripe. */
  readonly more: readonly SlotSample[];
  readonly pictured: boolean;
}

/** The slots a set line shows, in reading order. */
export const LINE_SLOTS = ['eyebrow', 'heading', 'text', 'link', 'secondary', 'field-edge', 'focus', 'rule'] as const;
export const MORE_SLOTS = ['link-hover', 'link-visited', 'label', 'field-text', 'help', 'error', 'stripe', 'icon', 'mark-text', 'selection-text'] as const;
const WHITE: Rgb8 = { r: 255, g: 255, b: 255, alpha: 1 };

/** Every ground as a set line with its figures. */
export function groundLines(site: Site): GroundLine[] {
  const table = tokenTable(site.brand);
  const index = siteIndex(site);
  const onGround = new Map<string, number>();
  const pictured = new Set<string>();
  for (const place of index.places) {
    onGround.set(place.ground, (onGround.get(place.ground) ?? 0) + 1);
    if (place.overPicture) pictured.add(place.ground);
  }
  return site.brand.groundOrder.map((id) => {
    const ground = site.brand.grounds[id]!;
    const css = (slot: string) => tokenValue(table, slotPath(site.brand, ground, slot)).css;
    const background = composite(colorOf(css('background')) ?? WHITE, WHITE);
    const wash = readGradient(tokenValue(table, slotPath(site.brand, ground, 'wash')).css);
    const extent = wash ? gradientExtent(wash) : [background];
    const sample = (slot: string): SlotSample => {
      const path = slotPath(site.brand, ground, slot);
      const color = colorOf(css(slot));
      const button = slot.startsWith('button-');
      const fill = button ? slot.replace(/-(label|edge)-/, '-fill-') : '';
      const edge = button ? slot.replace(/-(label|fill)-/, '-edge-') : '';
      let found: number | null = null;
      let behind = background;
      let needed = slot === 'field-edge' || slot === 'focus' || slot === 'icon' ? 3 : slot === 'rule' ? 1 : textNeed(slot);
      // What is typed stands on the field, what is marked on its mark; a stripe is judged by the text that stands on it.
      const own = slot === 'field-text' ? 'field' : slot === 'mark-text' ? 'mark' : slot === 'selection-text' ? 'selection' : undefined;
      if (own && color) behind = composite(colorOf(css(own)) ?? background, background);
      if (slot === 'stripe' && color) behind = composite(color, background);
      const fore = slot === 'stripe' ? colorOf(css('text')) : color;
      // Over a gradient the figure is the lowest from end to end.
      const least = wash !== undefined && behind === background;
      if (fore && behind === background) behind = extent.map((one) => ({ one, ratio: contrastRatio(composite(fore, one), one) })).sort((a, b) => a.ratio - b.ratio)[0]!.one;
      if (fore) found = contrastRatio(composite(fore, behind), behind);
      if (button && color) {
        const filled = composite(colorOf(css(fill)) ?? background, background);
        if (slot.includes('-label-')) [behind, found] = [filled, contrastRatio(composite(color, filled), filled)];
        else {
          found = Math.max(contrastRatio(filled, background), contrastRatio(composite(colorOf(css(edge)) ?? background, background), background));
          needed = 3;
        }
      }
      return { slot, path, css: css(slot), set: slot in ground.slots, found, needed, least: least && !(button && slot.includes('-label-')), behind, places: placesOf(site, path).length };
    };
    const textNeed = (slot: string): number => {
      const style = site.brand.styleOrder.find((one) => site.brand.styles[one]!.slot === slot);
      const group: Group | undefined = index.groups.find((one) => one.ground === id && one.style === style && one.kind === 'text');
      if (slot !== 'heading' || !group) return 4.5;
      // The strictest of the sizes in use: the smallest heading on a phone.
      const sizes = index.groups.filter((one) => one.ground === id && one.style && site.brand.styles[one.style]!.slot === 'heading')
        .map((one) => ({ size: pixelsAt(table, one.painting, 'font-size', 'rest', 320) ?? 16, weight: pixelsAt(table, one.painting, 'font-weight', 'rest', 320) ?? 400 }));
      return sizes.every(({ size, weight }) => isLargeText(size, weight)) ? 3 : 4.5;
    };
    /** A button under the pointer, and pressed where that looks otherwise. */
    const held = (variant: string): SlotSample[] => {
      const slots = (['hover', 'pressed'] as const).map((state) => sample(buttonSlot(variant, 'label', state)));
      const look = (state: 'hover' | 'pressed') => (['fill', 'label', 'edge'] as const).map((part) => css(buttonSlot(variant, part, state))).join();
      return look('hover') === look('pressed') ? slots.slice(0, 1) : slots;
    };
    return {
      id, label: ground.label, path: slotPath(site.brand, ground, 'background'), background: cssColor(background), painted: wash ? gradientCss(wash.angle, wash.from, wash.to) : cssColor(background), places: onGround.get(id) ?? 0, pictured: pictured.has(id),
      samples: [...LINE_SLOTS.map(sample), ...site.brand.variantOrder.map((variant) => sample(buttonSlot(variant, 'label', 'rest')))],
      more: [...MORE_SLOTS.map(sample), ...site.brand.variantOrder.flatMap(held)],
    };
  });
}

/** What a set line calls for: a slot in use that fails, or that nobody chose a colour for. */
export interface Call { readonly line: GroundLine; readonly sample: SlotSample; readonly fails: boolean }

/** Whether a sample falls short where it is in use. Over a gradient the audit tells, text by text. */
export function fallsShort(sample: SlotSample): boolean {
  return sample.places > 0 && !sample.least && sample.slot !== 'rule' && sample.found !== null && sample.found < sample.needed;
}

/** The slots in use that fail or were never set, those that touch most places first, failing before unset where they touch as many. */
export function callsOf(lines: readonly GroundLine[]): Call[] {
  return lines
    .flatMap((line) => [...line.samples, ...line.more].map((sample): Call => ({ line, sample, fails: fallsShort(sample) })))
    .filter(({ sample, fails }) => fails || (sample.places > 0 && !sample.set))
    .sort((one, other) => other.sample.places - one.sample.places || Number(other.fails) - Number(one.fails));
}

/** A line's samples in rows of so many: folded, of those it leaves out only what fails. */
export function rowsOf(line: GroundLine, columns: number, open: boolean): SlotSample[][] {
  const more = open ? line.more : line.more.filter(fallsShort);
  const rows = [[...line.samples]];
  for (let i = 0; i < more.length; i += columns) rows.push(more.slice(i, i + columns));
  return rows;
}
