import { composite, hex, mendPair, parseColor, type Rgb8 } from '../color/index.ts';
import { bandOf } from '../shape/index.ts';
import type { Op } from '../change/index.ts';
import { behindOf, cellValue, colorOf, fillOf, placesOf, siteIndex, type Group } from '../reach/index.ts';
import { tokenTable, type PaintedProperty } from '../style/index.ts';
import type { Site } from '../site/index.ts';
import type { Finding } from './audit.ts';

/** A way to make a failing flat pair pass: the smallest change of one colour. */
export interface Mend {
  /** What is changed: the slot of the ground, the swatch behind it, or the value set on the place. */
  readonly what: 'slot' | 'swatch' | 'place';
  readonly label: string;
  readonly hex: string;
  readonly deltaE: number;
  /** Path of the token whose value changes; null when only the place itself does. */
  readonly token: string | null;
  /** Places that would change. */
  readonly places: number;
  readonly ops: readonly Op[];
}

const FOREGROUND: Partial<Record<Finding['rule'], PaintedProperty>> = {
  'text-contrast': 'color', 'button-contrast': 'border-color', 'field-contrast': 'border-color', 'focus-contrast': 'outline-color', 'icon-contrast': 'color',
};

/** Mends for a failing contrast judgement, the narrowest first. Empty when it is no flat pair or no colour can pass. */
export function mendFor(site: Site, finding: Finding): Mend[] {
  const property = FOREGROUND[finding.rule];
  const group = siteIndex(site).groupOf.get(finding.place);
  if (!property || !group) return [];
  const table = tokenTable(site.brand);
  const band = bandOf(finding.width);
  const cell = group.painting.at(property, finding.state, band);
  const behind = backdrop(site, group, finding);
  if (!cell || behind === 'picture') return [];
  const { css, chain } = cellValue(table, cell);
  const color = colorOf(css);
  const pair = color && mendPair(composite(color, behind), behind, finding.needed);
  if (!pair) return [];
  const value = hex(pair.rgb);
  const made = { hex: value, deltaE: pair.deltaE };
  if (cell.override) {
    const record = Object.hasOwn(site.shared.overrides, cell.override.id) ? ['shared', 'overrides'] : ['pages', finding.place.page, 'overrides'];
    const at = [...record, cell.override.id, 'value'];
    return [{ what: 'place', label: `this place: ${value}`, ...made, token: null, places: 1, ops: [{ op: 'set', at, value: { kind: 'literal', css: value }, was: cell.override.value }] }];
  }
  return chain.flatMap((path): Mend[] => {
    const token = table.get(path)!;
    const address = token.address;
    if (!address) return [];
    if (path.startsWith('ground.')) {
      const slot = address.at(-1)!;
      const was = site.brand.grounds[address[2]!]!.slots[slot];
      // A slot that follows another slot of the ground is mended at its own place, nearest to the reader.
      if (path !== chain[0]) return [];
      return [{ what: 'slot', label: `${token.label}: ${value}`, ...made, token: path, places: placesOf(site, path).length, ops: [{ op: 'set', at: [...address], value: { kind: 'raw', color: value }, was }] }];
    }
    const swatch = site.brand.swatches[address[2]!];
    if (!swatch || swatch.locked || swatch.rule) return [];
    return [{
      what: 'swatch', label: `${swatch.label} itself: ${value}`, ...made, token: path, places: placesOf(site, path).length,
      ops: [
        { op: 'set', at: [...address, 'color'], value: oklchOf(pair.rgb), was: swatch.color },
        { op: 'set', at: [...address, 'typed'], value, was: swatch.typed },
      ],
    }];
  });
}

function backdrop(site: Site, group: Group, finding: Finding): Rgb8 | 'picture' {
  const table = tokenTable(site.brand);
  const band = bandOf(finding.width);
  const filled = finding.rule === 'text-contrast' && (group.kind === 'button' || group.kind === 'field');
  return filled ? fillOf(table, group, finding.state, band) : behindOf(table, group, band);
}

function oklchOf(rgb: Rgb8): { l: number; c: number; h: number; alpha: number } {
  return parseColor(hex(rgb))!.oklch;
}
