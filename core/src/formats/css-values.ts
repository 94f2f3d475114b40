import { parseColor, type Rgb8 } from '../color/index.ts';

type Curve = readonly [number, number, number, number];

/** What one value of CSS says: a length in px (rem: 16 px), a share of the size of its text, a time in ms, or a curve; nothing for anything else. */
export interface Single { readonly px?: number; readonly em?: number; readonly ms?: number; readonly curve?: Curve }

/** Named curves of CSS Easing Functions 1, 2.3. */
const EASINGS: Readonly<Record<string, Curve>> = { linear: [0, 0, 1, 1], ease: [0.25, 0.1, 0.25, 1], 'ease-in': [0.42, 0, 1, 1], 'ease-out': [0, 0, 0.58, 1], 'ease-in-out': [0.42, 0, 0.58, 1] };

/** Reads one value as CSS writes it: `12px`, `.75rem`, `0`, `0.02em`, `150ms`, `0.2s`, `ease-out`, `cubic-bezier(…)`. */
export function readSingle(css: string): Single {
  const text = css.trim().toLowerCase();
  const measured = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(px|rem|em|ms|s)?$/.exec(text);
  if (measured) {
    const number = Number(measured[1]);
    if (!Number.isFinite(number)) return {};
    switch (measured[2]) {
      case 'px': return { px: number };
      case 'rem': return { px: number * 16 };
      case 'em': return { em: number };
      case 'ms': return { ms: number };
      case 's': return { ms: number * 1000 };
      default: return number === 0 ? { px: 0, em: 0 } : {};
    }
  }
  const curve = EASINGS[text] ?? readCurve(text);
  return curve ? { curve } : {};
}

function readCurve(text: string): Curve | undefined {
  const numbers = /^cubic-bezier\(([^()]*)\)$/.exec(text)?.[1]!.split(',').map(Number);
  return numbers?.length === 4 && numbers.every(Number.isFinite) ? (numbers as unknown as Curve) : undefined;
}

/** The parts of a value between spaces, or between commas, that stand in no brackets and no quotes. */
export function partsOf(css: string, separator: ' ' | ','): string[] {
  const pieces = css.match(/(?:"[^"]*"|'[^']*'|[\w-]*\((?:[^()]|\([^()]*\))*\)|[^\s,"'()]+|,|\s+)/g) ?? [];
  const parts = [''];
  for (const piece of pieces) {
    if (separator === ',' ? piece === ',' : piece.trim() === '') parts.push('');
    else parts[parts.length - 1] += piece;
  }
  return parts.map((one) => one.trim()).filter((one) => one !== '');
}

/** Offsets, blur and spread in px, and the colour of a shadow. */
export interface BoxShadow { readonly x: number; readonly y: number; readonly blur: number; readonly spread: number; readonly color: Rgb8 }

/** Reads a `box-shadow` of one layer (CSS Backgrounds 3, 6.1). @returns undefined for no shadow at all, or in words why it is none that comes in */
export function readBoxShadow(css: string): BoxShadow | string | undefined {
  const layers = partsOf(css, ',');
  const parts = partsOf(layers[0] ?? '', ' ');
  const lengths = parts.flatMap((one) => readSingle(one).px ?? []);
  const [color, ...others] = parts.filter((one) => readSingle(one).px === undefined && one !== 'inset');
  if (lengths.length < 2 || lengths.length > 4 || color === undefined || others.length > 0) return undefined;
  const read = parseColor(color);
  if (!read) return undefined;
  if (layers.length > 1) return `is ${layers.length} shadows in one; a shadow of the brand is one`;
  if (parts.includes('inset')) return 'lies within its part; shadows of the brand lie below';
  const [x, y, blur = 0, spread = 0] = lengths as [number, number, number?, number?];
  return { x, y, blur, spread, color: read.rgb };
}

/** Reads the time and the curve of one transition, whatever it is of; undefined when either is missing or there are several. */
export function readTransition(css: string): { readonly duration: number; readonly easing: Curve } | undefined {
  if (partsOf(css, ',').length !== 1) return undefined;
  const singles = partsOf(css, ' ').map(readSingle);
  const [durations, curves] = [singles.flatMap((one) => one.ms ?? []), singles.flatMap((one) => (one.curve ? [one.curve] : []))];
  return durations.length === 1 && curves.length === 1 ? { duration: durations[0]!, easing: curves[0]! } : undefined;
}
