import { parseColor, type Rgb8 } from '../color/index.ts';
import { oneValue, partsOf } from '../css/index.ts';

type Curve = readonly [number, number, number, number];

/**
 * One CSS value: a length in px (1 rem = 16 px), a share of the font size, a time in ms, or an easing; empty for
 * anything else.
 */
export interface Single {
  readonly px?: number;
  readonly em?: number;
  readonly ms?: number;
  readonly curve?: Curve;
}

/** Named curves of CSS Easing Functions 1, 2.3. */
const EASINGS: Readonly<Record<string, Curve>> = {
  linear: [0, 0, 1, 1],
  ease: [0.25, 0.1, 0.25, 1],
  'ease-in': [0.42, 0, 1, 1],
  'ease-out': [0, 0, 0.58, 1],
  'ease-in-out': [0.42, 0, 0.58, 1],
};

/**
 * Reads one value as CSS writes it: `12px`, `.75rem`, `0`, `0.02em`, `150ms`, `0.2s`, `ease-out`, `cubic-bezier(…)`.
 */
export function readSingle(css: string): Single {
  const value = oneValue(css);
  if (!value) return {};
  if ('number' in value) {
    const { number } = value;
    if (!Number.isFinite(number)) return {};
    switch (value.unit) {
      case 'px':
        return { px: number };
      case 'rem':
        return { px: number * 16 };
      case 'em':
        return { em: number };
      case 'ms':
        return { ms: number };
      case 's':
        return { ms: number * 1000 };
      case '':
        return number === 0 ? { px: 0, em: 0 } : {};
      default:
        return {};
    }
  }
  const curve =
    'word' in value ? EASINGS[value.word.toLowerCase()] : value.call === 'cubic-bezier' ? curveOf(value.of) : undefined;
  return curve ? { curve } : {};
}

function curveOf(numbers: readonly string[]): Curve | undefined {
  const four = numbers.map(Number);
  return four.length === 4 && four.every(Number.isFinite) ? (four as unknown as Curve) : undefined;
}

/** Offsets, blur and spread in px, and the colour of a shadow. */
export interface BoxShadow {
  readonly x: number;
  readonly y: number;
  readonly blur: number;
  readonly spread: number;
  readonly color: Rgb8;
}

/**
 * Reads a `box-shadow` of one layer (CSS Backgrounds 3, 6.1). @returns undefined for no shadow at all, or in words why
 * it is none that comes in
 */
export function readBoxShadow(css: string): BoxShadow | string | undefined {
  const layers = partsOf(css, ',');
  const parts = partsOf(layers[0] ?? '', ' ');
  const lengths = parts.flatMap((part) => readSingle(part).px ?? []);
  const [color, ...others] = parts.filter((part) => readSingle(part).px === undefined && part !== 'inset');
  if (lengths.length < 2 || lengths.length > 4 || color === undefined || others.length > 0) return undefined;
  const read = parseColor(color);
  if (!read) return undefined;
  if (layers.length > 1) return `is ${layers.length} shadows in one; a shadow token has one`;
  if (parts.includes('inset')) return 'is an inner shadow; shadow tokens are outer shadows';
  const [x, y, blur = 0, spread = 0] = lengths as [number, number, number?, number?];
  return { x, y, blur, spread, color: read.rgb };
}

/**
 * Reads the time and the curve of one transition, whatever it is of; undefined when either is missing or there are
 * several.
 */
export function readTransition(css: string): { readonly duration: number; readonly easing: Curve } | undefined {
  if (partsOf(css, ',').length !== 1) return undefined;
  const singles = partsOf(css, ' ').map(readSingle);
  const [durations, curves] = [
    singles.flatMap((single) => single.ms ?? []),
    singles.flatMap((single) => (single.curve ? [single.curve] : [])),
  ];
  return durations.length === 1 && curves.length === 1 ? { duration: durations[0]!, easing: curves[0]! } : undefined;
}
