/**
 * A measurement of a rule in the real layout of a page: the longest line in characters, the overflow of text in px, the
 * height of a sticky header in px, or the px by which a header over an image covers text.
 */
export interface LayoutReading {
  readonly page: string;
  readonly place: string;
  readonly width: number;
  readonly rule: 'line-length' | 'text-spacing' | 'covered';
  readonly found: number;
}

export const NO_READINGS: readonly LayoutReading[] = [];
