import { deltaERgb, hex, mapToSrgb, paintedRgb, parseColor, type Oklch, type Rgb8 } from '../../color/index.ts';
import { deriveColor, ruleOther } from '../../palette/index.ts';
import { colorOf, placeCount } from '../../reach/index.ts';
import type { Brand, Site } from '../../site/index.ts';
import {
  colorBetween,
  resolveToken,
  resolvedSwatches,
  swatchColor,
  swatchPath,
  tokenTable,
} from '../../style/index.ts';
import type { Pair, PairLayer } from '../pairs.ts';

/** Steps of lightness from 0 to 1 that the search looks at; the colour as it is comes on top. */
export const LIGHTNESS_STEPS = 200;

/** A colour that may move in lightness, at its own hue and, as far as sRGB allows, its own chroma. */
export interface Variable {
  readonly id: string;
  readonly label: string;
  /** Address of the swatch or role in the document. */
  readonly address: readonly string[];
  readonly swatch: string | null;
  readonly base: Oklch;
  /** Lightness by index, rising; `current` is the index of the colour as it is. */
  readonly lightness: readonly number[];
  readonly current: number;
  /** The paints that move with it: its own and those of derived swatches. */
  readonly paints: Paint[];
}

/** A painted colour as a function of its variable. */
export interface Paint {
  readonly path: string;
  readonly variable: Variable;
  readonly places: number;
  at(lightness: number): Rgb8;
  /** Painted colour by index of the variable's lightness. */
  readonly values: readonly Rgb8[];
}

/** The colour of a variable at another lightness; exactly as it is at its own. */
export function colorAt({ base }: Variable, lightness: number): Oklch {
  return lightness === base.l ? base : mapToSrgb({ ...base, l: lightness });
}

/**
 * The colours that may move, and what they paint, by token path. Locked swatches
 * do not move, nor do those that follow one: they are whatever their source makes them.
 */
export function paintsOf(site: Site, pairs: readonly Pair[], locked: ReadonlySet<string>): Map<string, Paint> {
  const { brand } = site;
  const paints = new Map<string, Paint>();
  const variables = new Map<string, Variable>();
  for (const { swatch, rgb } of resolvedSwatches(brand)) {
    const root = rootOf(brand, swatch.id);
    if (
      locked.has(root) ||
      locked.has(swatch.id) ||
      brand.swatches[root]!.locked ||
      (swatch.locked && root !== swatch.id)
    )
      continue;
    let variable = variables.get(root);
    if (!variable) {
      const source = brand.swatches[root]!;
      variables.set(
        root,
        (variable = makeVariable(root, source.label, ['brand', 'swatches', root], root, source.color)),
      );
    }
    const rules = rulesOf(brand, swatch.id);
    const now = variable.base.l;
    // A moved source is kept as the hex that is painted: what follows it follows that.
    const made = (lightness: number): Rgb8 => {
      if (lightness === now) return rgb;
      const source = paintedRgb(colorAt(variable, lightness));
      return rules.length === 0
        ? source
        : paintedRgb(
            rules.reduce(
              (color, rule) => deriveColor(color, rule, swatchColor(brand, ruleOther(rule) ?? '')),
              parseColor(hex(source))!.oklch,
            ),
          );
    };
    add(variable, swatchPath(swatch), placeCount(site, swatchPath(swatch)), made);
  }
  const table = tokenTable(brand);
  for (const layer of pairs.flatMap((pair) => [...pair.fores, ...(pair.behind ?? [])])) {
    const path = layer.chain.at(-1);
    const token = path === undefined ? undefined : table.get(path);
    if (!path || paints.has(path) || !token?.address || !path.startsWith('background.')) continue;
    const [, , ground, , role] = token.address as [string, string, string, string, string];
    const value = brand.grounds[ground]?.roles[role];
    const rgb = colorOf(layer.css);
    if (token.mixes && rgb) {
      // The shade of an automatic button follows its source color.
      const from = paints.get(resolveToken(table, token.mixes.from).chain.at(-1)!);
      const other = colorOf(resolveToken(table, token.mixes.with).css);
      const { share } = token.mixes;
      const source = from?.variable;
      if (from && source && other)
        add(source, path, placeCount(site, path), (lightness) =>
          lightness === source.base.l ? rgb : colorBetween(from.at(lightness), other, share),
        );
      continue;
    }
    if (value?.kind !== 'raw' || !rgb) continue;
    const variable = makeVariable(
      path,
      token.label,
      [...token.address],
      null,
      parseColor(value.color)?.oklch ?? { l: 0, c: 0, h: 0, alpha: 1 },
    );
    add(variable, path, placeCount(site, path), (lightness) =>
      lightness === variable.base.l ? rgb : { ...paintedRgb(colorAt(variable, lightness)), alpha: rgb.alpha },
    );
  }
  return paints;

  function add(variable: Variable, path: string, places: number, at: (lightness: number) => Rgb8): void {
    const paint: Paint = { path, variable, places: Math.max(1, places), at, values: variable.lightness.map(at) };
    variable.paints.push(paint);
    paints.set(path, paint);
  }
}

function makeVariable(
  id: string,
  label: string,
  address: readonly string[],
  swatch: string | null,
  base: Oklch,
): Variable {
  const steps = Array.from({ length: LIGHTNESS_STEPS + 1 }, (_, i) => i / LIGHTNESS_STEPS).filter((l) => l !== base.l);
  const lightness = [...steps, base.l].sort((step, other) => step - other);
  return { id, label, address, swatch, base, lightness, current: lightness.indexOf(base.l), paints: [] };
}

/** The swatch at the end of a chain of rules. */
export function rootOf(brand: Brand, id: string): string {
  let at = id;
  for (let i = 0; i < 20; i++) {
    const source = brand.swatches[at]?.rule?.source;
    if (!source || !brand.swatches[source]) return at;
    at = source;
  }
  return at;
}

/** The rules from the source to the swatch, in the order in which they are applied. */
function rulesOf(brand: Brand, id: string): NonNullable<Brand['swatches'][string]['rule']>[] {
  const rules = [];
  for (let at = id, i = 0; i < 20; i++) {
    const rule = brand.swatches[at]?.rule;
    if (!rule || !brand.swatches[rule.source]) break;
    rules.unshift(rule);
    at = rule.source;
  }
  return rules;
}

/** The paint behind a layer, if it may move. */
export function paintOf(paints: ReadonlyMap<string, Paint>, layer: PairLayer): Paint | undefined {
  const path = layer.chain.at(-1);
  return path === undefined ? undefined : paints.get(path);
}

/** How far a variable's paints move at a lightness: Σ ΔE OK × places. */
export function movement(variable: Variable, index: number): number {
  return variable.paints.reduce(
    (sum, paint) => sum + deltaERgb(paint.values[variable.current]!, paint.values[index]!) * paint.places,
    0,
  );
}
