/** What a rule found in the real layout of a page: its longest line in characters, or the px by which words do not fit. */
export interface LayoutReading {
  readonly page: string;
  readonly place: string;
  readonly width: number;
  readonly rule: 'line-length' | 'text-spacing';
  readonly found: number;
}

export const NO_READINGS: readonly LayoutReading[] = [];
