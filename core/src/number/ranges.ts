/** Smallest and largest value that a typed figure may have, with its unit. */
interface Range {
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly unit: string;
}

/** Ranges kept as data: schema, fields and messages all read them here. */
export const RANGES = {
  lightness: { min: 0, max: 1, step: 0.001, unit: '' },
  chroma: { min: 0, max: 0.5, step: 0.001, unit: '' },
  hue: { min: 0, max: 360, step: 0.1, unit: '°' },
  scaleBase: { min: 12, max: 32, step: 0.5, unit: 'px' },
  scaleRatio: { min: 1.01, max: 2, step: 0.01, unit: '' },
  fontSize: { min: 8, max: 200, step: 0.5, unit: 'px' },
  duration: { min: 0, max: 2000, step: 10, unit: 'ms' },
  bezierY: { min: -2, max: 3, step: 0.01, unit: '' },
  pageWidth: { min: 320, max: 1920, step: 10, unit: 'px' },
  bySteps: { min: -14, max: 14, step: 1, unit: '' },
  byPx: { min: -100, max: 100, step: 0.5, unit: 'px' },
  byPercent: { min: -90, max: 400, step: 1, unit: ' %' },
  fontWeight: { min: 100, max: 900, step: 100, unit: '' },
  lineLength: { min: 20, max: 120, step: 1, unit: ' characters' },
  lineHeight: { min: 0.8, max: 3, step: 0.05, unit: '' },
  letterSpacing: { min: -0.1, max: 0.5, step: 0.005, unit: 'em' },
  space: { min: 0, max: 320, step: 1, unit: 'px' },
  cornerShare: { min: 0, max: 0.5, step: 0.05, unit: '' },
  edge: { min: 0, max: 12, step: 0.5, unit: 'px' },
  underlineOffset: { min: -0.1, max: 1, step: 0.05, unit: 'em' },
  underlineWidth: { min: 0.5, max: 8, step: 0.5, unit: 'px' },
  shadowOffset: { min: -60, max: 60, step: 1, unit: 'px' },
  shadowBlur: { min: 0, max: 120, step: 1, unit: 'px' },
  corner: { min: 0, max: 100, step: 1, unit: 'px' },
  logoWidth: { min: 16, max: 600, step: 1, unit: 'px' },
  iconMargin: { min: 0, max: 0.4, step: 0.01, unit: '' },
  angle: { min: 0, max: 359, step: 1, unit: '°' },
  pinWidth: { min: 320, max: 1920, step: 1, unit: 'px' },
  sampleRadius: { min: 0, max: 60, step: 1, unit: 'px' },
  severity: { min: 0, max: 1, step: 0.1, unit: '' },
  lighter: { min: -1, max: 1, step: 0.01, unit: '' },
  chromaShare: { min: 0, max: 20, step: 0.05, unit: ' %' },
  hueTurn: { min: -360, max: 360, step: 1, unit: '°' },
  share: { min: 0, max: 1, step: 0.01, unit: '' },
  ratio: { min: 1, max: 21, step: 0.1, unit: '' },
  shade: { min: 0, max: 1, step: 0.01, unit: '' },
} as const satisfies Record<string, Range>;
export type RangeName = keyof typeof RANGES;

/** Returns true if a number is finite and within the named range. */
export function inRange(name: RangeName, value: number): boolean {
  const { min, max } = RANGES[name];
  return Number.isFinite(value) && value >= min && value <= max;
}
