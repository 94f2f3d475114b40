import { VISIONS, composite, deltaERgb, seenAs, visionMatrix, type Rgb8, type Vision } from '../color/index.ts';
import { cellValue, colorOf, siteIndex, tokenValue, type CellValue, type Group } from '../reach/index.ts';
import { recipes, rolePath, swatchPath, tokenTable } from '../style/index.ts';
import { buttonRole } from '../background/index.ts';
import type { Site, Swatch } from '../site/index.ts';

/** ΔE OK from which two colours side by side are told apart at a glance: ours, six times what is just noticeable. */
export const TOLD_APART = 0.12;

/** Two colours that must be told apart where they stand side by side, and how far they are for each way of seeing. */
export interface ApartPair {
  readonly label: string;
  readonly ground: string;
  /** Tokens of the two, the nearest first. */
  readonly first: readonly string[];
  readonly other: readonly string[];
  readonly colors: readonly [Rgb8, Rgb8];
  /** ΔE OK by way of seeing. */
  readonly distances: Readonly<Record<Vision, number>>;
  /** The way of seeing in which they are nearest. */
  readonly worst: Vision;
  readonly places: number;
  /** Other differences between the two, in words; empty if colour is the only one. */
  readonly besides: string;
}

/**
 * The pairs of the site that must be told apart: links inside a text against
 * that text, the error of a field against its help, and the fills of the button
 * variants against each other, on every ground where both occur; and what the
 * brand names as status marks (each from each) and chart colours (neighbours).
 *
 * @param severity of a deficiency, 0 to 1
 */
export function apartPairs(site: Site, severity = 1): ApartPair[] {
  const table = tokenTable(site.brand);
  const matrices = VISIONS.map((vision) => [vision, visionMatrix(vision, severity)] as const);
  const found = new Map<string, ApartPair>();
  const add = (label: string, ground: string, value: CellValue, other: CellValue, places: number, besides: string) => {
    const key = [label, ground, value.chain[0] ?? value.css, other.chain[0] ?? other.css].join(' ');
    const known = found.get(key);
    if (known) return found.set(key, { ...known, places: known.places + places });
    const behind = colorOf(tokenValue(table, rolePath(site.brand, site.brand.grounds[ground]!, 'background')).css);
    const [first, second] = [colorOf(value.css), colorOf(other.css)].map(
      (color) => color && (behind ? composite(color, behind) : color),
    );
    if (!first || !second) return undefined;
    return found.set(
      key,
      rated(`${label} on ${site.brand.grounds[ground]!.label}`, ground, value, other, [first, second], places, besides),
    );
  };
  const index = siteIndex(site);
  for (const group of index.groups) {
    if (group.kind !== 'link' || !group.inline) continue;
    const [link, text] = [restColor(group), group.inherits ? restColor(group.inherits) : undefined];
    if (link && text) add('Link against text', group.ground, link, text, group.count, 'underlined');
  }
  for (const group of index.groups) {
    const { ground } = group;
    if (!group.painting.recipes.includes(recipes.role(ground, 'error'))) continue;
    const role = (name: string) => tokenValue(table, rolePath(site.brand, site.brand.grounds[ground]!, name));
    add('Error against help', ground, role('error'), role('help'), group.count, 'its own words');
  }
  for (const [ground, variants] of buttonsByGround(index.groups)) {
    const list = [...variants.keys()];
    list.forEach((entry, i) => {
      for (const other of list.slice(i + 1)) {
        const fill = (variant: string) =>
          tokenValue(table, rolePath(site.brand, site.brand.grounds[ground]!, buttonRole(variant, 'fill', 'rest')));
        add(
          `${site.brand.variants[entry]!.label} against ${site.brand.variants[other]!.label}`,
          ground,
          fill(entry),
          fill(other),
          variants.get(entry)! + variants.get(other)!,
          'different edges',
        );
      }
    });
  }
  const { status = [], chart = [] } = site.brand.apart ?? {};
  const named = (what: string, name: string, other: string): ApartPair => {
    const [first, second] = [name, other].map((id) => site.brand.swatches[id]!) as [Swatch, Swatch];
    const values = [first, second].map((swatch) => tokenValue(table, swatchPath(swatch)));
    return rated(
      `${what}, ${first.label} against ${second.label}`,
      '',
      values[0]!,
      values[1]!,
      values.map((value) => colorOf(value.css)!) as [Rgb8, Rgb8],
      0,
      '',
    );
  };
  return [
    ...found.values(),
    ...status.flatMap((name, i) => status.slice(i + 1).map((other) => named('Status', name, other))),
    ...chart.slice(1).map((other, i) => named('Chart', chart[i]!, other)),
  ];

  function rated(
    label: string,
    ground: string,
    value: CellValue,
    other: CellValue,
    colors: readonly [Rgb8, Rgb8],
    places: number,
    besides: string,
  ): ApartPair {
    const distances = Object.fromEntries(
      matrices.map(([vision, matrix]) => [vision, deltaERgb(seenAs(colors[0], matrix), seenAs(colors[1], matrix))]),
    ) as Record<Vision, number>;
    return {
      label,
      ground,
      first: value.chain,
      other: other.chain,
      colors,
      distances,
      places,
      besides,
      worst: VISIONS.reduce((least, vision) => (distances[vision] < distances[least] ? vision : least)),
    };
  }

  function restColor(group: Group): CellValue | undefined {
    const cell = group.painting.at('color', 'rest', 'desktop');
    return cell && cellValue(table, cell);
  }
}

/** How many buttons of each variant stand on each ground. */
function buttonsByGround(groups: readonly Group[]): Map<string, Map<string, number>> {
  const found = new Map<string, Map<string, number>>();
  for (const group of groups) {
    const variant = group.painting.recipes
      .map((recipe) => /^button:([^:]+):/.exec(recipe)?.[1])
      .find((name) => name !== undefined);
    if (group.kind !== 'button' || !variant) continue;
    const variants = found.get(group.ground) ?? new Map<string, number>();
    found.set(group.ground, variants.set(variant, (variants.get(variant) ?? 0) + group.count));
  }
  return found;
}
