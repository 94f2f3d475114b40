import { parseColor, type Rgb8 } from '../color/index.ts';
import { round } from '../number/index.ts';
import { inRange } from '../number/index.ts';
import { readDtcgColor } from './dtcg-color.ts';
import { labelOfPath } from './label.ts';

interface Named {
  /** Path in the file. */
  readonly key: string;
  readonly label: string;
  /** The token as JSON, kept when it is not brought in. */
  readonly kept: string;
}

/**
 * Something of a brand besides its colour that a file of another tool has: sizes in px, letter spacing in em, times in
 * ms.
 */
export type IncomingPart = Named &
  (
    | {
        readonly kind: 'style';
        readonly family: string | undefined;
        readonly size: number;
        readonly weight: number;
        readonly lineHeight: number | undefined;
        readonly letterSpacing: number | undefined;
        readonly italic: boolean;
      }
    | { readonly kind: 'corner'; readonly radius: number }
    | {
        readonly kind: 'shadow';
        readonly x: number;
        readonly y: number;
        readonly blur: number;
        readonly spread: number;
        readonly color: Rgb8;
      }
    | { readonly kind: 'motion'; readonly duration: number; readonly easing: readonly [number, number, number, number] }
  );

/** Groups that say what a token is, not what it is called. */
const GROUPS =
  /^(?:typography|typographies|text|texts|type|fonts?|styles?|shadows?|elevations?|radius|radii|corners?|border-?radius|motions?|transitions?|animations?)$/i;
/** A length that is called so rounds something off. */
const ROUND = /(?:^|[.\-_ ])(?:radius|radii|corners?|rounded)(?:$|[.\-_ ])|radius(?:$|\.)/i;
/** The names of font weights in the format (2025.10, 8.6). */
const WEIGHTS: Readonly<Record<string, number>> = {
  thin: 100,
  hairline: 100,
  'extra-light': 200,
  'ultra-light': 200,
  light: 300,
  normal: 400,
  regular: 400,
  book: 400,
  medium: 500,
  'semi-bold': 600,
  'demi-bold': 600,
  bold: 700,
  'extra-bold': 800,
  'ultra-bold': 800,
  black: 900,
  heavy: 900,
};

/** Returns the target of a reference in a file; undefined if it has none. */
type Resolve = (value: unknown) => unknown;
type Fields = Readonly<Record<string, unknown>>;

/**
 * Reads a typography, shadow, transition or corner token of any tool. Its parts
 * may be references. A dimension is a corner if its name says so.
 *
 * @returns why it is none, in words
 */
export function readPart(
  path: string,
  type: string,
  value: unknown,
  kept: string,
  resolve: Resolve,
): IncomingPart | string {
  const named = { key: path, label: labelOfPart(path), kept };
  switch (type) {
    case 'typography':
      return style(named, fieldsOf(value), resolve);
    case 'shadow':
      return shadow(named, value, resolve);
    case 'transition':
      return motion(named, fieldsOf(value), resolve);
    case 'dimension': {
      const radius = ROUND.test(path) ? px(resolve(value)) : undefined;
      if (radius !== undefined)
        return inRange('corner', radius)
          ? { ...named, kind: 'corner', radius }
          : `is a corner of ${radius} px; corners go from 0 to 100 px`;
    }
  }
  return `is ${type}; only colours, text styles, shadows, motions and corners can be imported alone`;
}

/** `typography.heading.large` is "Heading large". */
function labelOfPart(path: string): string {
  const steps = path.split('.');
  while (steps.length > 1 && GROUPS.test(steps[0]!)) steps.shift();
  return labelOfPath(steps.join('.'));
}

const fieldsOf = (value: unknown): Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Fields) : {};

function style(named: Named, fields: Fields, resolve: Resolve): IncomingPart | string {
  const [size, weight, height, spacing, family] = [
    'fontSize',
    'fontWeight',
    'lineHeight',
    'letterSpacing',
    'fontFamily',
  ].map((field) => resolve(fields[field])) as [unknown, unknown, unknown, unknown, unknown];
  const fontSize = px(size);
  if (fontSize === undefined || !inRange('fontSize', fontSize))
    return `has a size of ${words(size)}; sizes go from 8 to 200 px`;
  const fontWeight =
    weight === undefined
      ? 400
      : typeof weight === 'string'
        ? WEIGHTS[weight.toLowerCase().replace(/[\s_]+/g, '-')]
        : weight;
  if (typeof fontWeight !== 'number' || !inRange('fontWeight', fontWeight))
    return `has a weight of ${words(weight)}; weights go from 100 to 900`;
  // A line height is a share of the size there; some tools give a length.
  const lineHeight =
    typeof height === 'number' ? height : px(height) === undefined ? undefined : round(px(height)! / fontSize, 3);
  if (height !== undefined && (lineHeight === undefined || !inRange('lineHeight', lineHeight)))
    return `has a line height of ${words(height)}; line heights go from 0.8 to 3`;
  const letterSpacing =
    spacing === undefined ? undefined : px(spacing) === undefined ? undefined : round(px(spacing)! / fontSize, 4);
  if (spacing !== undefined && (letterSpacing === undefined || !inRange('letterSpacing', letterSpacing)))
    return `has a letter spacing of ${words(spacing)}; letter spacing goes from -0.1 to 0.5 em`;
  const first = Array.isArray(family) ? (family as unknown[])[0] : family;
  return {
    ...named,
    kind: 'style',
    family:
      typeof first === 'string'
        ? first
            .split(',')[0]!
            .trim()
            .replace(/^["']|["']$/g, '')
        : undefined,
    size: fontSize,
    weight: fontWeight,
    lineHeight,
    letterSpacing,
    italic: /italic|oblique/i.test(words(resolve(fields['fontStyle']))),
  };
}

function shadow(named: Named, value: unknown, resolve: Resolve): IncomingPart | string {
  if (Array.isArray(value) && value.length > 1) return `is ${value.length} shadows in one; a shadow token has one`;
  const fields = fieldsOf(Array.isArray(value) ? value[0] : value);
  if (fields['inset'] === true) return 'is an inner shadow; shadow tokens are outer shadows';
  const [x, y, blur, spread] = (['offsetX', 'offsetY', 'blur', 'spread'] as const).map((field) =>
    field === 'spread' && fields[field] === undefined ? 0 : px(resolve(fields[field])),
  );
  const color = resolve(fields['color']);
  const read = typeof color === 'string' ? parseColor(color) : readDtcgColor(color);
  if (
    x === undefined ||
    y === undefined ||
    blur === undefined ||
    spread === undefined ||
    ![x, y, spread].every((entry) => inRange('shadowOffset', entry)) ||
    !inRange('shadowBlur', blur)
  )
    return 'has offsets outside -60 to 60 px, or a blur outside 0 to 120';
  if (!read || typeof read === 'string') return 'has a colour that cannot be read';
  return { ...named, kind: 'shadow', x, y, blur, spread, color: read.rgb };
}

function motion(named: Named, fields: Fields, resolve: Resolve): IncomingPart | string {
  const duration = ms(resolve(fields['duration']));
  const easing = resolve(fields['timingFunction']);
  if (duration === undefined || !inRange('duration', duration)) return 'has a duration outside 0 to 2000 ms';
  if (
    !Array.isArray(easing) ||
    easing.length !== 4 ||
    !(easing as unknown[]).every(
      (entry, i) => typeof entry === 'number' && inRange(i % 2 === 0 ? 'share' : 'bezierY', entry),
    )
  )
    return 'has an easing that cannot be read';
  return { ...named, kind: 'motion', duration, easing: easing as [number, number, number, number] };
}

/** A length in px, as `{ value, unit }` or as older files write it: `16px`, `1rem`. */
function px(value: unknown): number | undefined {
  const text = typeof value === 'string' ? /^(-?\d*\.?\d+)(px|rem)$/.exec(value.trim()) : undefined;
  const { value: number, unit } = text
    ? { value: Number(text[1]), unit: text[2] }
    : (fieldsOf(value) as { value?: unknown; unit?: unknown });
  if (typeof number !== 'number' || !Number.isFinite(number)) return undefined;
  return unit === 'px' ? number : unit === 'rem' ? number * 16 : undefined;
}

function ms(value: unknown): number | undefined {
  const text = typeof value === 'string' ? /^(\d*\.?\d+)(ms|s)$/.exec(value.trim()) : undefined;
  const { value: number, unit } = text
    ? { value: Number(text[1]), unit: text[2] }
    : (fieldsOf(value) as { value?: unknown; unit?: unknown });
  return typeof number === 'number' && Number.isFinite(number) ? (unit === 's' ? number * 1000 : number) : undefined;
}

/** A value for a sentence. */
function words(value: unknown): string {
  if (value === undefined) return 'nothing';
  return (typeof value === 'string' ? value : JSON.stringify(value)).slice(0, 40);
}
