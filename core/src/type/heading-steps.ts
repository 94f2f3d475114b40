/** A style as the ladder compares it: larger order numbers are meant to look smaller. */
export interface HeadingStep {
  readonly style: string;
  readonly size: number;
  readonly heading: boolean;
}

/** Two neighbours that do not read as two levels. */
export interface UnclearStep {
  readonly upper: string;
  readonly lower: string;
  readonly kind: 'inverted' | 'near-equal';
  readonly ratio: number;
}

/** Smallest ratio between neighbouring heading sizes that is still seen as a step. */
export const LEAST_STEP = 1.1;

/**
 * Goes down the ladder and names every neighbour pair in which the upper one is
 * a heading and is smaller than the lower (`inverted`) or less than
 * `LEAST_STEP` times as large (`near-equal`). Sizes in px at one width.
 */
export function unclearSteps(rungs: readonly HeadingStep[]): UnclearStep[] {
  const findings: UnclearStep[] = [];
  for (let i = 1; i < rungs.length; i++) {
    const upper = rungs[i - 1]!;
    const lower = rungs[i]!;
    if (!upper.heading) continue;
    const ratio = upper.size / lower.size;
    if (ratio >= LEAST_STEP) continue;
    findings.push({ upper: upper.style, lower: lower.style, kind: ratio < 1 ? 'inverted' : 'near-equal', ratio });
  }
  return findings;
}
