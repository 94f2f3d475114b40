import { filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit, filterGrayscale, type Rgb } from 'culori';
import { clamp } from '../number/index.ts';
import type { Rgb8 } from './color.ts';

/** Ways in which the site can be looked at: by anybody, with one kind of cone weak or missing, or without colour. */
export const VISIONS = ['full', 'protan', 'deutan', 'tritan', 'grey'] as const;
export type Vision = (typeof VISIONS)[number];

/** The label of each kind of colour vision. */
export const VISION_LABELS: Readonly<Record<Vision, string>> = {
  full: 'full colour',
  protan: 'protan',
  deutan: 'deutan',
  tritan: 'tritan',
  grey: 'greyscale',
};

/** Nine factors, row by row: how much of red, green and blue goes into each channel of the encoded sRGB colour. */
export type VisionMatrix = readonly [number, number, number, number, number, number, number, number, number];

const FILTERS: Record<Exclude<Vision, 'full'>, (severity: number) => (color: Rgb) => unknown> = {
  protan: (severity) => filterDeficiencyProt(severity),
  deutan: (severity) => filterDeficiencyDeuter(severity),
  tritan: (severity) => filterDeficiencyTrit(severity),
  grey: (severity) => filterGrayscale(severity),
};

/**
 * The matrix of a vision. Deficiencies by Machado, Oliveira and Fernandes,
 * "A Physiologically-based Model for Simulation of Color Vision Deficiency",
 * 2009, as culori has them; greyscale by Filter Effects 1.
 *
 * @param severity 0 (none) to 1 (one kind of cone is missing; all colour is)
 */
export function visionMatrix(vision: Vision, severity: number): VisionMatrix {
  if (vision === 'full') return [1, 0, 0, 0, 1, 0, 0, 0, 1];
  const filter = FILTERS[vision](clamp(severity, 0, 1));
  const columns = (
    [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ] as const
  ).map(([r, g, b]) => filter({ mode: 'rgb', r, g, b }) as Rgb);
  return [
    ...columns.map((column) => column.r),
    ...columns.map((column) => column.g),
    ...columns.map((column) => column.b),
  ] as unknown as VisionMatrix;
}

/** A painted colour as it looks in a vision. */
export function seenAs({ r, g, b, alpha }: Rgb8, matrix: VisionMatrix): Rgb8 {
  const channel = (row: number) =>
    Math.round(clamp(matrix[row]! * r + matrix[row + 1]! * g + matrix[row + 2]! * b, 0, 255));
  return { r: channel(0), g: channel(3), b: channel(6), alpha };
}
