/** What a rule found in the real layout of a page: its longest line in characters, the px by which words do not fit, the height of a header that stays, px, or by how many px one over a picture covers what is said there. */
export interface LayoutReading {
  readonly page: string;
  readonly place: string;
  readonly width: number;
  readonly rule: 'line-length' | 'text-spacing' | 'covered';
  readonly found: number;
}

export const NO_READINGS: readonly LayoutReading[] = [];
