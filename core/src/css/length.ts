import { oneValue, partsOf } from './read-css.ts';

/** A length as it is written: a number with its unit (none for a plain number), or a fluid size, in rem and vw. */
export type CssLength =
  | { readonly value: number; readonly unit: '' | 'px' | 'rem' | 'em' | 'vw' | '%' }
  | {
      readonly fluid: {
        readonly low: number;
        readonly intercept: number;
        readonly slope: number;
        readonly high: number;
      };
    };

const UNITS: readonly string[] = ['', 'px', 'rem', 'em', 'vw', '%'];

/**
 * A length in a unit that a model of a page can work out, or our own fluid size,
 * `clamp(a rem, b rem + c vw, d rem)`; undefined for any other value.
 */
export function readLength(css: string): CssLength | undefined {
  const value = oneValue(css);
  if (!value) return undefined;
  if ('number' in value)
    return UNITS.includes(value.unit) && Number.isFinite(value.number)
      ? { value: value.number, unit: value.unit as '' }
      : undefined;
  if (!('call' in value) || value.call !== 'clamp' || value.of.length !== 3) return undefined;
  const [left, plus, right, ...more] = partsOf(value.of[1]!, ' ');
  if (plus !== '+' || more.length > 0) return undefined;
  const [low, intercept, slope, high] = [
    inUnit(value.of[0]!, 'rem'),
    inUnit(left!, 'rem'),
    inUnit(right ?? '', 'vw'),
    inUnit(value.of[2]!, 'rem'),
  ];
  return low === undefined || intercept === undefined || slope === undefined || high === undefined
    ? undefined
    : { fluid: { low, intercept, slope, high } };
}

function inUnit(css: string, unit: string): number | undefined {
  const value = oneValue(css);
  return value && 'number' in value && value.unit === unit && Number.isFinite(value.number) ? value.number : undefined;
}
