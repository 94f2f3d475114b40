/** A named range of page widths in CSS px, both ends included. */
export interface Band {
  readonly id: BandId;
  readonly from: number;
  readonly to: number;
}

export type BandId = 'phone' | 'tablet' | 'desktop';

/** Every width belongs to exactly one band. */
export const BANDS: readonly Band[] = [
  { id: 'phone', from: 0, to: 639 },
  { id: 'tablet', from: 640, to: 1023 },
  { id: 'desktop', from: 1024, to: Infinity },
];

/** Widths at which every place is resolved: the narrowest allowed, a phone, a desktop, and the ends of the bands. */
export const AUDIT_WIDTHS: readonly number[] = [320, 390, 639, 640, 1023, 1024, 1280];

/** The two widths that hang on the wall. */
export const WALL_WIDTHS = { desktop: 1280, phone: 390 } as const;

/** The band a width in CSS px belongs to. */
export function bandOf(width: number): BandId {
  return width <= 639 ? 'phone' : width <= 1023 ? 'tablet' : 'desktop';
}

/** Media query of a band. */
export function bandQuery(id: BandId): string {
  const band = BANDS.find((entry) => entry.id === id)!;
  if (band.from === 0) return `(width <= ${band.to}px)`;
  if (band.to === Infinity) return `(width >= ${band.from}px)`;
  return `(${band.from}px <= width <= ${band.to}px)`;
}
