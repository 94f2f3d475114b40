/** One measured figure beside its reference, from the same run. */
export interface Result {
  readonly name: string;
  readonly median: number;
  readonly unit: string;
  readonly reference: string;
  readonly referenceMedian: number;
  /** Median over reference median; what the bound is about. */
  readonly ratio: number;
  readonly bound: string;
  readonly holds: boolean;
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((value, other) => value - other);
  const middle = sorted.length >> 1;
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/**
 * Median time in ms of one run, after a warm-up.
 *
 * @param warmUp ms the work runs before it is measured: as long for ours as for its reference, so that the engine has
 *   compiled both
 */
export function timed(runs: number, work: () => void, warmUp = 0): number {
  const start = performance.now();
  for (let i = 0; i < Math.min(5, runs) || performance.now() - start < warmUp; i++) work();
  return median(
    Array.from({ length: runs }, () => {
      const began = performance.now();
      work();
      return performance.now() - began;
    }),
  );
}
