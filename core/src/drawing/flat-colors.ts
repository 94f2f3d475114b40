import { hex, parseColor } from '../color/index.ts';

/** Where SVG names a flat colour: presentation attributes, and the same names in a style. */
const PAINT = /(\b(?:fill|stroke|stop-color|flood-color|lighting-color|color)\s*(?:=\s*["']|:)\s*)([^"';}<>]{1,80})/gi;
/** Most characters of a drawing that are looked through. */
const LONGEST = 5_000_000;

/** A flat colour of a drawing, and how often it is named. */
export interface FlatColor {
  readonly hex: string;
  readonly uses: number;
}

/** The opaque flat colours of an SVG as it is written, those named most often first. */
export function flatColors(svg: string): FlatColor[] {
  const uses = new Map<string, number>();
  for (const match of svg.slice(0, LONGEST).matchAll(PAINT)) {
    const color = parseColor(match[2]!.trim());
    if (color && color.rgb.alpha === 1) uses.set(hex(color.rgb), (uses.get(hex(color.rgb)) ?? 0) + 1);
  }
  return [...uses]
    .map(([hex, uses]) => ({ hex, uses }))
    .sort((entry, other) => other.uses - entry.uses || (entry.hex < other.hex ? -1 : 1));
}

/**
 * The same drawing with some flat colours replaced by others; nothing else of
 * its text changes.
 *
 * @param colors hex as written by `hex` to the hex that takes its place
 */
export function recolor(svg: string, colors: ReadonlyMap<string, string>): string {
  if (colors.size === 0) return svg;
  return svg.replace(PAINT, (whole, start: string, value: string) => {
    const color = parseColor(value.trim());
    const instead = color && color.rgb.alpha === 1 ? colors.get(hex(color.rgb)) : undefined;
    return instead === undefined ? whole : `${start}${instead}`;
  });
}
