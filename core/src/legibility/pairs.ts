import { composite, contrastRatio, gradientExtent, type Rgb8 } from '../color/index.ts';
import type { PlaceKind } from '../kinds/index.ts';
import type { Place } from '../page/index.ts';
import { cellValue, colorOf, groupsOf, placesIn, siteIndex, tokensThrough, type Group } from '../reach/index.ts';
import { BANDS, type BandId } from '../breakpoint/index.ts';
import { washUnder } from './pixels/index.ts';
import type { Site, State, PaintedProperty } from '../site/index.ts';
import { tokenTable, type TokenTable } from '../style/index.ts';
import { aspectsOf, standsOnItself, strictestNeed, type PairRule } from './need.ts';

/**
 * One painted layer of a pair: its value, and the tokens on the way to it, the nearest first; none for a value set on a
 * place.
 */
export interface PairLayer {
  readonly css: string;
  readonly chain: readonly string[];
}

/**
 * Two colours that meet on some page, at some width, in some state, with what
 * is asked of them. Found from the pages: a combination that no page uses is no pair.
 */
export interface Pair {
  readonly rule: PairRule;
  readonly kind: PlaceKind;
  /** Text style of the foreground, where it is text. */
  readonly style: string | null;
  readonly ground: string;
  /** The foreground; two where the better of fill and edge counts. */
  readonly fores: readonly PairLayer[];
  /** The layers behind, the topmost first, down to the first opaque one, with white paper below. Null over an image. */
  readonly behind: readonly PairLayer[] | null;
  readonly states: readonly State[];
  /** The strictest ratio asked at the widths where it occurs. */
  readonly needed: number;
  /** The ratio; null over a picture or when a colour cannot be read. */
  readonly found: number | null;
  /** The looks in which it occurs, and how many places have one of them. */
  readonly groups: readonly Group[];
  readonly count: number;
  /** Those places. To ask for them takes every page apart; to count them does not. */
  readonly places: readonly Place[];
}

const WHITE: Rgb8 = { r: 255, g: 255, b: 255, alpha: 1 };

type Rated = Omit<Pair, 'groups' | 'count' | 'places'>;
interface Build {
  pair: Rated;
  states: Set<State>;
  groups: Set<Group>;
  needed: number;
}

/** Every pair that occurs on the site, each once, in the order of their places. */
export function occurringPairs(site: Site, table: TokenTable = tokenTable(site.brand)): Pair[] {
  return pairsAmong(table, siteIndex(site).groups);
}

/**
 * Those of them behind whose foreground a token stands, itself or through others; looks on which it does not show are
 * not rated.
 */
export function pairsOn(site: Site, path: string): Pair[] {
  const table = tokenTable(site.brand);
  const index = siteIndex(site);
  const painted = new Set(groupsOf(index, tokensThrough(table, path)));
  const known = new Map<Group, boolean>();
  const shows = (group: Group | null): boolean => {
    if (!group) return false;
    let on = known.get(group);
    if (on === undefined)
      known.set(group, (on = painted.has(group) || (!isOpaque(table, group) && shows(group.under))));
    return on;
  };
  // A group directly on an image has no background colour that could be this one.
  const stands = (group: Group): boolean =>
    !group.overPicture ||
    group.states.some((state) => aspectsOf(group, state).some(({ rule }) => standsOnItself(group, rule)));
  return pairsAmong(
    table,
    index.groups.filter((group) => (painted.has(group) || shows(group.under)) && stands(group)),
  ).filter((pair) => pair.behind?.some((layer) => layer.chain.includes(path)));
}

/** Returns true if nothing shows through a look at rest, at any width. */
function isOpaque(table: TokenTable, group: Group): boolean {
  return BANDS.every(({ id }) => {
    const own = layerAt(table, group, 'background-color', 'rest', id);
    return own !== undefined && colorOf(own.css)?.alpha === 1;
  });
}

function pairsAmong(table: TokenTable, groups: readonly Group[]): Pair[] {
  const found = new Map<string, Build>();
  for (const group of groups)
    for (const entry of pairsOfGroup(table, group)) {
      const key = [
        entry.rule,
        entry.kind,
        entry.style,
        entry.ground,
        ...entry.fores.map(keyOf),
        '/',
        ...(entry.behind?.map(keyOf) ?? ['picture']),
      ].join(' ');
      const known = found.get(key);
      if (known) {
        for (const state of entry.states) known.states.add(state);
        known.groups.add(group);
        known.needed = Math.max(known.needed, entry.needed);
      } else
        found.set(key, { pair: entry, states: new Set(entry.states), groups: new Set([group]), needed: entry.needed });
    }
  return [...found.values()].map(({ pair, states, groups, needed }) => {
    const list = [...groups];
    return {
      ...pair,
      states: [...states],
      needed,
      groups: list,
      count: placesIn(list),
      get places() {
        return list.flatMap((entry) => entry.places);
      },
    };
  });
}

/** The pairs in which a token stands, as foreground or behind. */
export function pairsWith(pairs: readonly Pair[], path: string): Pair[] {
  const has = (layers: readonly PairLayer[] | null) => layers?.some((layer) => layer.chain.includes(path)) ?? false;
  return pairs.filter((pair) => has(pair.fores) || has(pair.behind));
}

const keyOf = (layer: PairLayer): string => layer.chain[0] ?? layer.css;

function pairsOfGroup(table: TokenTable, group: Group): Rated[] {
  const pairs: Rated[] = [];
  for (const state of group.states) {
    if (state === 'disabled') continue;
    for (const { id: band } of BANDS)
      for (const { rule, properties } of aspectsOf(group, state)) {
        const fores = properties.flatMap((property) => layerAt(table, group, property, state, band) ?? []);
        // A part without an edge of its own is told by nothing that could be paired.
        if (fores.length === 0 || !group.painting.at(properties[0]!, state, band)) continue;
        pairs.push(
          rate(
            table,
            group,
            rule,
            state,
            fores,
            standsOnItself(group, rule) ? layersOf(table, group, state, band) : layersBehind(table, group, band),
            strictestNeed(table, group, rule, band),
          ),
        );
      }
  }
  return pairs;
}

function layerAt(
  table: TokenTable,
  group: Group,
  property: PaintedProperty,
  state: State,
  band: BandId,
): PairLayer | undefined {
  const cell = group.painting.at(property, state, band);
  return cell && cellValue(table, cell);
}

/** The group's own fill and what shows through it. */
function layersOf(table: TokenTable, group: Group, state: State, band: BandId): readonly PairLayer[] | null {
  const own = layerAt(table, group, 'background-color', state, band);
  const color = own && colorOf(own.css);
  if (own && color && color.alpha >= 1) return [own];
  const behind = layersBehind(table, group, band);
  return own && color && behind ? [own, ...behind] : behind;
}

function layersBehind(table: TokenTable, group: Group, band: BandId): readonly PairLayer[] | null {
  if (group.overPicture) return null;
  return group.under ? layersOf(table, group.under, 'rest', band) : [];
}

/** Layers as the flat colour they come to on white paper. */
export function flattened(layers: readonly PairLayer[]): Rgb8 {
  return layers.reduceRight((below, layer) => composite(colorOf(layer.css) ?? below, below), WHITE);
}

/** The ratio of a pair's foregrounds, the better one, on a flat colour; null when none can be read. */
export function ratioOn(fores: readonly PairLayer[], behind: Rgb8): number | null {
  let best: number | null = null;
  for (const { css } of fores) {
    const color = colorOf(css);
    if (color) best = Math.max(best ?? 0, contrastRatio(composite(color, behind), behind));
  }
  return best;
}

/**
 * Over a gradient: the ratio that is reached from end to end, where it is enough; null where a part falls short, and
 * over a picture.
 */
function overWash(table: TokenTable, group: Group, fores: readonly PairLayer[], needed: number): number | null {
  const wash = washUnder(table, group);
  if (!wash) return null;
  const extent = gradientExtent(wash);
  const best = Math.max(...fores.map((fore) => Math.min(...extent.map((behind) => ratioOn([fore], behind) ?? 0))));
  return best >= needed ? best : null;
}

function rate(
  table: TokenTable,
  group: Group,
  rule: PairRule,
  state: State,
  fores: readonly PairLayer[],
  behind: readonly PairLayer[] | null,
  needed: number,
): Rated {
  return {
    rule,
    kind: group.kind,
    style: group.style,
    ground: group.ground,
    fores,
    behind,
    states: [state],
    needed,
    found: behind ? ratioOn(fores, flattened(behind)) : overWash(table, group, fores, needed),
  };
}
