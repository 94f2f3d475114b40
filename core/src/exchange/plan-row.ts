/** Colours nearer than this (ΔE OK) are one and the same to the eye. */
export const SAME = 0.02;

/** The result for one value of a file. */
export type Arrival = 'added' | 'changed' | 'equal' | 'left';

/** One row of a preview: what would happen to a colour or a ground, before it is taken. */
export interface PlanRow {
  /** Key in the file; grounds are `ground:` and their path. */
  readonly key: string;
  readonly label: string;
  readonly arrival: Arrival;
  /** The value of the brand and the value of the file, as hex; absent for backgrounds and for unused values. */
  readonly before?: string;
  readonly after?: string;
  /** ΔE OK between the two. */
  readonly deltaE?: number;
  /** Places that would change. */
  readonly places: number;
  /** Why it is left, or what else there is to say. */
  readonly note: string;
  /** Id of the swatch or ground it stands for. */
  readonly match?: string;
}
