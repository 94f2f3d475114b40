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
  const one = oneValue(css);
  if (!one) return undefined;
  if ('number' in one)
    return UNITS.includes(one.unit) && Number.isFinite(one.number)
      ? { value: one.number, unit: one.unit as '' }
      : undefined;
  if (!('call' in one) || one.call !== 'clamp' || one.of.length !== 3) return undefined;
  const [left, plus, right, ...more] = partsOf(one.of[1]!, ' ');
  if (plus !== '+' || more.length > 0) return undefined;
  const [low, intercept, slope, high] = [
    inUnit(one.of[0]!, 'rem'),
    inUnit(left!, 'rem'),
    inUnit(right ?? '', 'vw'),
    inUnit(one.of[2]!, 'rem'),
  ];
  return low === undefined || intercept === undefined || slope === undefined || high === undefined
    ? undefined
    : { fluid: { low, intercept, slope, high } };
}

function inUnit(css: string, unit: string): number | undefined {
  const one = oneValue(css);
  return one && 'number' in one && one.unit === unit && Number.isFinite(one.number) ? one.number : undefined;
}
