import { round } from '../number/index.ts';
import { VAR } from './var.ts';
import { partsOf, readBoxShadow, readSingle, readTransition } from './css-values.ts';
import { readPart, type IncomingPart } from './dtcg-parts.ts';
import type { LeftToken } from './incoming.ts';

/** What a property of a group says of a text, by the end of its name. */
const TEXT = [
  ['fontSize', /-(?:font-)?size$/], ['fontWeight', /-(?:font-)?weight$/], ['lineHeight', /-(?:line-height|leading)$/],
  ['letterSpacing', /-(?:letter-spacing|tracking)$/], ['fontFamily', /-(?:font-)?family$/], ['fontStyle', /-(?:font-style|slant)$/],
] as const;
const DURATION = /-duration$/;
const EASING = /-(?:easing|ease|timing|timing-function|curve)$/;
/** `font` in short: slant, weight, size with line height, families. */
const FONT = /^(?:(italic|oblique|normal)\s+)?(?:(\d{3}|bold|normal)\s+)?([\d.]+(?:px|rem))(?:\s*\/\s*([\d.]+(?:px|rem)?))?\s+(.+)$/;
const CORNER = /(?:^|-)(?:radius|radii|corners?|rounded)(?:-|$)/i;

/**
 * Text styles, shadows, motions and corners among the custom properties of any
 * sheet. A property that says what it is comes by itself (a shadow, a
 * transition, a font in short, a length called a radius); sizes, weights and
 * line heights, or a duration and a curve, go together when their names begin alike.
 *
 * @param values by name, what they name by `var()` put in
 * @param written the same as they stand in the sheet
 * @returns the parts, what looks like one and cannot be, and the names that are told of either way
 */
export function readSheetParts(values: ReadonlyMap<string, string>, written: ReadonlyMap<string, string>): { readonly parts: readonly IncomingPart[]; readonly left: readonly LeftToken[]; readonly told: ReadonlySet<string> } {
  const parts: IncomingPart[] = [];
  const left: LeftToken[] = [];
  const told = new Set<string>();
  const add = (key: string, names: readonly string[], part: IncomingPart | string) => {
    for (const name of names) told.add(name);
    const kept = (name: string) => JSON.stringify(written.get(name));
    if (typeof part === 'string') left.push(...names.map((path) => ({ path, reason: part, kept: kept(path) })));
    else parts.push({ ...part, key, kept: names.length === 1 ? kept(names[0]!) : '' });
  };
  const typed = (key: string, type: string, value: unknown): IncomingPart | string => readPart(key.slice(2).replaceAll('-', '.'), type, value, '', (one) => one);
  for (const [key, names] of groupsOf(values.keys(), TEXT.map(([, end]) => end))) {
    const given = new Map(names.map((name) => [TEXT.find(([, end]) => end.test(name))![0], values.get(name)!]));
    if (given.size < 2 || !given.has('fontSize') || key === '-') continue;
    add(key, names, typed(key, 'typography', textOf(given)));
  }
  for (const [key, names] of groupsOf(values.keys(), [DURATION, EASING])) {
    const [duration, easing] = [DURATION, EASING].map((end) => names.find((name) => end.test(name)));
    if (duration && easing && readSingle(values.get(duration)!).ms !== undefined) add(key, names, typed(key, 'transition', { duration: values.get(duration), timingFunction: readSingle(values.get(easing)!).curve }));
  }
  for (const [name, css] of values) {
    // What is nothing but another property's value goes with that.
    if (told.has(name) || VAR.test(written.get(name)!)) continue;
    const shadow = readBoxShadow(css);
    const transition = readTransition(css);
    const font = FONT.exec(css);
    if (typeof shadow === 'string') add(name, [name], shadow);
    else if (shadow) {
      const px = (value: number) => ({ value, unit: 'px' });
      const layer = partsOf(css, ' ').find((one) => readSingle(one).px === undefined)!;
      add(name, [name], typed(name, 'shadow', { offsetX: px(shadow.x), offsetY: px(shadow.y), blur: px(shadow.blur), spread: px(shadow.spread), color: layer }));
    } else if (transition) add(name, [name], typed(name, 'transition', { duration: { value: transition.duration, unit: 'ms' }, timingFunction: transition.easing }));
    else if (font) {
      const [, slant, weight, size, height, families] = font;
      add(name, [name], typed(name, 'typography', textOf(new Map(Object.entries({ fontSize: size, fontWeight: weight, lineHeight: height, fontFamily: families, fontStyle: slant }).filter((one): one is [string, string] => one[1] !== undefined)))));
    } else if (CORNER.test(name) && readSingle(css).px !== undefined) add(name, [name], typed(name, 'dimension', { value: readSingle(css).px, unit: 'px' }));
  }
  return { parts, left, told };
}

/** Names that begin alike and end in one of these ways, by how they begin. */
function groupsOf(names: Iterable<string>, ends: readonly RegExp[]): Map<string, string[]> {
  const groups = new Map<string, string[]>();
  for (const name of names) {
    const end = ends.find((one) => one.test(name));
    if (end) groups.set(name.replace(end, ''), [...(groups.get(name.replace(end, '')) ?? []), name]);
  }
  return groups;
}

/** The values of a text as a typography token has them: numbers where CSS has words for numbers, em as px of its size. */
function textOf(given: ReadonlyMap<string, string>): Record<string, unknown> {
  const size = readSingle(given.get('fontSize')!).px ?? NaN;
  return Object.fromEntries([...given].map(([field, css]): [string, unknown] => {
    const { px, em } = readSingle(css);
    if (field === 'fontFamily' || field === 'fontStyle') return [field, css];
    if (field === 'letterSpacing' && css === 'normal') return [field, { value: 0, unit: 'px' }];
    if (field === 'letterSpacing' && em !== undefined) return [field, { value: round(em * size, 4), unit: 'px' }];
    if (field === 'fontSize' && px !== undefined) return [field, { value: px, unit: 'px' }];
    if (css.trim() !== '' && Number.isFinite(Number(css))) return [field, Number(css)];
    return [field, px === undefined ? css : { value: px, unit: 'px' }];
  }));
}
