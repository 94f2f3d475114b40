import { round } from '../number/index.ts';
import { namedProperty, oneValue, partsOf } from '../css/index.ts';
import { readBoxShadow, readSingle, readTransition } from './css-values.ts';
import { readPart, type IncomingPart } from './dtcg-parts.ts';
import type { LeftToken } from './incoming.ts';

/** The text property that a custom property means, by the end of its name. */
const TEXT = [
  ['fontSize', /-(?:font-)?size$/],
  ['fontWeight', /-(?:font-)?weight$/],
  ['lineHeight', /-(?:line-height|leading)$/],
  ['letterSpacing', /-(?:letter-spacing|tracking)$/],
  ['fontFamily', /-(?:font-)?family$/],
  ['fontStyle', /-(?:font-style|slant)$/],
] as const;
const DURATION = /-duration$/;
const EASING = /-(?:easing|ease|timing|timing-function|curve)$/;
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
export function readSheetParts(
  values: ReadonlyMap<string, string>,
  written: ReadonlyMap<string, string>,
): {
  readonly parts: readonly IncomingPart[];
  readonly left: readonly LeftToken[];
  readonly told: ReadonlySet<string>;
} {
  const parts: IncomingPart[] = [];
  const left: LeftToken[] = [];
  const told = new Set<string>();
  const add = (key: string, names: readonly string[], part: IncomingPart | string) => {
    for (const name of names) told.add(name);
    const kept = (name: string) => JSON.stringify(written.get(name));
    if (typeof part === 'string') left.push(...names.map((path) => ({ path, reason: part, kept: kept(path) })));
    else parts.push({ ...part, key, kept: names.length === 1 ? kept(names[0]!) : '' });
  };
  const typed = (key: string, type: string, value: unknown): IncomingPart | string =>
    readPart(key.slice(2).replaceAll('-', '.'), type, value, '', (entry) => entry);
  for (const [key, names] of groupsOf(
    values.keys(),
    TEXT.map(([, end]) => end),
  )) {
    const given = new Map(names.map((name) => [TEXT.find(([, end]) => end.test(name))![0], values.get(name)!]));
    if (given.size < 2 || !given.has('fontSize') || key === '-') continue;
    add(key, names, typed(key, 'typography', textOf(given)));
  }
  for (const [key, names] of groupsOf(values.keys(), [DURATION, EASING])) {
    const [duration, easing] = [DURATION, EASING].map((end) => names.find((name) => end.test(name)));
    if (duration && easing && readSingle(values.get(duration)!).ms !== undefined)
      add(
        key,
        names,
        typed(key, 'transition', {
          duration: values.get(duration),
          timingFunction: readSingle(values.get(easing)!).curve,
        }),
      );
  }
  for (const [name, css] of values) {
    // A property that only repeats another one is imported with it.
    if (told.has(name) || namedProperty(written.get(name)!) !== undefined) continue;
    const shadow = readBoxShadow(css);
    const transition = readTransition(css);
    const font = fontOf(css);
    if (typeof shadow === 'string') add(name, [name], shadow);
    else if (shadow) {
      const px = (value: number) => ({ value, unit: 'px' });
      const layer = partsOf(css, ' ').find((text) => readSingle(text).px === undefined)!;
      add(
        name,
        [name],
        typed(name, 'shadow', {
          offsetX: px(shadow.x),
          offsetY: px(shadow.y),
          blur: px(shadow.blur),
          spread: px(shadow.spread),
          color: layer,
        }),
      );
    } else if (transition)
      add(
        name,
        [name],
        typed(name, 'transition', {
          duration: { value: transition.duration, unit: 'ms' },
          timingFunction: transition.easing,
        }),
      );
    else if (font) {
      add(name, [name], typed(name, 'typography', textOf(font)));
    } else if (CORNER.test(name) && readSingle(css).px !== undefined)
      add(name, [name], typed(name, 'dimension', { value: readSingle(css).px, unit: 'px' }));
  }
  return { parts, left, told };
}

/** Names that begin alike and end in one of these ways, by how they begin. */
function groupsOf(names: Iterable<string>, ends: readonly RegExp[]): Map<string, string[]> {
  const groups = new Map<string, string[]>();
  for (const name of names) {
    const end = ends.find((entry) => entry.test(name));
    if (end) groups.set(name.replace(end, ''), [...(groups.get(name.replace(end, '')) ?? []), name]);
  }
  return groups;
}

/**
 * The values of a text as a typography token has them: numbers where CSS has words for numbers, em as px of its size.
 */
function textOf(given: ReadonlyMap<string, string>): Record<string, unknown> {
  const size = readSingle(given.get('fontSize')!).px ?? NaN;
  return Object.fromEntries(
    [...given].map(([field, css]): [string, unknown] => {
      const { px, em } = readSingle(css);
      if (field === 'fontFamily' || field === 'fontStyle') return [field, css];
      if (field === 'letterSpacing' && css === 'normal') return [field, { value: 0, unit: 'px' }];
      if (field === 'letterSpacing' && em !== undefined) return [field, { value: round(em * size, 4), unit: 'px' }];
      if (field === 'fontSize' && px !== undefined) return [field, { value: px, unit: 'px' }];
      if (css.trim() !== '' && Number.isFinite(Number(css))) return [field, Number(css)];
      return [field, px === undefined ? css : { value: px, unit: 'px' }];
    }),
  );
}

/**
 * The parts of `font` in short (CSS Fonts 4, 2.8): slant and weight if any, size with or without line height, families;
 * undefined for anything else.
 */
function fontOf(css: string): ReadonlyMap<string, string> | undefined {
  const [first, ...others] = partsOf(css, ',');
  const parts = first === undefined ? [] : partsOf(first, ' ');
  const found = new Map<string, string>();
  const before = (field: string, fits: (name: string) => boolean) => {
    if (parts[0] !== undefined && fits(parts[0])) found.set(field, parts.shift()!);
  };
  before('fontStyle', (name) => ['italic', 'oblique', 'normal'].includes(name));
  before('fontWeight', (name) => ['bold', 'normal'].includes(name) || /^\d{3}$/.test(name));
  // With spaces around the slash it is a part of its own.
  const [size, ...rest] = parts.join(' ').split(/\s*\/\s*/);
  const [height, ...family] =
    rest.length > 0 ? rest.join('/').split(' ') : [undefined, ...(size ?? '').split(' ').slice(1)];
  const length = (size ?? '').split(' ')[0]!;
  const value = oneValue(length);
  if (!value || !('number' in value) || !['px', 'rem'].includes(value.unit) || family.length === 0) return undefined;
  found.set('fontSize', length);
  if (height !== undefined) found.set('lineHeight', height);
  found.set('fontFamily', [family.join(' '), ...others].join(', '));
  return found;
}
